"use client";
import { useState } from "react";
import { Button, Notice, TextField } from "@/ui";
import { setUpStudio } from "./actions";
import { loadAfresh } from "@/ui/loadAfresh";
import { answered } from "@/ui/answered";

export function SetUpForm() {
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setBusy(true);
    const result = await answered(setUpStudio(Object.fromEntries(new FormData(event.currentTarget))), "What you typed is still here.");
    if (result.ok) return loadAfresh("/sign-in");
    setProblem(result);
    setBusy(false);
  };
  const error = (name: string) => problem?.fields[name];
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="space-y-4">
      <TextField label="Studio" name="studioName" error={error("studioName")} autoFocus />
      <TextField
        label="Time zone"
        name="timeZone"
        defaultValue={typeof window === "undefined" ? "" : Intl.DateTimeFormat().resolvedOptions().timeZone}
        suppressHydrationWarning
        error={error("timeZone")}
      />
      <TextField label="Your name" name="name" autoComplete="name" error={error("name")} />
      <TextField label="E-mail" name="email" type="email" autoComplete="username" error={error("email")} />
      <TextField
        label="Password"
        name="password"
        type="password"
        autoComplete="new-password"
        hint="Ten characters at least."
        error={error("password")}
      />
      {problem ? <Notice tone="stop" title={problem.message} /> : null}
      <Button type="submit" disabled={busy} className="w-full">
        {busy ? "Creating…" : "Create the studio"}
      </Button>
    </form>
  );
}
