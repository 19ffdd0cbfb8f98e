"use client";
import { isProcess, type Step } from "@/core/protocol";
import { Button, SelectField, TextArea, TextField } from "@/ui";
import { linesOf, ProcessFields } from "./ProcessFields";

type Problem = { readonly path: string; readonly why: string };
const KINDS: Record<Step["kind"], string> = { process: "timed", prepare: "before", release: "release", rinse: "rinse", care: "care" };
/** One step of a protocol, its fields and what stands against each. */
export function StepFields({
  step,
  number,
  steps,
  problems,
  onChange,
  onMove,
  onRemove,
  isFirst,
  isLast,
}: {
  step: Step;
  number: number;
  steps: readonly Step[];
  problems: readonly Problem[];
  onChange: (step: Step) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
  isFirst: boolean;
  isLast: boolean;
}) {
  const error = (path: string) => problems.find((problem) => problem.path === path || problem.path.startsWith(`${path}.`))?.why;
  return (
    <li className="border-t border-line py-4">
      <div className="grid gap-x-6 gap-y-3 md:grid-cols-[3rem_minmax(0,1fr)]">
        <p className="font-serif text-3xl text-ink-2">{number}</p>
        <div className="space-y-3">
          <div className="flex flex-wrap items-end gap-3">
            <div className="w-56">
              <TextField
                label={`Name (${KINDS[step.kind]})`}
                value={step.name}
                error={error("name") ?? error("id")}
                onChange={(event) => onChange({ ...step, name: event.target.value })}
              />
            </div>
            <div className="w-32">
              <SelectField
                label="On"
                value={step.on}
                error={error("on")}
                onChange={(event) => onChange({ ...step, on: event.target.value } as Step)}
              >
                <option value="lashes">lashes</option>
                <option value="brows">brows</option>
                {isProcess(step) ? null : <option value="both">both</option>}
              </SelectField>
            </div>
            <div className="ml-auto flex gap-1 pb-1">
              <Button tone="plain" disabled={isFirst} aria-label={`Step ${number} up`} onClick={() => onMove(-1)}>
                Up
              </Button>
              <Button tone="plain" disabled={isLast} aria-label={`Step ${number} down`} onClick={() => onMove(1)}>
                Down
              </Button>
              <Button tone="plain" aria-label={`Leave out step ${number}`} onClick={onRemove}>
                Leave out
              </Button>
            </div>
          </div>
          {isProcess(step) ? (
            <ProcessFields step={step} steps={steps} error={error} onChange={onChange} />
          ) : (
            <TextArea
              label="What must be seen to be so, a line each"
              rows={2}
              value={step.checks.join("\n")}
              error={error("checks")}
              onChange={(event) => onChange({ ...step, checks: linesOf(event.target.value) })}
            />
          )}
        </div>
      </div>
    </li>
  );
}
