import type { ReactNode } from "react";

/** The page before the studio: a name, a line of thread, a form. */
export function Threshold({ title, says, children }: { title: string; says: string; children: ReactNode }) {
  return (
    <main className="mx-auto grid min-h-dvh max-w-5xl content-center gap-x-20 gap-y-10 px-6 py-12 md:grid-cols-[1fr_22rem]">
      <div>
        <p className="font-serif text-2xl font-semibold">Ivy Thread</p>
        <svg viewBox="0 8 440 216" className="mt-6 w-full max-w-md" aria-hidden="true">
          <path
            d="M0 140c60 0 70-50 130-50s80 60 150 60 80-50 140-50"
            fill="none"
            stroke="var(--ivy)"
            strokeWidth="2"
            strokeDasharray="9 6"
            strokeLinecap="round"
          />
          {[
            [130, 90, -1],
            [280, 150, 1],
            [415, 100, -1],
          ].map(([x, y, way]) => (
            <g key={x} transform={`translate(${x} ${y}) scale(1 ${-way!})`}>
              <path
                d="M0 0c-24-18-24-50 0-70 24 20 24 52 0 70z"
                fill="var(--moss-soft)"
                stroke="var(--ivy)"
                strokeWidth="1.5"
                transform="scale(0.9)"
              />
              <path d="M0-4c-2-16-2-34-1-50" fill="none" stroke="var(--ivy)" strokeWidth="1" />
              <circle r="4" fill="var(--ivy)" />
            </g>
          ))}
        </svg>
        <p className="mt-6 max-w-md text-ink-2">
          Plan the map, mind the air, keep the clocks. Made to serve practised hands; product leaflets, local codes and licensed practice
          come first.
        </p>
      </div>
      <div>
        <h1 className="text-4xl">{title}</h1>
        <p className="mt-2 mb-6 text-ink-2">{says}</p>
        {children}
      </div>
    </main>
  );
}
