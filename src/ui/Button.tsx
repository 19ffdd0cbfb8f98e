import Link from "next/link";
import type { ComponentProps } from "react";
import { cx } from "./cx";

type Tone = "ivy" | "line" | "plain" | "stop";

const TONES: Record<Tone, string> = {
  ivy: "bg-ivy text-on-ivy hover:bg-ivy-deep border border-transparent",
  line: "border border-ivy text-ivy hover:bg-moss-soft",
  plain: "border border-transparent text-ivy hover:bg-moss-soft",
  stop: "border border-rosehip text-rosehip hover:bg-rosehip-soft",
};
const SHAPE =
  "inline-flex min-h-9 items-center justify-center gap-2 rounded-full px-4 py-1.5 text-[0.9375rem] font-semibold transition-colors disabled:cursor-not-allowed disabled:opacity-50";

export function Button({ tone = "ivy", className, type = "button", ...rest }: ComponentProps<"button"> & { tone?: Tone }) {
  return <button type={type} className={cx(SHAPE, TONES[tone], className)} {...rest} />;
}

export function LinkButton({ tone = "ivy", className, ...rest }: ComponentProps<typeof Link> & { tone?: Tone }) {
  return <Link className={cx(SHAPE, TONES[tone], className)} {...rest} />;
}

/** A link to a file: loads as a document, never as a page of the app. */
export function FileLink({ tone = "line", className, ...rest }: ComponentProps<"a"> & { tone?: Tone }) {
  return <a className={cx(SHAPE, TONES[tone], className)} {...rest} />;
}
