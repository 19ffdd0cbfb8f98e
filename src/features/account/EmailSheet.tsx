"use client";
import { TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { toast } from "@/ui/toast";
import { changeEmail } from "./actions";
import { ownPasswordField } from "./ownPasswordField";

/** Another e-mail address to sign in with, by one's password. */
export function EmailSheet({ email, onClose }: { email: string; onClose: () => void }) {
  const form = useStudioForm({
    values: { email: "", current: "" },
    schema: () => import("./schema").then(({ emailForm }) => emailForm),
    send: changeEmail,
    onKept: () => {
      toast.good("From now on you sign in with the new address.");
      onClose();
    },
  });
  return (
    <FormSheet title="Change your e-mail address" form={form} submit="Change e-mail" working="Changing it…" onClose={onClose}>
      <p>
        You sign in with it, and links for a forgotten password go there. Until now: <span className="break-all">{email}</span>.
      </p>
      <TextField label="New e-mail address" type="email" autoComplete="email" dir="ltr" {...form.field("email")} />
      <TextField {...ownPasswordField} {...form.field("current")} />
    </FormSheet>
  );
}
