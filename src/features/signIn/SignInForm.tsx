"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { Button, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { loadAfresh } from "@/ui/loadAfresh";
import { postSignIn } from "./postSignIn";

const CodeForm = dynamic(() => import("./CodeForm").then((module) => module.CodeForm));
const Forgotten = dynamic(() => import("./Forgotten").then((module) => module.Forgotten));

export function SignInForm({ sendsMail }: { sendsMail: boolean }) {
  const [step, setStep] = useState<"password" | "code" | "forgotten">("password");
  const form = useStudioForm({
    values: { email: "", password: "" },
    send: (typed: { email: string; password: string }) =>
      postSignIn("/sign-in/email", typed, "That address and password do not go together."),
    onKept: ({ needsCode }) => (needsCode ? setStep("code") : loadAfresh("/")),
  });
  if (step === "code") return <CodeForm onBack={() => setStep("password")} />;
  if (step === "forgotten") return <Forgotten sendsMail={sendsMail} onBack={() => setStep("password")} />;
  return (
    <FormBody
      form={form}
      submit="Sign in"
      working="Signing in…"
      more={
        <Button tone="plain" onClick={() => setStep("forgotten")}>
          Forgotten password
        </Button>
      }
    >
      <TextField label="E-mail" type="email" autoComplete="username" autoFocus {...form.field("email")} />
      <TextField label="Password" type="password" autoComplete="current-password" {...form.field("password")} />
    </FormBody>
  );
}
