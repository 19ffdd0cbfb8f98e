import { SHAPES, sideLabel, type Side } from "@/core/eye";
import { Button, SelectField, TextField } from "@/ui";
import { optionsOf } from "./optionsOf";
import type { EyeForm } from "./surveyForm";

export type EyeFieldsProps = {
  side: Side;
  eye: EyeForm;
  /** Complaints by field, as `right.lashLine`. */
  fields: Readonly<Record<string, string>>;
  onChange: (eye: EyeForm) => void;
  onCopy: () => void;
};

/** Which eye it is, and the way to have the other like it. */
export function EyeHead({ side, onCopy }: Pick<EyeFieldsProps, "side" | "onCopy">) {
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-line pb-1">
      <h2 className="text-2xl first-letter:uppercase">{sideLabel(side)}</h2>
      <Button tone="plain" className="-mr-4" onClick={onCopy}>
        Copy to the other eye
      </Button>
    </div>
  );
}

/** What is asked of an eye as a whole: its lash line and its shape. */
export function WholeEyeFields({ side, eye, fields, onChange }: Omit<EyeFieldsProps, "onCopy">) {
  return (
    <>
      <TextField
        label="Lash line"
        unit="mm"
        inputMode="decimal"
        value={eye.lashLine}
        error={fields[`${side}.lashLine`]}
        onChange={(e) => onChange({ ...eye, lashLine: e.target.value })}
      />
      <SelectField label="Eye shape" value={eye.shape} onChange={(e) => onChange({ ...eye, shape: e.target.value as EyeForm["shape"] })}>
        {optionsOf(SHAPES).map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </SelectField>
    </>
  );
}
