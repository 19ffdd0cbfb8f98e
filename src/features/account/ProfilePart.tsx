import type { ReactNode } from "react";

/** A part of the page, under its heading. */
export function ProfilePart({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title}>
      <h2 className="mb-3 border-b border-line pb-1 text-2xl">{title}</h2>
      {children}
    </section>
  );
}
