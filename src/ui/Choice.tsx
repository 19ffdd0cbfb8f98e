"use client";
import { ToggleGroup } from "radix-ui";
import { cx } from "./cx";

type Option<T extends string> = { readonly value: T; readonly label: string; readonly title?: string };

/** A few words to choose one of; the chosen one is underlined as in handwriting. Arrows move, as in any toggle group. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  className,
  disabled,
  showLabel = true,
}: {
  label: string;
  value: T;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
  className?: string;
  disabled?: boolean;
  showLabel?: boolean;
}) {
  return (
    <div className={cx("flex flex-wrap items-baseline gap-x-1 gap-y-0.5", className)}>
      {showLabel ? <span className="mr-1 text-sm text-ink-2">{label}</span> : null}
      <ToggleGroup.Root
        type="single"
        aria-label={label}
        value={value}
        disabled={disabled}
        onValueChange={(next) => next && onChange(next as T)}
        className="flex flex-wrap gap-x-0.5"
      >
        {options.map((option) => (
          <ToggleGroup.Item
            key={option.value}
            value={option.value}
            title={option.title}
            className="min-h-8 rounded-t-sm border-b-2 border-transparent px-1.5 py-0.5 text-[0.9375rem] hover:bg-moss-soft data-[state=off]:text-ink-2 data-[state=on]:border-ivy data-[state=on]:font-semibold"
          >
            {option.label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
