import type { ReactNode } from "react";
import { cx } from "./cx";
import { Verdict, type Tone } from "./Verdict";

const GROUNDS: Record<Tone, string> = {
  good: "border-ivy bg-moss-soft",
  look: "border-brass bg-brass-soft",
  stop: "border-rosehip bg-rosehip-soft",
  note: "border-line-strong bg-leaf",
};

/** Words for something that happened, said aloud to those who listen. */
export function Notice({ tone, title, children, className }: { tone: Tone; title: string; children?: ReactNode; className?: string }) {
  return (
    <div role={tone === "stop" ? "alert" : "status"} className={cx("rounded-md border-l-4 px-4 py-2.5", GROUNDS[tone], className)}>
      <Verdict tone={tone}>{title}</Verdict>
      {children ? <div className="mt-1 text-[0.9375rem]">{children}</div> : null}
    </div>
  );
}
