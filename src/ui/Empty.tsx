import type { ReactNode } from "react";

/** Nothing here yet, and the next step. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="border-y border-dashed border-line py-10 text-center">
      <p className="font-serif text-xl">{title}</p>
      {children ? <div className="mt-3 text-ink-2">{children}</div> : null}
    </div>
  );
}
