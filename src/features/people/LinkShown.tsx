"use client";
import { useState } from "react";
import { Button, Notice, TextField } from "@/ui";
import { answered } from "@/ui/answered";
import { mailLink } from "./actions";

/** A link as it was made, to be copied or sent: it is shown this once. */
export function LinkShown({
  link: { id, token, url },
  email,
  sendsMail,
  onClose,
}: {
  link: { readonly id: string; readonly token: string; readonly url: string };
  email: string;
  sendsMail: boolean;
  onClose: () => void;
}) {
  const [copied, setCopied] = useState<boolean | null>(null);
  const [sending, setSending] = useState(false);
  const [sent, setSent] = useState<{ tone: "good" | "stop"; words: string } | null>(null);
  const copy = () =>
    navigator.clipboard.writeText(url).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  const send = async () => {
    setSending(true);
    const result = await answered(mailLink({ id, token }), "The link is still here.");
    setSent(result.ok ? { tone: "good", words: `Sent to ${result.data.to}.` } : { tone: "stop", words: result.message });
    setSending(false);
  };
  return (
    <div className="space-y-4">
      <p className="text-ink-2">
        By this link they choose their own password. It works once, for 72 hours, and is shown only now; another can be made at any time.
      </p>
      <TextField
        label="Link"
        readOnly
        value={url}
        dir="ltr"
        onFocus={({ target }) => target.select()}
        {...(copied === false ? { error: "This browser does not let a page copy. Copy it by hand." } : {})}
      />
      {sent ? <Notice tone={sent.tone} title={sent.words} /> : null}
      <div className="flex flex-wrap gap-3">
        <Button onClick={() => void copy()}>{copied ? "Copied" : "Copy link"}</Button>
        {sendsMail ? (
          <Button tone="line" disabled={sending || sent?.tone === "good"} onClick={() => void send()}>
            {sending ? "Sending…" : `Send to ${email}`}
          </Button>
        ) : null}
        <Button tone="plain" onClick={onClose}>
          Done
        </Button>
      </div>
    </div>
  );
}
