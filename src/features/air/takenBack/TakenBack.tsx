"use client";
import { useCallback, useEffect, useState } from "react";
import { Button, Notice, SelectField, TextField } from "@/ui";
import { answered } from "@/ui/answered";
import { FormSheet, useStudioForm, type FormAnswer } from "@/ui/form";
import { newId } from "@/ui/newId";
import { bringReadingsBack, roomImports, takeImportBack, takeReadingsBack } from "./actions";

/** "150,000 readings" */
const many = (readings: number) => `${readings.toLocaleString("en-GB")} ${readings === 1 ? "reading" : "readings"}`;

type Known = Extract<Awaited<ReturnType<typeof roomImports>>, { ok: true }>["data"];

/** Readings that should not count: a wrong file whole, or a source's between two times. They are kept aside, and come back. */
export function TakenBack({ roomId, today, renewed }: { roomId: string; today: string; renewed: unknown }) {
  const [known, setKnown] = useState<Known | null>(null);
  const [told, setTold] = useState<{ tone: "good" | "stop"; words: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const [asking, setAsking] = useState(false);
  const look = useCallback(async () => {
    const result = await roomImports({ roomId }).catch(() => null);
    if (result?.ok) setKnown(result.data);
  }, [roomId]);
  useEffect(() => {
    let isCurrent = true;
    void roomImports({ roomId })
      .then((result) => isCurrent && result.ok && setKnown(result.data))
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [roomId, renewed]);

  const run = async <T,>(work: Promise<FormAnswer<T>>, words: (data: T) => string) => {
    setBusy(true);
    const result = await answered(work, "Nothing was changed.");
    setTold(result.ok ? { tone: "good", words: words(result.data) } : { tone: "stop", words: result.message });
    setBusy(false);
    await look();
  };
  return (
    <section aria-label="Readings taken back" aria-busy={busy}>
      <h3 className="text-xl">Readings that should not count</h3>
      <p className="mt-1 mb-3 text-[0.9375rem] text-ink-2">
        A wrong file is taken back whole, a hygrometer&rsquo;s readings between two times. They are kept aside, and can be brought back.
      </p>
      {told ? <Notice tone={told.tone} title={told.words} className="mb-3" /> : null}
      {known && known.imports.length > 0 ? (
        <ul className="mb-3 border-t border-line">
          {known.imports.map(({ id, name, readings, on, by }) => (
            <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-2">
              <span className="min-w-0">
                <b className="break-all">{name}</b>
                <span className="block text-sm text-ink-2">
                  {many(readings)}, taken in {on} by <bdi>{by}</bdi>
                </span>
              </span>
              <Button
                tone="line"
                disabled={busy}
                aria-label={`Take back ${name}`}
                onClick={() =>
                  void run(
                    takeImportBack({ id: newId(), importId: id }),
                    ({ taken }) => `${many(taken)} ${taken === 1 ? "is" : "are"} taken back.`,
                  )
                }
              >
                Take back
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      <Button tone="line" disabled={busy || !known || known.sources.length === 0} onClick={() => setAsking(true)}>
        Take a source&rsquo;s readings back
      </Button>
      {known && known.taken.length > 0 ? (
        <>
          <h4 className="mt-5 font-sans text-sm text-ink-2">Kept aside</h4>
          <ul className="border-t border-line">
            {known.taken.map(({ id, what, readings, why, on, by }) => (
              <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-2">
                <span className="min-w-0">
                  <b className="break-all">{what}</b>
                  <span className="block text-sm text-ink-2">
                    {many(readings)}, {on} by <bdi>{by}</bdi>
                    {why ? `: ${why}` : null}
                  </span>
                </span>
                <Button
                  tone="plain"
                  disabled={busy}
                  aria-label={`Bring back ${what}`}
                  onClick={() =>
                    void run(bringReadingsBack({ id }), ({ back }) => `${many(back)} ${back === 1 ? "counts" : "count"} again.`)
                  }
                >
                  Bring back
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {asking && known ? (
        <SourceSheet
          sources={known.sources}
          today={today}
          onClose={() => setAsking(false)}
          onTaken={(taken) => {
            setAsking(false);
            setTold({ tone: "good", words: `${many(taken)} ${taken === 1 ? "is" : "are"} taken back.` });
            void look();
          }}
        />
      ) : null}
    </section>
  );
}

function SourceSheet({
  sources,
  today,
  onClose,
  onTaken,
}: {
  sources: Known["sources"];
  today: string;
  onClose: () => void;
  onTaken: (taken: number) => void;
}) {
  const [id] = useState(newId);
  const form = useStudioForm({
    values: { sensorId: sources[0]?.id ?? "", fromDay: today, fromTime: "", toDay: today, toTime: "", why: "" },
    input: (typed) => ({ id, ...typed }),
    schema: () => import("./schema").then(({ takeBackForm }) => takeBackForm),
    send: takeReadingsBack,
    onKept: ({ taken }) => onTaken(taken),
  });
  return (
    <FormSheet title="Take a source’s readings back" form={form} submit="Take back" working="Taking them back…" onClose={onClose}>
      <SelectField label="Whose" {...form.field("sensorId")}>
        {sources.map(({ id: one, name }) => (
          <option key={one} value={one}>
            {name}
          </option>
        ))}
      </SelectField>
      <div className="grid grid-cols-2 gap-4">
        <TextField label="From" type="date" {...form.field("fromDay")} />
        <TextField label="at" type="time" {...form.field("fromTime")} />
        <TextField label="Until before" type="date" {...form.field("toDay")} />
        <TextField label="at" type="time" {...form.field("toTime")} />
      </div>
      <TextField label="Why" {...form.field("why")} />
    </FormSheet>
  );
}
