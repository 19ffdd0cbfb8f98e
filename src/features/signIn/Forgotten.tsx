"use client";
import { useState } from "react";
import { Button, Notice, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { askForLink } from "./actions";

/** A forgotten password: by mail where there is a gateway, and by whom else there is. */
export function Forgotten({ sendsMail, onBack }: { sendsMail: boolean; onBack: () => void }) {
  const [asked, setAsked] = useState(false);
  const form = useStudioForm({
    values: { email: "" },
    schema: () => import("./schema").then(({ forgottenForm }) => forgottenForm),
    send: askForLink,
    onKept: () => setAsked(true),
  });
  const back = (
    <Button tone="plain" onClick={onBack}>
      Back to sign in
    </Button>
  );
  return (
    <div className="space-y-5">
      <p>
        The studio&rsquo;s owner makes you a link by which you choose a new password: Studio, People. An owner who is shut out is let in on
        the server, by <code className="text-[0.9375rem]">npm run recover</code>.
      </p>
      {!sendsMail ? back : null}
      {sendsMail && asked ? (
        <>
          <Notice tone="good" title="If somebody signs in with this address, a link is on its way.">
            It works once, for 72 hours. Look where unwanted mail goes, too.
          </Notice>
          {back}
        </>
      ) : null}
      {sendsMail && !asked ? (
        <FormBody form={form} submit="Send me a link" working="Sending…" more={back}>
          <TextField
            label="Or have one sent to the address you sign in with"
            type="email"
            autoComplete="username"
            autoFocus
            {...form.field("email")}
          />
        </FormBody>
      ) : null}
    </div>
  );
}
