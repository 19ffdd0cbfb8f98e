"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { LOOKS, lookHandles, landmarksOf } from "@/core/map";
import { Button, Notice, TextField } from "@/ui";
import { forgetLook, keepLook } from "./actions";
import type { MapStudio } from "./useMapStudio";
import { answered } from "@/ui/answered";

// Fetched when it is opened.
const Dialog = dynamic(() => import("@/ui/Dialog").then((module) => module.Dialog));

/** Looks the studio bent and kept: taken up with one tap; the one of this map is kept under a name. */
export function OwnLooks({ studio }: { studio: MapStudio }) {
  const { map, page, plan } = studio;
  const [looks, setLooks] = useState(page.ownLooks);
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    const bend = map.bend ?? lookHandles(LOOKS[map.look], landmarksOf(map, page.survey.document, "right"), page.survey.document.eyes.right);
    const look = { version: 1 as const, name, from: map.look, bend };
    const result = await answered(keepLook(look));
    if (!result.ok) return setProblem([result.message, ...Object.values(result.fields)].join(" "));
    setLooks([...looks, { id: result.data.id, look: { ...look, name: name.trim() } }]);
    setName("");
    setProblem(null);
  };
  const forget = async (id: string) => {
    const result = await answered(forgetLook({ id }));
    if (result.ok) setLooks(looks.filter((look) => look.id !== id));
    else setProblem(result.message);
  };
  return (
    <>
      <Button tone="plain" className="-ml-4" onClick={() => setOpen(true)}>
        Looks of the studio{looks.length ? ` (${looks.length})` : ""}
      </Button>
      {open ? (
        <Dialog open onOpenChange={setOpen} title="Looks of the studio">
          {looks.length === 0 ? (
            <p className="text-ink-2">
              None yet. Bend a look by its handles over the skyline, then keep it here; everyone in the studio can plan with it.
            </p>
          ) : (
            <ul className="border-t border-line">
              {looks.map(({ id, look }) => (
                <li key={id} className="flex flex-wrap items-center gap-x-4 border-b border-line py-2">
                  <LookShape bend={look.bend} />
                  <span className="min-w-0 flex-1">
                    <b className="break-words">{look.name}</b> <span className="text-sm text-ink-2">from {LOOKS[look.from].label}</span>
                  </span>
                  <Button
                    tone="line"
                    onClick={() => {
                      void plan({ look: look.from, bend: [...look.bend] });
                      setOpen(false);
                    }}
                  >
                    Take it
                  </Button>
                  {page.mayForget ? (
                    <Button tone="plain" onClick={() => void forget(id)}>
                      Forget
                    </Button>
                  ) : null}
                </li>
              ))}
            </ul>
          )}
          <div className="mt-5 flex flex-wrap items-end gap-3">
            <TextField label="Keep this map’s look as" value={name} maxLength={40} onChange={(event) => setName(event.target.value)} />
            <Button disabled={name.trim() === ""} onClick={() => void keep()}>
              Keep
            </Button>
          </div>
          {problem ? <Notice tone="stop" title={problem} className="mt-4" /> : null}
        </Dialog>
      ) : null}
    </>
  );
}

/** The shape of a look at a glance. */
function LookShape({ bend }: { bend: readonly { readonly at: number; readonly dropMm: number }[] }) {
  const points = bend.map(({ at, dropMm }) => `${(2 + at * 72).toFixed(1)} ${(4 + dropMm * 3).toFixed(1)}`);
  return (
    <svg width="76" height="34" aria-hidden="true" className="shrink-0">
      <path d={`M${points.join("L")}`} fill="none" stroke="var(--brass)" strokeWidth="2" strokeLinejoin="round" />
    </svg>
  );
}
