"use client";
import { useEffect, useState } from "react";
import { Button, Notice } from "@/ui";
import { answered } from "@/ui/answered";
import type { FormAnswer } from "@/ui/form";
import { bringClientsBack, clientImports, takeClientsBack } from "./actions";

const SHOWN = 12;

type Files = Extract<Awaited<ReturnType<typeof clientImports>>, { ok: true }>["data"];

/** Files that were read in, each to be taken back whole, and brought back. */
export function ImportedFiles() {
  const [files, setFiles] = useState<Files>([]);
  const [told, setTold] = useState<{ readonly tone: "good" | "stop"; readonly words: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    let isCurrent = true;
    void clientImports({ most: SHOWN })
      .then((result) => isCurrent && result.ok && setFiles(result.data))
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [asked]);
  const run = async <T,>(work: Promise<FormAnswer<T>>, words: (data: T) => string) => {
    setBusy(true);
    const result = await answered(work, "Nothing was changed.");
    setTold(result.ok ? { tone: "good", words: words(result.data) } : { tone: "stop", words: result.message });
    setBusy(false);
    setAsked((count) => count + 1);
  };
  if (files.length === 0 && !told) return null;
  return (
    <section aria-label="Files that were read in" aria-busy={busy} className="mt-10">
      <h2 className="text-2xl">Read in before</h2>
      {told ? <Notice tone={told.tone} title={told.words} className="mt-3" /> : null}
      <ul className="mt-2 border-t border-line">
        {files.map(({ id, name, clients, by, on, isTakenBack }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-2">
            <span className="min-w-0">
              <b className="break-all">{name}</b>
              <span className="block text-sm text-ink-2">
                {clients} {clients === 1 ? "client" : "clients"}, read in {on} by <bdi>{by}</bdi>
                {isTakenBack ? "; taken back" : ""}
              </span>
            </span>
            <Button
              tone="line"
              disabled={busy}
              aria-label={isTakenBack ? `Bring back ${name}` : `Take back ${name}`}
              onClick={() =>
                void (isTakenBack
                  ? run(bringClientsBack({ id }), ({ back }) => `${back} ${back === 1 ? "is" : "are"} among the clients again.`)
                  : run(takeClientsBack({ id }), ({ gone, left }) =>
                      left.length === 0
                        ? `${gone} taken back.`
                        : `${gone} taken back. Worked with or changed since, and left: ${left.slice(0, 12).join(", ")}${left.length > 12 ? ` and ${left.length - 12} more` : ""}.`,
                    ))
              }
            >
              {isTakenBack ? "Bring back" : "Take back"}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
