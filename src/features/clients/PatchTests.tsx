"use client";
import { useState } from "react";
import type { FamilyStanding } from "./standing";
import { Button, Dialog, Notice, SelectField, TextField, Verdict } from "@/ui";
import { addPatchTest } from "./actions";
import { dayWords, patchTestWords } from "./patchTestWords";

type Kept = { id: string; family: string; placedOn: string; result: string };
const RESULT_WORDS: Record<string, string> = { waiting: "being watched", clear: "clear", reaction: "reaction" };

export function PatchTests({
  clientId,
  standings,
  tests,
  today,
}: {
  clientId: string;
  standings: readonly FamilyStanding[];
  tests: readonly Kept[];
  today: string;
}) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const submit = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const result = await addPatchTest({ clientId, ...Object.fromEntries(new FormData(event.currentTarget)) }).catch(() => null);
    if (result?.ok) return setOpen(false);
    setProblem(result ?? { message: "The server did not answer. Try again.", fields: {} });
  };
  return (
    <div>
      {standings.map((standing) => {
        const { tone, title, says } = patchTestWords(standing);
        return (
          <div key={standing.family} className="mb-1">
            <Verdict tone={tone}>{title}</Verdict>
            <p className="mt-0.5 text-[0.9375rem] text-ink-2">{says}</p>
          </div>
        );
      })}
      {tests.length > 0 ? (
        <ul className="mt-1.5 text-sm text-ink-2">
          {tests.slice(0, 4).map((test) => (
            <li key={test.id}>
              {dayWords(test.placedOn)}, {test.family === "lotion" ? "lift lotion" : test.family}: {RESULT_WORDS[test.result]}
            </li>
          ))}
        </ul>
      ) : null}
      <Button tone="plain" className="mt-1 -ml-4" onClick={() => (setProblem(null), setOpen(true))}>
        Write down a patch test
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="Patch test">
        <form onSubmit={submit} className="space-y-4">
          <SelectField label="For" name="family" defaultValue="adhesive" error={problem?.fields.family}>
            <option value="adhesive">adhesive</option>
            <option value="tint">tint</option>
            <option value="lightener">lightener</option>
            <option value="lotion">lift lotion</option>
          </SelectField>
          <TextField label="Placed on" name="placedOn" type="date" max={today} defaultValue={today} error={problem?.fields.placedOn} />
          <SelectField
            label="Result"
            name="result"
            defaultValue="waiting"
            hint="Writing down the same day again changes its result."
            error={problem?.fields.result}
          >
            <option value="waiting">being watched</option>
            <option value="clear">clear</option>
            <option value="reaction">reaction</option>
          </SelectField>
          {problem ? <Notice tone="stop" title={problem.message} /> : null}
          <Button type="submit">Keep</Button>
        </form>
      </Dialog>
    </div>
  );
}
