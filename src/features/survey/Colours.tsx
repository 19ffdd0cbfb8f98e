import { HAIR_COLOURS, IRIS_COLOURS, SKIN_TONES } from "@/core/eye";
import { SelectField } from "@/ui";
import { optionsOf } from "./optionsOf";
import type { ColourKey, SurveyForm } from "./surveyForm";

const FIELDS: readonly { readonly key: ColourKey; readonly label: string; readonly options: { value: string; label: string }[] }[] = [
  { key: "iris", label: "Iris colour", options: optionsOf(IRIS_COLOURS) },
  { key: "hair", label: "Hair colour", options: optionsOf(HAIR_COLOURS) },
  { key: "skin", label: "Skin tone", options: optionsOf(SKIN_TONES) },
];

/** What the eyes are drawn in, where it is noted. */
export function Colours({ form, onChange }: { form: SurveyForm; onChange: (form: SurveyForm) => void }) {
  return (
    <div className="flex basis-full flex-wrap gap-x-4 gap-y-3">
      {FIELDS.map(({ key, label, options }) => (
        <div key={key} className="w-36">
          <SelectField
            label={label}
            value={form.colours[key]}
            onChange={(event) => onChange({ ...form, colours: { ...form.colours, [key]: event.target.value } })}
          >
            <option value="">not noted</option>
            {options.map((option) => (
              <option key={option.value} value={option.value}>
                {option.label}
              </option>
            ))}
          </SelectField>
        </div>
      ))}
    </div>
  );
}
