"use client";
import { useState } from "react";
import { Button, SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { addPerson } from "./actions";
import { HandPace } from "./HandPace";
import type { StudioPage } from "./data";

/** Who works here; the owner adds people. */
export function People({ people, me, mayAdd }: Pick<StudioPage, "people"> & { me: string; mayAdd: boolean }) {
  const [asking, setAsking] = useState(false);
  return (
    <section aria-label="People">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">People</h2>
        {mayAdd ? (
          <Button tone="plain" onClick={() => setAsking(true)}>
            Add someone
          </Button>
        ) : null}
      </div>
      <ul>
        {people.map((person) => (
          <li key={person.id} className="border-b border-line py-2">
            <div className="flex justify-between gap-4">
              <bdi className="min-w-0 break-words">{person.name}</bdi>
              <span className="text-ink-2">{person.role}</span>
            </div>
            {person.hand ? <HandPace id={person.id} hand={person.hand} isMe={person.id === me} /> : null}
          </li>
        ))}
      </ul>
      {asking ? <PersonSheet onClose={() => setAsking(false)} /> : null}
    </section>
  );
}

function PersonSheet({ onClose }: { onClose: () => void }) {
  const form = useStudioForm({
    values: { name: "", email: "", password: "", role: "technician" },
    schema: () => import("./schema").then(({ personForm }) => personForm),
    send: addPerson,
    onKept: onClose,
  });
  return (
    <FormSheet title="Someone for the studio" form={form} submit="Add" working="Adding…" onClose={onClose}>
      <TextField label="Name" {...form.field("name")} />
      <TextField label="E-mail" type="email" {...form.field("email")} />
      <TextField
        label="First password"
        type="password"
        autoComplete="new-password"
        hint="Ten characters at least; tell it to them in person."
        {...form.field("password")}
      />
      <SelectField label="Role" hint="A trainee plans and works, but changes no policy and puts nothing away." {...form.field("role")}>
        <option>technician</option>
        <option>trainee</option>
        <option>owner</option>
      </SelectField>
    </FormSheet>
  );
}
