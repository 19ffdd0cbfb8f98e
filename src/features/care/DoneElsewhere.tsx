"use client";
import type { Consultation } from "@/core/care";
import type { Treatment } from "@/core/service";
import { Button, SelectField, TextField } from "@/ui";

const ELSEWHERE: readonly { readonly treatment: Treatment; readonly part: "lashes" | "brows"; readonly label: string }[] = [
  { treatment: "extensions", part: "lashes", label: "extensions" },
  { treatment: "removal", part: "lashes", label: "extensions taken off" },
  { treatment: "lift", part: "lashes", label: "lash lift" },
  { treatment: "tint", part: "lashes", label: "lash tint" },
  { treatment: "lift", part: "brows", label: "brow lamination" },
  { treatment: "tint", part: "brows", label: "brow tint" },
  { treatment: "lightening", part: "brows", label: "brow lightening" },
];

type Elsewhere = Consultation["elsewhere"][number];

/** One thing done elsewhere: what, and when if anybody knows. */
export function DoneElsewhere({
  one,
  today,
  onChange,
  onDrop,
}: {
  one: Elsewhere;
  today: string;
  onChange: (part: Partial<Elsewhere>) => void;
  onDrop: () => void;
}) {
  return (
    <div className="grid items-end gap-3 sm:col-span-2 sm:grid-cols-[minmax(0,1fr)_10rem_auto] sm:pl-8">
      <SelectField
        label="What"
        value={`${one.treatment} ${one.part}`}
        onChange={(event) => {
          const [treatment, part] = event.target.value.split(" ") as [Treatment, "lashes" | "brows"];
          onChange({ treatment, part });
        }}
      >
        {ELSEWHERE.map(({ treatment, part, label }) => (
          <option key={label} value={`${treatment} ${part}`}>
            {label}
          </option>
        ))}
      </SelectField>
      <TextField
        label="When"
        type="date"
        max={today}
        value={one.on ?? ""}
        onChange={(event) => onChange({ on: event.target.value || null })}
      />
      <Button tone="plain" onClick={onDrop}>
        Not this
      </Button>
    </div>
  );
}
