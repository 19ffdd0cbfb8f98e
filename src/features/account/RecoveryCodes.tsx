"use client";
import { useState } from "react";
import { Button } from "@/ui";

/** Recovery codes, shown this once. */
export function RecoveryCodes({ codes }: { codes: readonly string[] }) {
  const [copied, setCopied] = useState(false);
  return (
    <div>
      <p className="font-semibold">Recovery codes</p>
      <p className="text-[0.9375rem] text-ink-2">
        Each lets you in once without your phone. They are shown only now: write them down, or keep them where you keep passwords, away from
        this device.
      </p>
      <ul
        data-testid="recovery-codes"
        className="my-3 grid grid-cols-2 gap-x-6 gap-y-1 rounded-md border border-line bg-leaf p-4 font-mono"
      >
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <Button
        tone="line"
        onClick={() =>
          void navigator.clipboard.writeText(codes.join("\n")).then(
            () => setCopied(true),
            () => undefined,
          )
        }
      >
        {copied ? "Copied" : "Copy them"}
      </Button>
    </div>
  );
}
