"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, TextArea, TextField } from "@/ui";
import { FormBody, UnsavedGuard, useStudioForm } from "@/ui/form";
import { useIdBy } from "@/ui/useIdFor";
import { addClient, changeClient } from "./actions";
import type { ClientForm as Form } from "./schema";

type Known = { id: string; seenAt: string; form: Form };

/** A new client or mannequin head, or changes to one. What is typed stays until it is kept. */
export function ClientForm({ known, mannequin = false }: { known?: Known; mannequin?: boolean }) {
  const router = useRouter();
  const [seenAt, setSeenAt] = useState(known?.seenAt ?? "");
  const [kept, setKept] = useState(false);
  const idBy = useIdBy();
  const form = useStudioForm({
    values: known?.form ?? { name: "", contact: "", notes: "", bornOn: "" },
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
          <div className="w-56">
            <TextField label="Date of birth" type="date" hint="Some services have a least age." {...form.field("bornOn")} />
          </div>
          <TextField label="How to reach them" hint="As they gave it; may stay empty." {...form.field("contact")} />
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
