"use client";
import { useRouter } from "next/navigation";
import { TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { toast } from "@/ui/toast";
import { eraseClient } from "./actions";

/** Erases a client for good, once their name was typed: the one thing here that nothing brings back. */
export function EraseSheet({ id, name, onClose }: { id: string; name: string; onClose: () => void }) {
  const router = useRouter();
  const form = useStudioForm({
    values: { name: "" },
    send: ({ name: typed }: { name: string }) => eraseClient({ id, name: typed }),
    onKept: () => {
      onClose();
      toast.good("The client is erased.");
      router.push("/clients");
      router.refresh();
    },
  });
  return (
    <FormSheet title="Erase this client" form={form} onClose={onClose} submit="Erase for good" working="Erasing…" tone="stop">
      <p>
        Name, addresses, notes, pictures, consultations, signatures and every word written about <bdi className="font-semibold">{name}</bdi>{" "}
        go, for good. What happened at visits, with which lots, and what a patch test came to stay, of nobody.
      </p>
      <p>
        Export everything first if they asked for it. Your insurer or your local code may ask you to keep consents for some years. Backups
        made before still hold the record, until you delete them.
      </p>
      <TextField label="Type the name to erase it" autoComplete="off" {...form.field("name")} />
    </FormSheet>
  );
}
