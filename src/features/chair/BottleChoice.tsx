import { fitnessWords, setTimeWords } from "@/features/shelf/glueWords";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { SelectField, Verdict } from "@/ui";

/** Which bottle is worked from, best first for this air and hand, with how the chosen one stands. */
export function BottleChoice({ rated, value, onChange }: { rated: readonly RatedBottle[]; value: string; onChange: (id: string) => void }) {
  const chosen = rated.find(({ bottle }) => bottle.id === value);
  const words = chosen?.fitness.verdict ? fitnessWords(chosen.fitness) : null;
  return (
    <SelectField
      label="Adhesive"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      hint={
        words && chosen ? (
          <>
            <Verdict tone={words.tone}>{words.word}</Verdict> {words.says}{" "}
            {chosen.fitness.expected ? setTimeWords(chosen.fitness.expected, chosen.bottle.adhesive.setTimeS) : ""}
          </>
        ) : (
          "No fresh reading of the air to judge it by."
        )
      }
    >
      {rated.length === 0 ? <option value="">no bottle is open</option> : null}
      {rated.map(({ bottle }) => (
        <option key={bottle.id} value={bottle.id}>
          {bottle.adhesive.name}, lot {bottle.lot}
        </option>
      ))}
    </SelectField>
  );
}
