import { setTime, windowVerdict } from "@/core/adhesive";
import type { Air } from "@/core/air";
import { SelectField, Verdict } from "@/ui";
import type { OpenBottle } from "./data";

/** Which bottle is worked from, with how it stands in this air. */
export function BottleChoice({
  bottles,
  air,
  volumeM3,
  value,
  onChange,
}: {
  bottles: readonly OpenBottle[];
  air: Air | null;
  volumeM3: number;
  value: string;
  onChange: (id: string) => void;
}) {
  const chosen = bottles.find((bottle) => bottle.id === value);
  const verdict = chosen && air ? windowVerdict(chosen.adhesive, air, volumeM3) : null;
  const expected = chosen && air ? setTime(chosen.adhesive.setTimeS, air) : null;
  return (
    <SelectField
      label="Adhesive"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      hint={
        verdict ? (
          <>
            {verdict.inWindow ? (
              <Verdict tone="good">fits this air</Verdict>
            ) : (
              <Verdict tone="look">{[verdict.humidity, verdict.temperature].filter((word) => word !== "fits").join(", ")} for it</Verdict>
            )}
            {expected?.known ? `, sets in about ${expected.setTimeS.toFixed(1)} s` : ""}
          </>
        ) : (
          "No fresh reading of the air to judge it by."
        )
      }
    >
      {bottles.length === 0 ? <option value="">no bottle is open</option> : null}
      {bottles.map((bottle) => (
        <option key={bottle.id} value={bottle.id}>
          {bottle.adhesive.name}, lot {bottle.lot}
        </option>
      ))}
    </SelectField>
  );
}
