import { SLEEPS_ON } from "@/core/eye";
import { Choice, SelectField, TextField } from "@/ui";
import { optionsOf } from "./optionsOf";
import type { SurveyForm } from "./surveyForm";

/** What of a client's life bears on how lashes hold: lids, serum, side slept on, washing. */
export function Habits({
  form,
  washesSay,
  onChange,
}: {
  form: SurveyForm;
  /** What is wrong with the washes as typed. */
  washesSay: string | undefined;
  onChange: (form: SurveyForm) => void;
}) {
  return (
    <>
      <Choice
        label="Lids"
        value={form.oilyLids ? "oily" : "usual"}
        options={[
          { value: "usual", label: "usual" },
          { value: "oily", label: "oily" },
        ]}
        onChange={(lids) => onChange({ ...form, oilyLids: lids === "oily" })}
      />
      <label className="flex min-h-8 items-center gap-2 text-[0.9375rem]">
        <input
          type="checkbox"
          className="size-4 accent-[var(--ivy)]"
          checked={form.serum}
          onChange={(event) => onChange({ ...form, serum: event.target.checked })}
        />
        lash serum in use
      </label>
      <div className="w-36">
        <SelectField
          label="Sleeps on"
          value={form.sleepsOn}
          onChange={(event) => onChange({ ...form, sleepsOn: event.target.value as SurveyForm["sleepsOn"] })}
        >
          {optionsOf(SLEEPS_ON).map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="w-32">
        <TextField
          label="Washes a week"
          inputMode="numeric"
          value={form.washes}
          error={washesSay}
          onChange={(event) => onChange({ ...form, washes: event.target.value })}
        />
      </div>
    </>
  );
}
