"use client";
import { useState } from "react";
import { CONDITIONS, CONDITION_IDS, type Condition } from "@/core/care";
import { Button, Dialog, Notice, TextField } from "@/ui";
import { keepConsultation } from "./actions";
import type { ColourProps } from "./colourProps";

/** The consultation: what is asked before any chemistry comes near an eye. */
export function ConsultSheet({ visit, onClose }: { visit: ColourProps; onClose: () => void }) {
  const known = visit.standing.consultation;
  const [conditions, setConditions] = useState<readonly Condition[]>(known?.conditions ?? []);
  const [processed, setProcessed] = useState(known?.processed ?? false);
  const [bornOn, setBornOn] = useState(visit.standing.bornOn ?? "");
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const keep = async () => {
    const result = await keepConsultation({ clientId: visit.clientId, document: { version: 1, conditions, processed }, bornOn }).catch(
      () => null,
    );
    if (result?.ok) return onClose();
    setProblem(result ?? { message: "The server did not answer. Try again.", fields: {} });
  };
  const box = (checked: boolean, change: () => void, label: string, stop = false) => (
    <label className="flex min-h-10 items-center gap-3">
      <input type="checkbox" className="size-5 accent-[var(--ivy)]" checked={checked} onChange={change} />
      <span className={stop ? "text-rosehip" : undefined}>{label}</span>
    </label>
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Consultation">
      <fieldset>
        <legend className="text-ink-2">What is so today?</legend>
        {CONDITION_IDS.map((id) => (
          <div key={id}>
            {box(
              conditions.includes(id),
              () => setConditions(conditions.includes(id) ? conditions.filter((one) => one !== id) : [...conditions, id]),
              CONDITIONS[id].label,
              CONDITIONS[id].weight === "stop",
            )}
          </div>
        ))}
        {box(processed, () => setProcessed(!processed), "hair lifted, tinted or bleached before, elsewhere")}
      </fieldset>
      <div className="mt-3 w-52">
        <TextField
          label="Date of birth"
          type="date"
          value={bornOn}
          max={visit.today}
          error={problem?.fields.bornOn}
          onChange={(event) => setBornOn(event.target.value)}
        />
      </div>
      {problem ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
      <p className="mt-3 text-sm text-ink-2">Leaflets, local code and a doctor’s word come before this list.</p>
      <Button className="mt-3" onClick={() => void keep()}>
        Keep the answers
      </Button>
    </Dialog>
  );
}
