import { X } from "lucide-react";
import { DENSITIES, MOST_PLACES, OWN_CURLS, sideLabel, TWISTS } from "@/core/eye";
import { DIRECTIONS } from "@/core/curl";
import { DIAMETER_CLASSES } from "@/core/lash";
import { Button, SelectField, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";
import { EyeHead, WholeEyeFields, type EyeFieldsProps } from "./EyeHead";
import { optionsOf, splayOptions } from "./optionsOf";
import { addPlace, LANDMARKS, type PlaceForm } from "./surveyForm";

const NUMBERS = [
  { key: "at", head: "At, mm", label: "millimetres from the inner corner" },
  { key: "length", head: "Length", label: "natural length in mm" },
  { key: "spread", head: "± mm", label: "spread in mm" },
] as const;
const CLASSES = [
  { key: "diameter", head: "Thickness", options: optionsOf(DIAMETER_CLASSES) },
  { key: "density", head: "Density", options: optionsOf(DENSITIES) },
  { key: "direction", head: "Direction", options: optionsOf(DIRECTIONS) },
  { key: "ownCurl", head: "Own curl", options: optionsOf(OWN_CURLS) },
  { key: "twist", head: "Twist", options: optionsOf(TWISTS) },
  { key: "rows", head: "Rows", options: ["1", "2", "3"].map((value) => ({ value, label: value })) },
] as const;
const SPLAY = { key: "splay", head: "Splay" } as const;
const SHARES = [
  { key: "baby", head: "Baby, %", label: "share of baby lashes in per cent" },
  { key: "gaps", head: "Gaps, %", label: "share without lashes in per cent" },
] as const;

/** One eye of the full survey: as many places along the lash line as are looked at, a row each. */
export function FullEyeFields({ side, eye, fields, onChange, onCopy }: EyeFieldsProps) {
  const name = sideLabel(side);
  const set = (i: number, change: Partial<PlaceForm>) =>
    onChange({ ...eye, places: eye.places.map((place, k) => (k === i ? { ...place, ...change } : place)) });
  const sorted = () => onChange({ ...eye, places: [...eye.places].sort((a, b) => (readNumber(a.at) ?? 0) - (readNumber(b.at) ?? 0)) });
  const head = "px-1 pb-1 text-left text-sm font-normal text-ink-2";
  return (
    <section aria-label={name}>
      <EyeHead side={side} onCopy={onCopy} />
      <div className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-6">
        <WholeEyeFields side={side} eye={eye} fields={fields} onChange={onChange} />
        {LANDMARKS.map(({ key, label }) => (
          <TextField
            key={key}
            label={label}
            unit="mm"
            inputMode="decimal"
            value={eye.landmarks[key]}
            error={fields[`${side}.landmarks.${key}`]}
            onChange={(e) => onChange({ ...eye, landmarks: { ...eye.landmarks, [key]: e.target.value } })}
          />
        ))}
      </div>
      <div className="mt-3 overflow-x-auto" tabIndex={0} role="region" aria-label={`Places of ${name}`}>
        <table className="w-full min-w-[62rem] border-separate border-spacing-x-1 border-spacing-y-1">
          <caption className="sr-only">Lashes of {name}, a row a place</caption>
          <thead>
            <tr>
              {[...NUMBERS, ...CLASSES, SPLAY, ...SHARES].map((column) => (
                <th key={column.key} scope="col" className={head}>
                  {column.head}
                </th>
              ))}
              <th scope="col" className={head}>
                <span className="sr-only">Take away</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {eye.places.map((place, i) => (
              <tr key={i} className="align-top">
                {NUMBERS.map(({ key, label }) => (
                  <td key={key} className="w-20">
                    <TextField
                      hideLabel
                      label={`${name}, place ${i + 1}, ${label}`}
                      inputMode="decimal"
                      className="px-2"
                      value={place[key]}
                      error={fields[`${side}.places.${i}.${key}`]}
                      onChange={(e) => set(i, { [key]: e.target.value })}
                      onBlur={key === "at" ? sorted : undefined}
                    />
                  </td>
                ))}
                {CLASSES.map(({ key, head: label, options }) => (
                  <td key={key}>
                    <SelectField
                      hideLabel
                      label={`${name}, place ${i + 1}, ${label.toLowerCase()}`}
                      className="px-1.5"
                      value={place[key]}
                      onChange={(e) => set(i, { [key]: e.target.value })}
                    >
                      {options.map((option) => (
                        <option key={option.value} value={option.value}>
                          {option.label}
                        </option>
                      ))}
                    </SelectField>
                  </td>
                ))}
                <td>
                  <SelectField
                    hideLabel
                    label={`${name}, place ${i + 1}, splay`}
                    className="px-1.5"
                    title="The way lashes leave by, off straight ahead"
                    value={place.splay}
                    onChange={(e) => set(i, { splay: e.target.value })}
                  >
                    {splayOptions(place.splay).map((option) => (
                      <option key={option.value} value={option.value}>
                        {option.label}
                      </option>
                    ))}
                  </SelectField>
                </td>
                {SHARES.map(({ key, label }) => (
                  <td key={key} className="w-16">
                    <TextField
                      hideLabel
                      label={`${name}, place ${i + 1}, ${label}`}
                      inputMode="numeric"
                      className="px-2"
                      value={place[key]}
                      error={fields[`${side}.places.${i}.${key}`]}
                      onChange={(e) => set(i, { [key]: e.target.value })}
                    />
                  </td>
                ))}
                <td className="w-9">
                  <button
                    type="button"
                    disabled={eye.places.length <= 2}
                    aria-label={`Take place ${i + 1} of ${name} away`}
                    className="flex min-h-10 min-w-8 items-center justify-center rounded-full text-ink-2 hover:bg-moss-soft disabled:opacity-40"
                    onClick={() => onChange({ ...eye, places: eye.places.filter((_, k) => k !== i) })}
                  >
                    <X size={18} aria-hidden="true" />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {fields[`${side}.places`] ? <p className="text-sm font-medium text-rosehip">■ {fields[`${side}.places`]}</p> : null}
      <Button tone="line" className="mt-1" disabled={eye.places.length >= MOST_PLACES} onClick={() => onChange(addPlace(eye))}>
        One place more
      </Button>
    </section>
  );
}
