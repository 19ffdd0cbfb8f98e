"use client";
import { TextField } from "@/ui";
import { noAnswer } from "@/ui/answered";
import { FormBody, useStudioForm, type FormAnswer } from "@/ui/form";
import { loadAfresh } from "@/ui/loadAfresh";

const refused = (message: string): FormAnswer<null> => ({ ok: false, message, fields: {} });

async function signIn(form: { readonly email: string; readonly password: string }): Promise<FormAnswer<null>> {
  const response = await fetch("/api/auth/sign-in/email", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(form),
  }).catch(() => null);
  if (!response) return refused("No connection to the studio's server. What you typed is still here.");
  if (response.ok) return { ok: true, data: null };
  const retry = Number(response.headers.get("x-retry-after") ?? response.headers.get("retry-after") ?? 0);
  if (response.status === 429)
    return refused(`Too many tries. ${retry > 0 && retry < 120 ? `Wait ${retry} seconds.` : "Wait a quarter of an hour."}`);
  return refused(response.status >= 500 ? noAnswer("Try again in a moment.") : "That address and password do not go together.");
}

export function SignInForm() {
  const form = useStudioForm({ values: { email: "", password: "" }, send: signIn, onKept: () => loadAfresh("/") });
  return (
    <FormBody form={form} submit="Sign in" working="Signing in…">
      <TextField label="E-mail" type="email" autoComplete="username" autoFocus {...form.field("email")} />
      <TextField label="Password" type="password" autoComplete="current-password" {...form.field("password")} />
    </FormBody>
  );
}
