"use client";
import { STEP_WHEN, type CheckStep, type StepWhen } from "@/core/checklist";
import { Button, NumberField, SelectField, TextField } from "@/ui";

/** One step: what is done, why, how long it takes and when it is asked for. */
export function CheckStepFields({
  step,
  wrong,
  isFirst,
  isLast,
  onChange,
  onMove,
  onRemove,
}: {
  step: CheckStep;
  /** What is wrong with a field of it. */
  wrong: (field: string) => string | undefined;
  isFirst: boolean;
  isLast: boolean;
  onChange: (step: CheckStep) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  return (
    <li className="grid gap-x-4 gap-y-2 border-b border-line py-3 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1.6fr)_6.5rem_11rem_auto] md:items-start">
      <TextField
        label="Step"
        value={step.name}
        maxLength={80}
        error={wrong("name")}
        hint={step.recordedAs ? "tied by the record" : undefined}
        onChange={(event) => onChange({ ...step, name: event.target.value })}
      />
      <TextField
        label="Why"
        value={step.why}
        maxLength={240}
        error={wrong("why")}
        onChange={(event) => onChange({ ...step, why: event.target.value })}
      />
      <NumberField
        label="Takes"
        unit="min"
        min={0}
        max={60}
        value={step.minutes}
        error={wrong("minutes")}
        onChange={(minutes) => onChange({ ...step, minutes })}
      />
      <SelectField
        label="Asked for"
        value={step.when}
        error={wrong("when")}
        onChange={(event) => onChange({ ...step, when: event.target.value as StepWhen })}
      >
        {Object.entries(STEP_WHEN).map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </SelectField>
      <div className="flex gap-1 md:pt-6">
        <Button tone="plain" disabled={isFirst} aria-label={`${step.name || "Step"} up`} onClick={() => onMove(-1)}>
          Up
        </Button>
        <Button tone="plain" disabled={isLast} aria-label={`${step.name || "Step"} down`} onClick={() => onMove(1)}>
          Down
        </Button>
        <Button tone="plain" aria-label={`Leave out ${step.name || "this step"}`} onClick={onRemove}>
          Leave out
        </Button>
      </div>
    </li>
  );
}
