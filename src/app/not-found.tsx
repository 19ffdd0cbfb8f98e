import { LinkButton } from "@/ui";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-4xl">Nothing is kept here</h1>
      <p className="mt-4 text-ink-2">The page, client or map is not in this studio. The address may be old or mistyped.</p>
      <LinkButton href="/" className="mt-8">
        To today
      </LinkButton>
    </main>
  );
}
