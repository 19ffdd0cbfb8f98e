"use client";
import { ToggleGroup } from "radix-ui";
import { DEPTHS, depthWords } from "@/core/colour";

/** A depth of hair from black to palest, as ten swatches. */
export function DepthChoice({ label, value, onChange }: { label: string; value: number | null; onChange: (depth: number) => void }) {
  return (
    <div>
      <p className="text-sm text-ink-2">
        {label}: {value === null ? "not judged yet" : <b className="text-ink">{value}</b>}
        {value === null ? "" : `, ${depthWords(value)}`}
      </p>
      <ToggleGroup.Root
        type="single"
        aria-label={label}
        value={value === null ? "" : String(value)}
        onValueChange={(next) => next && onChange(Number(next))}
        className="mt-1 flex"
      >
        {DEPTHS.map(({ depth, hex, label: name }) => (
          <ToggleGroup.Item
            key={depth}
            value={String(depth)}
            aria-label={`${depth}, ${name}`}
            className="h-9 flex-1 border-2 border-transparent data-[state=on]:rounded-md data-[state=on]:border-ivy data-[state=on]:ring-2 data-[state=on]:ring-paper"
            style={{ background: hex }}
          />
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
