"use client";
import { useState } from "react";
import { Button, TextField } from "@/ui";

/** A count by keyboard: Enter keeps it and goes on. */
export function Typed({
  label,
  most,
  onCount,
  onBeside,
}: {
  label: string;
  most: number;
  onCount: (n: number) => void;
  onBeside: (way: 1 | -1) => void;
}) {
  const [text, setText] = useState("");
  const [error, setError] = useState<string | null>(null);
  return (
    <form
      className="w-24"
      onSubmit={(event) => {
        event.preventDefault();
        const n = Number(text);
        if (!/^\d+$/.test(text.trim()) || n > most) return setError(`0 to ${most}`);
        setText("");
        setError(null);
        onCount(n);
      }}
    >
      <TextField
        label={label}
        value={text}
        inputMode="numeric"
        autoComplete="off"
        enterKeyHint="next"
        {...(error ? { error } : {})}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
          event.preventDefault();
          onBeside(event.key === "ArrowDown" ? 1 : -1);
        }}
      />
    </form>
  );
}

/** How many of those counted are marked; a dash while nobody looked. */
export function Marked({
  label,
  value,
  most,
  onChange,
}: {
  label: string;
  value: number | null;
  most: number;
  onChange: (n: number | null) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1.5">
      <span className="text-[0.9375rem] text-ink-2">{label}</span>
      <Button
        tone="line"
        className="min-h-11 min-w-11 px-0"
        aria-label={`${label}, one fewer`}
        disabled={value === null}
        onClick={() => onChange(value === 0 ? null : value! - 1)}
      >
        −
      </Button>
      <output className="min-w-8 text-center text-lg font-semibold tabular-nums">{value ?? "–"}</output>
      <Button
        tone="line"
        className="min-h-11 min-w-11 px-0"
        aria-label={`${label}, one more`}
        disabled={most === 0 || (value ?? -1) >= most}
        onClick={() => onChange(value === null ? 1 : value + 1)}
      >
        +
      </Button>
    </div>
  );
}
