"use client";
import { SPACING, SPACING_IDS, spacingOf, spanWords, type Spacing, type SpacingId } from "@/core/care";
import type { Policy } from "@/core/policy";
import { TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";

type Hours = { readonly stop: string; readonly ask: string };
export type TypedSpacing = Readonly<Record<SpacingId, Hours>>;
const typed = (hours: number | null) => (hours === null ? "" : String(hours));
const hoursOf = ({ stopHours, askHours }: Spacing): Hours => ({ stop: typed(stopHours), ask: typed(askHours) });

/** Hours as typed: the studio's own, or the usual ones. */
export const spacingTyped = (spacing: Policy["spacing"]): TypedSpacing =>
  Object.fromEntries(SPACING_IDS.map((id) => [id, hoursOf(spacing[id] ?? SPACING[id])])) as TypedSpacing;

/** Hours to be kept: only where they differ from the usual. What cannot be read is kept as it is not, and refused by name. */
export function readSpacing(all: TypedSpacing): Policy["spacing"] {
  const read = (text: string) => (text.trim() === "" ? null : (readNumber(text) ?? Number.NaN));
  return Object.fromEntries(
    SPACING_IDS.flatMap((id) => {
      const typed = { stopHours: read(all[id].stop), askHours: read(all[id].ask) };
      const usual = SPACING[id];
      return typed.stopHours === usual.stopHours && typed.askHours === usual.askHours ? [] : [[id, typed]];
    }),
  );
}

const WHAT = { extensions: "extensions", removal: "removal", lift: "lift", tint: "tint", lightening: "lightening" } as const;
const nameOf = ({ treatment, part }: { readonly treatment: keyof typeof WHAT; readonly part: "lashes" | "brows" }) =>
  treatment === "lift" && part === "brows"
    ? "lamination"
    : part === "brows"
      ? `brow ${WHAT[treatment]}`
      : treatment === "tint"
        ? "lash tint"
        : WHAT[treatment];

/** What one service wants of the one before it on the same hair: hours, each with the usual ones. */
export function SpacingFields({
  value,
  said,
  onChange,
}: {
  value: TypedSpacing;
  /** What is wrong at a place of the policy. */
  said: (path: string) => string | undefined;
  onChange: (value: TypedSpacing) => void;
}) {
  return (
    <div className="border-t border-line py-4">
      <h3 className="text-xl">Time between services</h3>
      <p className="mt-1 text-sm text-ink-2">
        On the same hair, in hours; left empty it neither stops nor asks. Extensions still worn stop a lift and a lash tint whatever stands
        here. Common practice.
      </p>
      <table className="mt-2 w-full max-w-2xl text-[0.9375rem]">
        <thead>
          <tr className="text-left text-sm text-ink-2">
            <th className="font-normal">Before, then</th>
            <th className="font-normal">Stopped for, h</th>
            <th className="font-normal">Asked for, h</th>
          </tr>
        </thead>
        <tbody>
          {SPACING_IDS.map((id) => {
            const row = spacingOf(id);
            const words = `${nameOf(row.before)}, then ${nameOf(row.then)}`;
            const field = (key: "stop" | "ask", usual: number | null) => (
              <td className="w-40 pr-3 pb-1 align-top">
                <TextField
                  hideLabel
                  label={`${words}, ${key === "stop" ? "stopped" : "asked"} for, hours`}
                  inputMode="numeric"
                  value={value[id][key]}
                  hint={usual === null ? undefined : `usual: ${spanWords(usual)}`}
                  error={said(`spacing.${id}.${key}Hours`)}
                  onChange={(event) => onChange({ ...value, [id]: { ...value[id], [key]: event.target.value } })}
                />
              </td>
            );
            return (
              <tr key={id}>
                <th className="pt-2 pr-3 text-left align-top font-normal">{words}</th>
                {field("stop", row.stopHours)}
                {field("ask", row.askHours)}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
