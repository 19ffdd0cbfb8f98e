"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, Notice, TextArea, TextField } from "@/ui";
import { addClient, changeClient } from "./actions";
import type { ClientForm as Form } from "./schema";
import { answered } from "@/ui/answered";
import { useIdFor } from "@/ui/useIdFor";

type Known = { id: string; seenAt: string; form: Form };

/** A new client, or changes to one. What is typed stays until it is kept. */
export function ClientForm({ known }: { known?: Known }) {
  const router = useRouter();
  const [form, setForm] = useState<Form>(known?.form ?? { name: "", contact: "", notes: "", bornOn: "" });
  const [seenAt, setSeenAt] = useState(known?.seenAt ?? "");
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);

  const newClientId = useIdFor(form);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const result = await answered(
      known ? changeClient({ id: known.id, seenAt, form }) : addClient({ id: newClientId, form }),
      "What you typed is still here.",
    );
    if (result.ok) {
      router.push(`/clients/${result.data.id}`);
      router.refresh();
      return;
    }
    // After being shown the other's words, keeping again is a decision, not an accident.
    if (result.fields.seenAt) setSeenAt(result.fields.seenAt);
    const fields = Object.fromEntries(Object.entries(result.fields).map(([key, words]) => [key.replace(/^form\./, ""), words]));
    setProblem({ message: result.message, fields });
    setBusy(false);
  };
  const field = (name: keyof Form) => ({
    name,
    value: form[name],
    error: problem?.fields[name],
    onChange: (event: React.ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => setForm({ ...form, [name]: event.target.value }),
  });
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="max-w-xl space-y-5">
      <TextField label="Name" autoFocus {...field("name")} />
      <div className="w-56">
        <TextField label="Date of birth" type="date" hint="Some services have a least age." {...field("bornOn")} />
      </div>
      <TextField label="How to reach them" hint="As they gave it; may stay empty." {...field("contact")} />
      <TextArea
        label="Notes"
        hint="Sleeping side, washing habits, lenses, what they like. Only this studio reads it."
        {...field("notes")}
      />
      {problem ? <Notice tone="stop" title={problem.message} /> : null}
      <div className="flex gap-3">
        <Button type="submit" disabled={busy}>
          {busy ? "Keeping…" : known ? "Keep changes" : "Add client"}
        </Button>
        <Button tone="plain" onClick={() => router.back()}>
          Back
        </Button>
      </div>
    </form>
  );
}
