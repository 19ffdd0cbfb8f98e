"use client";
import { useState } from "react";
import { Dialog, SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { invite } from "./actions";
import { LinkShown } from "./LinkShown";
import { ROLE_HINT } from "./roleHint";

/** Name, address, role; then the link by which they choose their password. */
export function InviteSheet({ sendsMail, onClose }: { sendsMail: boolean; onClose: () => void }) {
  const [invited, setInvited] = useState<{ link: { id: string; token: string; url: string }; name: string; email: string } | null>(null);
  const form = useStudioForm({
    values: { name: "", email: "", role: "technician" },
    schema: () => import("./schema").then(({ invitationForm }) => invitationForm),
    send: async (typed: { name: string; email: string; role: string }) => {
      const result = await invite(typed);
      if (result.ok) setInvited({ link: result.data, name: typed.name, email: typed.email });
      return result;
    },
  });
  if (invited)
    return (
      <Dialog open onOpenChange={(open) => !open && onClose()} title={`${invited.name} is invited`}>
        <LinkShown link={invited.link} email={invited.email} sendsMail={sendsMail} onClose={onClose} />
      </Dialog>
    );
  return (
    <FormSheet title="Invite someone" form={form} submit="Make the link" working="Making it…" onClose={onClose}>
      <TextField label="Name" autoComplete="off" {...form.field("name")} />
      <TextField label="E-mail, by which they sign in" type="email" autoComplete="off" {...form.field("email")} />
      <SelectField label="Role" hint={ROLE_HINT} {...form.field("role")}>
        <option>technician</option>
        <option>trainee</option>
        <option>owner</option>
      </SelectField>
    </FormSheet>
  );
}
