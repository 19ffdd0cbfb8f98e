"use client";
import { useId, useState, type ComponentProps, type ReactNode } from "react";
import { cx } from "./cx";
import { readNumber } from "./readNumber";

const BOX = "w-full rounded-md border bg-leaf px-3 py-1.5 min-h-10 text-[1rem] placeholder:text-ink-2 disabled:opacity-60";

type Common = { label: ReactNode; hint?: ReactNode; error?: string; unit?: string; hideLabel?: boolean };

function Frame({ id, label, hint, error, unit, hideLabel, children }: Common & { id: string; children: ReactNode }) {
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={cx("mb-1 block text-sm text-ink-2", hideLabel && "sr-only")}>
        {label}
      </label>
      <div className="flex items-center gap-2">
        {children}
        {unit ? <span className="shrink-0 text-sm text-ink-2">{unit}</span> : null}
      </div>
      {hint ? (
        <p id={`${id}-hint`} className="mt-1 text-sm text-ink-2">
          {hint}
        </p>
      ) : null}
      {error ? (
        <p id={`${id}-error`} className="mt-1 text-sm font-medium text-rosehip">
          <span aria-hidden="true">■ </span>
          {error}
        </p>
      ) : null}
    </div>
  );
}

const describedBy = (id: string, { hint, error }: Common) =>
  [hint ? `${id}-hint` : "", error ? `${id}-error` : ""].filter(Boolean).join(" ") || undefined;

export function TextField({ label, hint, error, unit, hideLabel, className, ...rest }: Common & ComponentProps<"input">) {
  const id = useId();
  const common = { label, hint, error, unit, hideLabel };
  return (
    <Frame id={id} {...common}>
      <input
        id={id}
        dir="auto"
        aria-invalid={error ? true : undefined}
        aria-describedby={describedBy(id, common)}
        className={cx(BOX, error ? "border-rosehip" : "border-line-strong", className)}
        {...rest}
      />
    </Frame>
  );
}

/**
 * A figure, with a point or a comma. Half-typed text stays as typed and changes nothing; once left, the field shows the
 * figure that counts. With `onNone`, an emptied field means none.
 */
export function NumberField({
  value,
  onChange,
  onNone,
  min = -Infinity,
  max = Infinity,
  ...rest
}: Common & { value: number | null; onChange: (value: number) => void; onNone?: () => void; min?: number; max?: number }) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextField
      {...rest}
      inputMode="decimal"
      autoComplete="off"
      value={typed ?? (value === null ? "" : String(value))}
      onBlur={() => setTyped(null)}
      onChange={({ target }) => {
        setTyped(target.value);
        const figure = readNumber(target.value);
        if (figure !== undefined && figure >= min && figure <= max) onChange(figure);
        else if (target.value.trim() === "") onNone?.();
      }}
    />
  );
}

export function TextArea({ label, hint, error, hideLabel, className, ...rest }: Common & ComponentProps<"textarea">) {
  const id = useId();
  const common = { label, hint, error, hideLabel };
  return (
    <Frame id={id} {...common}>
      <textarea
        id={id}
        dir="auto"
        rows={4}
        aria-invalid={error ? true : undefined}
        aria-describedby={describedBy(id, common)}
        className={cx(BOX, "min-h-24", error ? "border-rosehip" : "border-line-strong", className)}
        {...rest}
      />
    </Frame>
  );
}

export function SelectField({ label, hint, error, hideLabel, className, children, ...rest }: Common & ComponentProps<"select">) {
  const id = useId();
  const common = { label, hint, error, hideLabel };
  return (
    <Frame id={id} {...common}>
      <select
        id={id}
        aria-invalid={error ? true : undefined}
        aria-describedby={describedBy(id, common)}
        className={cx(BOX, error ? "border-rosehip" : "border-line-strong", className)}
        {...rest}
      >
        {children}
      </select>
    </Frame>
  );
}
