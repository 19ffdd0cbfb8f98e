"use client";
import type { Policy } from "@/core/policy";
import { TextArea, TextField } from "@/ui";

export type LocalCode = Pick<Policy, "country" | "localNotes" | "aftercareWords">;

/** What holds at the studio's place, and what goes home from it, in the owner's words. */
export function LocalCodeFields({
  value,
  said,
  onChange,
}: {
  value: LocalCode;
  /** What is wrong at a place of the policy. */
  said: (path: string) => string | undefined;
  onChange: (value: LocalCode) => void;
}) {
  return (
    <div className="border-t border-line py-4">
      <h3 className="text-xl">Local code</h3>
      <p className="mt-1 text-sm text-ink-2">
        Rules differ by place: some forbid lash tint outright, licences differ. These notes stand where colour and lift are planned.
      </p>
      <div className="mt-2 max-w-2xl space-y-3">
        <TextField
          label="Country or state"
          value={value.country}
          error={said("country")}
          onChange={(event) => onChange({ ...value, country: event.target.value })}
        />
        <TextArea
          label="Notes"
          rows={6}
          value={value.localNotes}
          error={said("localNotes")}
          onChange={(event) => onChange({ ...value, localNotes: event.target.value })}
        />
        <TextArea
          label="On every aftercare card, a line each"
          rows={3}
          value={value.aftercareWords}
          error={said("aftercareWords")}
          onChange={(event) => onChange({ ...value, aftercareWords: event.target.value })}
        />
      </div>
    </div>
  );
}
