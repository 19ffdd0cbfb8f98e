import type { ComponentProps } from "react";
import { BUTTON_SHAPE, BUTTON_SIZE, BUTTON_TONES, type ButtonTone } from "./buttonShape";
import { cx } from "./cx";

/** `bed` is for a knuckle at arm's length: 64 px; `bedNarrow` the same where several stand in a row. */
const SIZES = { usual: BUTTON_SIZE, bed: "min-h-16 px-8 text-2xl", bedNarrow: "min-h-16 min-w-16 px-4 text-2xl" };
export type ButtonSize = keyof typeof SIZES;

export function Button({
  tone = "ivy",
  size = "usual",
  className,
  type = "button",
  ...rest
}: ComponentProps<"button"> & { tone?: ButtonTone; size?: ButtonSize }) {
  return <button type={type} className={cx(BUTTON_SHAPE, SIZES[size], BUTTON_TONES[tone], className)} {...rest} />;
}
