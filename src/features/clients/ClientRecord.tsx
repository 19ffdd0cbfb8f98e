"use client";
import dynamic from "next/dynamic";
import { useState, useTransition } from "react";
import { Button, LinkButton } from "@/ui";
import { answered } from "@/ui/answered";
import { toast } from "@/ui/toast";
import { undoMerge } from "./actions";

const EraseSheet = dynamic(() => import("./EraseSheet").then((module) => module.EraseSheet), { ssr: false });

type Merged = { readonly id: string; readonly name: string; readonly hint: string; readonly on: string };

/** What is done with a whole record: merged with another, handed out, erased. Folded away, for it is rarely wanted. */
export function ClientRecord({
  id,
  name,
  merges,
  may,
}: {
  id: string;
  name: string;
  merges: readonly Merged[];
  may: { readonly archive: boolean; readonly own: boolean };
}) {
  const [erasing, setErasing] = useState(false);
  const [busy, begin] = useTransition();
  if (!may.archive) return null;
  const takeApart = (merge: Merged) =>
    begin(async () => {
      const result = await answered(undoMerge({ id: merge.id }), "Nothing was changed.");
      if (result.ok) toast.good(`${merge.name} is an entry of its own again.`);
      else toast.stop(result.message);
    });
  return (
    <details className="mt-2">
      <summary className="cursor-pointer text-[0.9375rem] text-ink-2">The whole record</summary>
      {merges.length > 0 ? (
        <ul className="mt-2 text-[0.9375rem]">
          {merges.map((merge) => (
            <li key={merge.id} className="flex flex-wrap items-center justify-between gap-x-3">
              <span>
                <bdi>{merge.name}</bdi>
                {merge.hint ? `, ${merge.hint},` : ""} was merged into this on {merge.on}
              </span>
              <Button tone="plain" disabled={busy} onClick={() => takeApart(merge)}>
                Take apart
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <LinkButton tone="line" href={`/clients/${id}/merge`}>
          Merge with another
        </LinkButton>
        {may.own ? (
          <>
            <a href={`/api/clients/${id}/everything`} download className="py-1.5 font-semibold text-ivy underline underline-offset-4">
              Export everything
            </a>
            <Button tone="stop" onClick={() => setErasing(true)}>
              Erase
            </Button>
          </>
        ) : null}
      </div>
      {erasing ? <EraseSheet id={id} name={name} onClose={() => setErasing(false)} /> : null}
    </details>
  );
}
