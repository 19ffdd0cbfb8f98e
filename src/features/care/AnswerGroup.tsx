"use client";
import { cx } from "@/ui";

/** Questions of one kind, answered by what is so or by “none of these”. */
export function AnswerGroup({
  title,
  large,
  isMissed,
  isNone,
  noneLabel = "none of these",
  onNone,
  children,
}: {
  title: string;
  large: boolean;
  /** It was left open when the answers were handed in. */
  isMissed: boolean;
  isNone: boolean;
  noneLabel?: string;
  onNone: () => void;
  children: React.ReactNode;
}) {
  return (
    <fieldset className={cx("border-t border-line pt-3 pb-4", isMissed && "border-t-2 border-rosehip")}>
      <legend className={cx("font-serif", large ? "text-[1.75rem]" : "text-xl")}>{title}</legend>
      <div className={cx("mt-1 grid gap-x-8 gap-y-1", !large && "sm:grid-cols-2")}>
        {children}
        <Tick large={large} checked={isNone} label={noneLabel} onChange={onNone} />
      </div>
    </fieldset>
  );
}

export function Tick({
  checked,
  label,
  onChange,
  stop,
  large,
}: {
  checked: boolean;
  label: string;
  onChange: () => void;
  stop?: boolean;
  large?: boolean;
}) {
  return (
    <label className={cx("flex items-center gap-3 rounded-md hover:bg-moss-soft", large ? "min-h-14 text-xl" : "min-h-9")}>
      <input
        type="checkbox"
        className={cx("shrink-0 accent-[var(--ivy)]", large ? "size-7" : "size-5")}
        checked={checked}
        onChange={onChange}
      />
      <span className={stop ? "text-rosehip" : undefined}>{label}</span>
    </label>
  );
}
