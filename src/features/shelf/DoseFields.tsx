"use client";
import { DOSE_UNITS, type DoseUnit } from "@/core/mixing";
import { NumberField, SelectField } from "@/ui";

/** An amount and what it is dosed by. */
export function DoseFields({
  label,
  amount,
  unit,
  onChange,
}: {
  label: string;
  amount: number;
  unit: DoseUnit;
  onChange: (amount: number, unit: DoseUnit) => void;
}) {
  return (
    <div className="flex items-end gap-2">
      <div className="w-24">
        <NumberField label={label} min={0.05} max={100} value={amount} onChange={(value) => onChange(value, unit)} />
      </div>
      <div className="w-24">
        <SelectField label="by" value={unit} onChange={(event) => onChange(amount, event.target.value as DoseUnit)}>
          {DOSE_UNITS.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </SelectField>
      </div>
    </div>
  );
}
