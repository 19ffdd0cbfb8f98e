import Link from "next/link";
import type { ComponentProps } from "react";
import { BUTTON_SHAPE, BUTTON_SIZE, BUTTON_TONES, type ButtonTone } from "./buttonShape";
import { cx } from "./cx";

/** A link that looks like a button. In a file of its own: the pages of errors, which every page carries, need no links of the router. */
export function LinkButton({ tone = "ivy", className, ...rest }: ComponentProps<typeof Link> & { tone?: ButtonTone }) {
  return <Link className={cx(BUTTON_SHAPE, BUTTON_SIZE, BUTTON_TONES[tone], className)} {...rest} />;
}
