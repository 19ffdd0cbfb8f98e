"use client";
import { PRODUCT_KINDS, type ProductKind } from "@/core/mixing";
import { isProcess, type ProcessStep, type Step } from "@/core/protocol";
import { NumberField, SelectField, TextArea, TextField } from "@/ui";
import { DoseFields } from "@/features/shelf/DoseFields";

const WHERE: Record<ProcessStep["where"], string> = {
  rootOnly: "root only",
  rootToMiddle: "root to middle",
  wholeLength: "whole length",
  skinClear: "hair only, skin clear",
};
const minutes = (seconds: number) => Math.round((seconds / 60) * 100) / 100;
/** Statements as typed, a line each. */
export const linesOf = (text: string) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);

/** What makes a step a timed one: product, place, the leaflet's range, and what is said less often. */
export function ProcessFields({
  step,
  steps,
  error,
  onChange,
}: {
  step: ProcessStep;
  steps: readonly Step[];
  error: (path: string) => string | undefined;
  onChange: (step: Step) => void;
}) {
  const time = (key: "leastS" | "defaultS" | "mostS", label: string) => (
    <div className="w-28">
      <NumberField
        label={label}
        unit="min"
        value={minutes(step[key])}
        error={error(key)}
        onChange={(value) => onChange({ ...step, [key]: Math.round(value * 60) })}
      />
    </div>
  );
  const factor = (key: Exclude<keyof ProcessStep["speeds"], "perDegree">, label: string) => (
    <div className="w-28">
      <NumberField
        label={label}
        unit="×"
        value={step.speeds[key]}
        error={error(`speeds.${key}`)}
        onChange={(value) => onChange({ ...step, speeds: { ...step.speeds, [key]: value } })}
      />
    </div>
  );
  const others = steps.filter((other): other is ProcessStep => isProcess(other) && other.id !== step.id);
  return (
    <>
      <div className="flex flex-wrap items-start gap-3">
        <div className="w-44">
          <SelectField
            label="Product"
            value={step.product ?? ""}
            error={error("product")}
            onChange={(event) => onChange({ ...step, product: (event.target.value || null) as ProductKind | null })}
          >
            <option value="">choose</option>
            {(Object.keys(PRODUCT_KINDS) as ProductKind[]).map((id) => (
              <option key={id} value={id}>
                {PRODUCT_KINDS[id].label}
              </option>
            ))}
          </SelectField>
        </div>
        <div className="w-44">
          <SelectField
            label="Where"
            value={step.where}
            error={error("where")}
            onChange={(event) => onChange({ ...step, where: event.target.value as ProcessStep["where"] })}
          >
            {Object.entries(WHERE).map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </SelectField>
        </div>
        {time("leastS", "Shortest")}
        {time("defaultS", "Usual")}
        {time("mostS", "Longest")}
        <div className="w-28">
          <NumberField
            label="Look every"
            unit="min"
            value={step.lookEveryS === null ? null : minutes(step.lookEveryS)}
            error={error("lookEveryS")}
            onChange={(value) => onChange({ ...step, lookEveryS: Math.round(value * 60) })}
            onNone={() => onChange({ ...step, lookEveryS: null })}
          />
        </div>
      </div>
      <details>
        <summary className="text-[0.9375rem] text-ivy">
          What must be so, what speeds it, how it comes off, what it waits for, what is mixed
        </summary>
        <div className="mt-3 space-y-3">
          <div className="grid gap-3 md:grid-cols-2">
            <TextArea
              label="True before, a line each"
              rows={3}
              value={step.before.join("\n")}
              error={error("before")}
              onChange={(event) => onChange({ ...step, before: linesOf(event.target.value) })}
            />
            <TextArea
              label="True after, a line each"
              rows={3}
              value={step.after.join("\n")}
              error={error("after")}
              onChange={(event) => onChange({ ...step, after: linesOf(event.target.value) })}
            />
          </div>
          <TextField
            label="How it comes off"
            value={step.removal}
            error={error("removal")}
            onChange={(event) => onChange({ ...step, removal: event.target.value })}
          />
          <div className="flex flex-wrap gap-3">
            {factor("filmCover", "Film cover")}
            {factor("fine", "Fine hair")}
            {factor("coarse", "Coarse hair")}
            {factor("processed", "Processed")}
          </div>
          {others.length > 0 ? (
            <div className="grid gap-3 md:grid-cols-2">
              {(["waitsFor", "offAfter"] as const).map((key) => (
                <fieldset key={key}>
                  <legend className="text-sm text-ink-2">
                    {key === "waitsFor" ? "Goes on when these are off" : "Comes off after these"}
                  </legend>
                  {others.map(({ id, name }) => (
                    <label key={id} className="mr-4 inline-flex min-h-9 items-center gap-2">
                      <input
                        type="checkbox"
                        className="size-5 accent-[var(--ivy)]"
                        checked={step[key].includes(id)}
                        onChange={() =>
                          onChange({ ...step, [key]: step[key].includes(id) ? step[key].filter((one) => one !== id) : [...step[key], id] })
                        }
                      />
                      {name}
                    </label>
                  ))}
                  {error(key) ? <p className="text-sm font-medium text-rosehip">■ {error(key)}</p> : null}
                </fieldset>
              ))}
            </div>
          ) : null}
          <div className="flex flex-wrap items-end gap-3">
            <label className="inline-flex min-h-10 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-[var(--ivy)]"
                checked={step.mix !== null}
                onChange={() =>
                  onChange({
                    ...step,
                    mix: step.mix
                      ? null
                      : { colourAmount: 2, colourUnit: "cm", developerAmount: 10, developerUnit: "drops", pasteLifeS: 300 },
                  })
                }
              />
              mixed with a developer
            </label>
            {step.mix ? <MixFields mix={step.mix} onChange={(mix) => onChange({ ...step, mix })} error={error} /> : null}
            {error("mix") && !step.mix ? <p className="text-sm font-medium text-rosehip">■ {error("mix")}</p> : null}
          </div>
        </div>
      </details>
    </>
  );
}

type MixSpec = NonNullable<ProcessStep["mix"]>;
function MixFields({
  mix,
  onChange,
  error,
}: {
  mix: MixSpec;
  onChange: (mix: MixSpec) => void;
  error: (path: string) => string | undefined;
}) {
  const amount = (of: "colour" | "developer") => (
    <DoseFields
      label={of}
      amount={mix[`${of}Amount`]}
      unit={mix[`${of}Unit`]}
      onChange={(value, unit) => onChange({ ...mix, [`${of}Amount`]: value, [`${of}Unit`]: unit })}
    />
  );
  return (
    <>
      {amount("colour")}
      {amount("developer")}
      <div className="w-32">
        <NumberField
          label="Paste good for"
          unit="min"
          value={minutes(mix.pasteLifeS)}
          error={error("mix.pasteLifeS")}
          onChange={(value) => onChange({ ...mix, pasteLifeS: Math.round(value * 60) })}
        />
      </div>
    </>
  );
}
