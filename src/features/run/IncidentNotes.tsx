"use client";
import { useState } from "react";
import { readWords, useDraft } from "@/features/tablet/useDraft";
import { Button, Notice, TextArea, Verdict } from "@/ui";
import { writeIncident } from "./actions";
import type { ColourProps } from "@/features/plan/colourProps";
import { answered } from "@/ui/answered";
import { useIdFor } from "@/ui/useIdFor";
import { newId } from "@/ui/newId";

/** What happened, in words: written after a stop, added to, never changed. */
export function IncidentNotes({ visit }: { visit: ColourProps }) {
  const { earlier, keep, drop } = useDraft(`incident ${visit.id}`, readWords);
  const [typed, setTyped] = useState<string | null>(null);
  const words = typed ?? earlier?.document ?? "";
  const [problem, setProblem] = useState<string | null>(null);
  const writtenId = useIdFor(words);
  const [putOffId] = useState(newId);
  const write = async (putOff: boolean) => {
    const said = putOff ? `Put off by ${visit.memberName}: still to be written.` : words;
    const result = await answered(
      writeIncident({ id: putOff ? putOffId : writtenId, visitId: visit.id, words: said, putOff }),
      "What you wrote is still here.",
    );
    if (result.ok) {
      if (!putOff) {
        setTyped("");
        await drop();
      }
      setProblem(null);
    } else setProblem(result.fields.words ?? result.message);
  };
  return (
    <section aria-label="Incident" className="mt-5 border-l-4 border-rosehip pl-4">
      <h2 className="text-xl">Incident</h2>
      {visit.incidents.map(({ id, words: written, putOff, by, when }) => (
        <p key={id} className="mt-1 whitespace-pre-line">
          <span className="text-sm text-ink-2">
            {when}, {by}:{" "}
          </span>
          {putOff ? <Verdict tone="look">{written}</Verdict> : written}
        </p>
      ))}
      <div className="mt-2 max-w-xl">
        <TextArea
          label={visit.incidents.length ? "Add to it" : "What happened, what was done, who was told"}
          rows={3}
          value={words}
          onChange={(event) => {
            setTyped(event.target.value);
            keep(event.target.value, null);
          }}
        />
      </div>
      {problem ? <Notice tone="stop" title={problem} className="mt-2" /> : null}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button tone="line" onClick={() => void write(false)}>
          Write it down
        </Button>
        {visit.incidents.length === 0 ? (
          <Button tone="plain" onClick={() => void write(true)}>
            Put it off, in my name ({visit.memberName})
          </Button>
        ) : null}
      </div>
    </section>
  );
}
