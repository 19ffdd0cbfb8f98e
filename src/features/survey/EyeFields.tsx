import { DENSITIES, OWN_CURLS, ROWS, sideLabel } from "@/core/eye";
import { DIRECTIONS } from "@/core/curl";
import { DIAMETER_CLASSES } from "@/core/lash";
import { SelectField, TextField } from "@/ui";
import { EyeHead, WholeEyeFields, type EyeFieldsProps } from "./EyeHead";
import { optionsOf, splayOptions } from "./optionsOf";
import { LANDMARKS, PLACES, type EyeForm } from "./surveyForm";

const CLASSES = [
  { key: "diameter", label: "Thickness", options: optionsOf(DIAMETER_CLASSES) },
  { key: "density", label: "Density", options: optionsOf(DENSITIES) },
  { key: "direction", label: "Direction", options: optionsOf(DIRECTIONS) },
  { key: "ownCurl", label: "Own curl", options: optionsOf(OWN_CURLS) },
] as const;

/** One eye of the quick survey: lash line, shape, three places, landmarks. */
export function EyeFields({ side, eye, fields, onChange, onCopy }: EyeFieldsProps) {
  const name = sideLabel(side);
  const setPlace = (i: number, change: Partial<EyeForm["places"][number]>) =>
    onChange({ ...eye, places: eye.places.map((place, k) => (k === i ? { ...place, ...change } : place)) });
  return (
    <section aria-label={name}>
      <EyeHead side={side} onCopy={onCopy} />
      <div className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
        <WholeEyeFields side={side} eye={eye} fields={fields} onChange={onChange} />
      </div>
      <table className="mt-3 w-full table-fixed border-separate border-spacing-x-1 border-spacing-y-1 sm:border-spacing-x-1.5">
        <caption className="sr-only">Lashes of {name} in three places</caption>
        <thead>
          <tr className="text-left text-sm text-ink-2">
            <th scope="col" className="w-[4.75rem] font-normal sm:w-[5.25rem]">
              <span className="sr-only">What</span>
            </th>
            {PLACES.map((place) => (
              <th key={place} scope="col" className="font-normal">
                {place}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="align-top">
            <th scope="row" className="pt-2.5 text-left text-sm font-normal text-ink-2">
              Length, mm
            </th>
            {PLACES.map((place, i) => (
              <td key={place}>
                <TextField
                  hideLabel
                  label={`${name}, ${place}, natural length in mm`}
                  inputMode="decimal"
                  value={eye.places[i]!.length}
                  error={fields[`${side}.places.${i}.length`]}
                  onChange={(e) => setPlace(i, { length: e.target.value })}
                />
              </td>
            ))}
          </tr>
          {CLASSES.map(({ key, label, options }) => (
            <tr key={key}>
              <th scope="row" className="text-left text-sm font-normal text-ink-2">
                {label}
              </th>
              {PLACES.map((place, i) => (
                <td key={place}>
                  <SelectField
                    hideLabel
                    label={`${name}, ${place}, ${label.toLowerCase()}`}
                    className="px-2 max-sm:appearance-none max-sm:px-1.5 max-sm:text-[0.9375rem]"
                    value={eye.places[i]![key]}
                    onChange={(e) => setPlace(i, { [key]: e.target.value })}
                  >
                    {options.map((option) => (
                      <option key={option.value} value={option.value}>
                        {option.label}
                      </option>
                    ))}
                  </SelectField>
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row" className="text-left text-sm font-normal text-ink-2" title="The way lashes leave by, off straight ahead">
              Splay
            </th>
            {PLACES.map((place, i) => (
              <td key={place}>
                <SelectField
                  hideLabel
                  label={`${name}, ${place}, splay`}
                  className="px-2 max-sm:appearance-none max-sm:px-1.5 max-sm:text-[0.9375rem]"
                  value={eye.places[i]!.splay}
                  onChange={(e) => setPlace(i, { splay: e.target.value })}
                >
                  {splayOptions(eye.places[i]!.splay).map((option) => (
                    <option key={option.value} value={option.value}>
                      {option.label}
                    </option>
                  ))}
                </SelectField>
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row" className="text-left text-sm font-normal text-ink-2">
              Rows
            </th>
            {PLACES.map((place, i) => (
              <td key={place}>
                <SelectField
                  hideLabel
                  label={`${name}, ${place}, rows of lashes`}
                  className="px-2 max-sm:appearance-none max-sm:px-1.5 max-sm:text-[0.9375rem]"
                  value={eye.places[i]!.rows}
                  onChange={(e) => setPlace(i, { rows: e.target.value })}
                >
                  {ROWS.map((rows) => (
                    <option key={rows} value={String(rows)}>
                      {rows}
                    </option>
                  ))}
                </SelectField>
              </td>
            ))}
          </tr>
          <tr className="align-top">
            <th scope="row" className="pt-2.5 text-left text-sm font-normal text-ink-2">
              Baby, %
            </th>
            {PLACES.map((place, i) => (
              <td key={place}>
                <TextField
                  hideLabel
                  label={`${name}, ${place}, share of baby lashes in %`}
                  inputMode="numeric"
                  value={eye.places[i]!.baby}
                  error={fields[`${side}.places.${i}.baby`]}
                  onChange={(e) => setPlace(i, { baby: e.target.value })}
                />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      <fieldset className="mt-3">
        <legend className="text-sm text-ink-2">Landmarks, mm from the inner corner</legend>
        <div className="mt-1 grid grid-cols-2 gap-3 sm:grid-cols-4">
          {LANDMARKS.map(({ key, label }) => (
            <TextField
              key={key}
              label={label}
              inputMode="decimal"
              value={eye.landmarks[key]}
              error={fields[`${side}.landmarks.${key}`]}
              onChange={(e) => onChange({ ...eye, landmarks: { ...eye.landmarks, [key]: e.target.value } })}
            />
          ))}
        </div>
      </fieldset>
    </section>
  );
}
