import type { ReactNode } from "react";
import { cx } from "./cx";

export type Tone = "good" | "look" | "stop" | "note";

const SHAPES: Record<Tone, string> = { good: "●", look: "▲", stop: "■", note: "○" };
const COLOURS: Record<Tone, string> = { good: "text-ivy", look: "text-brass", stop: "text-rosehip", note: "text-ink-2" };

/** A verdict told by shape, colour and word alike; `plain` where it is a sentence in large type. */
export function Verdict({ tone, plain, children, className }: { tone: Tone; plain?: boolean; children: ReactNode; className?: string }) {
  return (
    <span className={cx(!plain && "font-semibold", COLOURS[tone], className)}>
      <span aria-hidden="true" className="mr-1.5 text-[0.75em]">
        {SHAPES[tone]}
      </span>
      {children}
    </span>
  );
}
