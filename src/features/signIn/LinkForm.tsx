"use client";
import { useState } from "react";
import { LinkButton, Notice, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { choosePassword } from "./actions";
import { NewPassword } from "./NewPassword";

/** A password chosen by a one-time link. */
export function LinkForm({ token, email }: { token: string; email: string }) {
  const [kept, setKept] = useState(false);
  const form = useStudioForm({
    values: { password: "", again: "" },
    input: (typed) => ({ token, ...typed }),
    schema: () => import("./schema").then(({ linkForm }) => linkForm),
    send: choosePassword,
    onKept: () => setKept(true),
  });
  if (kept)
    return (
      <div className="space-y-5">
        <Notice tone="good" title="Your password is kept.">
          This link is used up, and whoever was signed in as you is signed out.
        </Notice>
        <LinkButton href="/sign-in">Sign in</LinkButton>
      </div>
    );
  return (
    <FormBody form={form} submit="Keep this password">
      <TextField label="E-mail, by which you sign in" type="email" autoComplete="username" readOnly value={email} />
      <NewPassword password={{ ...form.field("password"), autoFocus: true }} again={form.field("again")} />
    </FormBody>
  );
}
