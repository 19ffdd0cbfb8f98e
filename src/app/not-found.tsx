import { BUTTON_SHAPE, BUTTON_SIZE, BUTTON_TONES } from "@/ui/buttonShape";

/** Every page carries this one, so it asks for no script of its own: its way on is a plain link. */
export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl px-6 py-24">
      <h1 className="text-4xl">Nothing is kept here</h1>
      <p className="mt-4 text-ink-2">The page, client or map is not in this studio. The address may be old or mistyped.</p>
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- the router's link would be a script on every page */}
      <a href="/" className={`mt-8 ${BUTTON_SHAPE} ${BUTTON_SIZE} ${BUTTON_TONES.ivy}`}>
        To today
      </a>
    </main>
  );
}
