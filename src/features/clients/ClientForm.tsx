"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, TextArea, TextField } from "@/ui";
import { FormBody, UnsavedGuard, useStudioForm } from "@/ui/form";
import { useIdBy } from "@/ui/useIdFor";
import { addClient, changeClient } from "./actions";
import { DoublesHint } from "./DoublesHint";
import type { ClientForm as Form } from "./schema";

type Known = { id: string; seenAt: string; form: Form };
const NOTHING: Form = { name: "", phone: "", email: "", contact: "", notes: "", bornOn: "" };

/** A new client or mannequin head, or changes to one. What is typed stays until it is kept. */
export function ClientForm({ known, mannequin = false }: { known?: Known; mannequin?: boolean }) {
  const router = useRouter();
  const [seenAt, setSeenAt] = useState(known?.seenAt ?? "");
  const [kept, setKept] = useState(false);
  const idBy = useIdBy();
  const form = useStudioForm({
    values: known?.form ?? NOTHING,
    schema: () => import("./schema").then(({ clientFormSchema }) => clientFormSchema),
    send: (typed: Form) =>
      known ? changeClient({ id: known.id, seenAt, form: typed }) : addClient({ id: idBy(typed), form: { ...typed, mannequin } }),
    onKept: ({ id }) => {
      setKept(true);
      router.push(`/clients/${id}`);
      router.refresh();
    },
    // After being shown the other's words, keeping again is a decision, not an accident.
    onRefused: (fields) => fields.seenAt && setSeenAt(fields.seenAt),
  });
  return (
    <FormBody
      form={form}
      submit={known ? "Keep changes" : mannequin ? "Add mannequin head" : "Add client"}
      className="max-w-xl space-y-5"
      more={
        <Button tone="plain" onClick={() => router.back()}>
          Back
        </Button>
      }
    >
      <TextField label="Name" autoFocus {...form.field("name")} />
      {mannequin ? (
        <TextArea label="Notes" hint="Whose it is, which lashes are on it, what is practised." {...form.field("notes")} />
      ) : (
        <>
          <div className="grid gap-x-4 gap-y-5 sm:grid-cols-2">
            <TextField label="Telephone" type="tel" autoComplete="off" {...form.field("phone")} />
            <TextField label="E-mail" type="email" autoComplete="off" {...form.field("email")} />
          </div>
          <div className="w-56">
            <TextField label="Date of birth" type="date" hint="Some services have a least age." {...form.field("bornOn")} />
          </div>
          {kept ? null : <DoublesHint whoIs={form.now} ownId={known?.id ?? null} />}
          <TextField label="Other ways to reach them" hint="An address, who answers for them; may stay empty." {...form.field("contact")} />
          <TextArea
            label="Notes"
            hint="Sleeping side, washing habits, lenses, what they like. Only this studio reads it."
            {...form.field("notes")}
          />
        </>
      )}
      <UnsavedGuard when={form.isDirty && !kept} />
    </FormBody>
  );
}
