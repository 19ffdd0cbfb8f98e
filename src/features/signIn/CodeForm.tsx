"use client";
import { useState } from "react";
import { Button, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { loadAfresh } from "@/ui/loadAfresh";
import { postSignIn } from "./postSignIn";

/** The second step: the code of now out of the app, or one of the recovery codes. */
export function CodeForm({ onBack }: { onBack: () => void }) {
  const [recovers, setRecovers] = useState(false);
  const form = useStudioForm({
    values: { code: "" },
    send: ({ code }: { code: string }) =>
      recovers
        ? postSignIn(
            "/two-factor/verify-backup-code",
            { code: code.trim() },
            "That is none of your recovery codes, or it was used already.",
          )
        : postSignIn(
            "/two-factor/verify-totp",
            { code: code.replace(/\s/g, "") },
            "That code is not right, or it is over. After five minutes begin again with your password.",
          ),
    onKept: () => loadAfresh("/"),
  });
  return (
    <FormBody
      form={form}
      submit="Sign in"
      working="Signing in…"
      more={
        <>
          <Button tone="plain" onClick={() => setRecovers(!recovers)}>
            {recovers ? "Take a code from the app" : "Use a recovery code"}
          </Button>
          <Button tone="plain" onClick={onBack}>
            Begin again
          </Button>
        </>
      }
    >
      {recovers ? (
        <TextField
          key="recovery"
          label="Recovery code"
          autoComplete="off"
          autoFocus
          hint="Each works once. Without any left, the studio's owner takes your second factor off."
          {...form.field("code")}
        />
      ) : (
        <TextField
          key="app"
          label="Code from your app"
          inputMode="numeric"
          autoComplete="one-time-code"
          autoFocus
          hint="Six figures; they change every half minute."
          {...form.field("code")}
        />
      )}
    </FormBody>
  );
}
