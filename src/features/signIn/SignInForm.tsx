"use client";
import { useState } from "react";
import { Button, Notice, TextField } from "@/ui";
import { loadAfresh } from "@/ui/loadAfresh";
import { noAnswer } from "@/ui/answered";

const WRONG = "That address and password do not go together.";

export function SignInForm() {
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    setBusy(true);
    setMessage(null);
    try {
      const response = await fetch("/api/auth/sign-in/email", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ email: form.get("email"), password: form.get("password") }),
      });
      if (response.ok) return loadAfresh("/");
      const retry = Number(response.headers.get("x-retry-after") ?? response.headers.get("retry-after") ?? 0);
      setMessage(
        response.status === 429
          ? `Too many tries. ${retry > 0 && retry < 120 ? `Wait ${retry} seconds.` : "Wait a quarter of an hour."}`
          : response.status >= 500
            ? noAnswer("Try again in a moment.")
            : WRONG,
      );
    } catch {
      setMessage("No connection to the studio's server. What you typed is still here.");
    }
    setBusy(false);
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="space-y-4">
      <TextField label="E-mail" name="email" type="email" autoComplete="username" required autoFocus />
      <TextField label="Password" name="password" type="password" autoComplete="current-password" required />
      {message ? <Notice tone="stop" title={message} /> : null}
      <Button type="submit" disabled={busy} className="w-full">
        {busy ? "Signing in…" : "Sign in"}
      </Button>
    </form>
  );
}
