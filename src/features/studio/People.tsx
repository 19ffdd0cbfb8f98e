"use client";
import { useState, useTransition } from "react";
import { Button, Dialog, Notice, SelectField, TextField } from "@/ui";
import { addPerson } from "./actions";
import type { StudioPage } from "./data";
import { answered } from "@/ui/answered";

/** Who works here; the owner adds people. */
export function People({ people, mayAdd }: Pick<StudioPage, "people"> & { mayAdd: boolean }) {
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, begin] = useTransition();
  const submit = (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = Object.fromEntries(new FormData(event.currentTarget));
    begin(async () => {
      const result = await answered(addPerson(form), "What you typed is still here.");
      setProblem(result.ok ? null : result);
      if (result.ok) setAsking(false);
    });
  };
  return (
    <section aria-label="People">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">People</h2>
        {mayAdd ? (
          <Button tone="plain" onClick={() => (setProblem(null), setAsking(true))}>
            Add someone
          </Button>
        ) : null}
      </div>
      <ul>
        {people.map((person) => (
          <li key={person.id} className="flex justify-between gap-4 border-b border-line py-2">
            <bdi className="min-w-0 break-words">{person.name}</bdi>
            <span className="text-ink-2">{person.role}</span>
          </li>
        ))}
      </ul>
      <Dialog open={asking} onOpenChange={setAsking} title="Someone for the studio">
        <form onSubmit={submit} noValidate className="space-y-4">
          <TextField label="Name" name="name" error={problem?.fields.name} />
          <TextField label="E-mail" name="email" type="email" error={problem?.fields.email} />
          <TextField
            label="First password"
            name="password"
            type="password"
            autoComplete="new-password"
            hint="Ten characters at least; tell it to them in person."
            error={problem?.fields.password}
          />
          <SelectField
            label="Role"
            name="role"
            defaultValue="technician"
            hint="A trainee plans and works, but changes no policy and puts nothing away."
          >
            <option>technician</option>
            <option>trainee</option>
            <option>owner</option>
          </SelectField>
          {problem ? <Notice tone="stop" title={problem.message} /> : null}
          <Button type="submit" disabled={busy}>
            Add
          </Button>
        </form>
      </Dialog>
    </section>
  );
}
