"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { openForMap } from "@/features/visit/actions";
import { Button, Notice, Verdict } from "@/ui";
import { newId } from "@/ui/newId";
import { answered } from "@/ui/answered";

// Fetched when it is opened.
const Dialog = dynamic(() => import("@/ui/Dialog").then((module) => module.Dialog));

/** To the visit that wears this map: the agreed one of today, else a walk-in. What stands against it is asked there. */
export function BeginVisit({
  clientId,
  clientName,
  mapId,
  save,
  stops,
}: {
  clientId: string;
  clientName: string;
  mapId: string;
  save: () => Promise<number | null>;
  stops: number;
}) {
  const router = useRouter();
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [warning, setWarning] = useState<{ visitId: string; words: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const [visitId] = useState(newId);

  const begin = async () => {
    setBusy(true);
    const revision = await save();
    if (revision === null) {
      setBusy(false);
      setAsking(false);
      return;
    }
    const result = await answered(openForMap({ visitId, clientId, mapId, revision }), "The map is saved; begin again when it is back.");
    setBusy(false);
    if (result.ok && !result.data.warning) return router.push(`/visits/${result.data.visitId}`);
    if (result.ok) setWarning({ visitId: result.data.visitId, words: result.data.warning! });
    else setProblem(result.message);
    setAsking(true);
  };
  return (
    <>
      <Button disabled={busy} onClick={() => (stops === 0 ? void begin() : (setProblem(null), setAsking(true)))}>
        To the chair
      </Button>
      {asking ? (
        <Dialog open onOpenChange={setAsking} title={`${clientName}: before the chair`}>
          {warning ? (
            <Notice tone="look" title={warning.words}>
              A walk-in keeps nobody’s time. Move it on its page if it is in the way.
            </Notice>
          ) : stops > 0 ? (
            <p>
              <Verdict tone="stop">
                {stops} {stops === 1 ? "finding says" : "findings say"} stop
              </Verdict>
              <span className="block text-ink-2">You may go on; the map carries them as they are.</span>
            </p>
          ) : null}
          {problem ? <Notice tone="stop" title={problem} className="mt-4" /> : null}
          <div className="mt-5 flex gap-3">
            {problem ? null : (
              <Button disabled={busy} onClick={() => (warning ? router.push(`/visits/${warning.visitId}`) : void begin())}>
                {busy ? "Opening…" : "To the chair"}
              </Button>
            )}
            <Button tone="line" onClick={() => setAsking(false)}>
              Stay with the map
            </Button>
          </div>
        </Dialog>
      ) : null}
    </>
  );
}
