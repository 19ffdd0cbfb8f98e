"use client";
import type { Consultation } from "@/core/care";
import { TextField } from "@/ui";

type Operation = NonNullable<Consultation["operation"]>;

/** An eye operation: what and when, and for the technician when the surgeon's release was noted. */
export function OperationFields({
  operation,
  today,
  large,
  onChange,
}: {
  operation: Operation;
  today: string;
  large: boolean;
  onChange: (operation: Operation) => void;
}) {
  const change = (part: Partial<Operation>) => onChange({ ...operation, ...part });
  return (
    <div className="grid gap-3 pl-8 sm:col-span-2 sm:grid-cols-3">
      <TextField label="What was done" value={operation.what} maxLength={120} onChange={(event) => change({ what: event.target.value })} />
      <TextField
        label="When"
        type="date"
        max={today}
        value={operation.on ?? ""}
        onChange={(event) => change({ on: event.target.value || null })}
      />
      {large ? null : (
        <TextField
          label="Surgeon’s release, noted on"
          type="date"
          max={today}
          value={operation.releasedOn ?? ""}
          onChange={(event) => change({ releasedOn: event.target.value || null })}
        />
      )}
    </div>
  );
}
