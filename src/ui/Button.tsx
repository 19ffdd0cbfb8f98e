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
  "inline-flex items-center justify-center gap-2 rounded-full py-1.5 font-semibold transition-colors disabled:cursor-not-allowed disabled:opacity-50";
/** `bed` is for a knuckle at arm's length: 64 px; `bedNarrow` the same where several stand in a row. */
const SIZES = { usual: "min-h-9 px-4 text-[0.9375rem]", bed: "min-h-16 px-8 text-2xl", bedNarrow: "min-h-16 min-w-16 px-4 text-2xl" };
export type ButtonSize = keyof typeof SIZES;

export function Button({
  tone = "ivy",
  size = "usual",
  className,
  type = "button",
  ...rest
}: ComponentProps<"button"> & { tone?: Tone; size?: ButtonSize }) {
  return <button type={type} className={cx(SHAPE, SIZES[size], TONES[tone], className)} {...rest} />;
}

export function LinkButton({ tone = "ivy", className, ...rest }: ComponentProps<typeof Link> & { tone?: Tone }) {
  return <Link className={cx(SHAPE, SIZES.usual, TONES[tone], className)} {...rest} />;
}
