import type { MouseEventHandler, PointerEventHandler, ReactNode } from "react";
import { cx } from "@/ui";

const TONES = {
  ivy: "bg-ivy text-on-ivy border-transparent hover:bg-ivy-deep",
  line: "border-line-strong text-ink hover:bg-moss-soft",
  due: "bg-brass-soft text-ink border-brass border-2",
} as const;

/** A button for a knuckle at arm's length, 64 px at least, with the key that does the same. */
export function BedButton({
  keyName,
  tone = "line",
  pressed,
  disabled,
  className,
  testId,
  onPress,
  children,
  ...pointer
}: {
  keyName: string;
  tone?: keyof typeof TONES;
  pressed?: boolean | undefined;
  disabled?: boolean;
  className?: string;
  testId?: string;
  onPress: MouseEventHandler;
  children: ReactNode;
  onPointerDown?: PointerEventHandler;
  onPointerUp?: PointerEventHandler;
  onPointerLeave?: PointerEventHandler;
}) {
  return (
    <button
      type="button"
      data-testid={testId}
      aria-pressed={pressed}
      disabled={disabled}
      onClick={onPress}
      className={cx(
        "flex min-h-16 flex-col items-center justify-center rounded-xl border px-1 py-1 text-center text-base leading-5 font-semibold disabled:opacity-45 sm:px-2 lg:text-xl lg:leading-6",
        TONES[tone],
        pressed && "border-2 border-ivy",
        className,
      )}
      {...pointer}
    >
      <span>{children}</span>
      <kbd aria-hidden="true" className="hidden font-sans text-sm leading-4 font-normal opacity-80 sm:block">
        {keyName}
      </kbd>
    </button>
  );
}
