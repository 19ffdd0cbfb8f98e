"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import { bottleAge } from "@/core/adhesive";
import { dayWords } from "@/features/care/patchTestWords";
import { Button, Dialog, Empty, Notice, SelectField, TextField, Verdict } from "@/ui";
import { addAdhesive, emptyBottle, openBottle } from "./actions";
import type { ShelfPage, ShelfStandings } from "./data";
import { answered } from "@/ui/answered";

type Problem = { message: string; fields: Readonly<Record<string, string>> };

/** Adhesives with their bottles: lot, opened, how long they are good for. */
export function Bottles({
  adhesives,
  open: inUse,
  emptied,
  emptiedInAll,
  today,
  mayAdd,
  standings,
}: Pick<ShelfPage, "adhesives" | "open" | "emptied" | "emptiedInAll"> & { today: string; mayAdd: boolean; standings: ShelfStandings }) {
  const [asking, setAsking] = useState<"bottle" | "adhesive" | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, begin] = useTransition();
  const send = (
    event: React.FormEvent<HTMLFormElement>,
    work: (form: Record<string, FormDataEntryValue>) => ReturnType<typeof openBottle>,
  ) => {
    event.preventDefault();
    const form = Object.fromEntries(new FormData(event.currentTarget));
    begin(async () => {
      const result = await answered(work(form), "What you typed is still here.");
      setProblem(result.ok ? null : result);
      if (result.ok) setAsking(null);
    });
  };
  const placeOf = (id: string) => standings?.bottles.findIndex((one) => one.id === id) ?? 0;
  const open = [...inUse].sort((a, b) => placeOf(a.id) - placeOf(b.id));
  const mark = (id: string, isEmpty: boolean) =>
    begin(async () => {
      const result = await answered(emptyBottle({ id, emptied: isEmpty }), "Nothing was changed.");
      setProblem(result.ok ? null : result);
    });
  const nameOf = (id: string) => adhesives.find((one) => one.id === id)?.document;
  const error = (name: string) => problem?.fields[name];
  return (
    <section aria-label="Adhesive">
      <div className="flex flex-wrap items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">Adhesive</h2>
        <span>
          <Button tone="plain" onClick={() => (setProblem(null), setAsking("bottle"))}>
            Open a bottle
          </Button>
          {mayAdd ? (
            <Button tone="plain" onClick={() => (setProblem(null), setAsking("adhesive"))}>
              New adhesive
            </Button>
          ) : null}
        </span>
      </div>
      {open.length === 0 ? (
        <Empty title="No bottle is open">
          {adhesives.length === 0 ? "Write down an adhesive from its leaflet, then open a bottle." : "Open a bottle to work from it."}
        </Empty>
      ) : null}
      {standings && open.length > 0 ? (
        <p className="pt-2 text-[0.9375rem] text-ink-2">
          Best first for {standings.roomName.toLowerCase()} now and your singles.{" "}
          <Link href="/air" className="font-semibold text-ivy hover:underline">
            To the air
          </Link>
        </p>
      ) : null}
      <ul aria-busy={busy}>
        {open.map((bottle) => {
          const stands = standings?.bottles.find((one) => one.id === bottle.id);
          const document = nameOf(bottle.adhesiveId)!;
          const age = bottleAge(bottle.openedOn, today, document.lifeAfterOpeningDays);
          return (
            <li key={bottle.id} className="border-b border-line py-3">
              <div className="flex flex-wrap items-baseline justify-between gap-x-4">
                <b>
                  {document.name}, lot {bottle.lot}
                </b>
                <Verdict tone={age.state === "fresh" ? "good" : age.state === "last week" ? "look" : "stop"}>
                  {age.state === "past its life"
                    ? `past its life by ${-age.daysLeft} ${age.daysLeft === -1 ? "day" : "days"}`
                    : `${age.daysLeft} days left`}
                </Verdict>
              </div>
              {stands && stands.word !== "past its life" ? (
                <p className="text-[0.9375rem]">
                  <Verdict tone={stands.tone}>{stands.word}</Verdict> <span className="text-ink-2">{stands.says}</span>
                </p>
              ) : null}
              <p className="text-[0.9375rem] text-ink-2">
                {bottle.expiresOn ? (
                  bottle.expiresOn < today ? (
                    <Verdict tone="stop">Past its printed date, {dayWords(bottle.expiresOn)}: not used. </Verdict>
                  ) : (
                    `Good until ${dayWords(bottle.expiresOn)} as printed. `
                  )
                ) : null}
                Opened {dayWords(bottle.openedOn)}. Sets in {document.setTimeS} s; {Math.round(document.humidityLow * 100)} to{" "}
                {Math.round(document.humidityHigh * 100)} %, {document.temperatureLowC} to {document.temperatureHighC} °C.
                {document.shakeSeconds ? ` Shake ${document.shakeSeconds} s.` : ""}
                {document.keptIn ? ` Kept: ${document.keptIn}.` : ""}
                {document.dropsIn ? ` About ${Math.max(0, document.dropsIn - bottle.beads)} drops left of ${document.dropsIn}.` : ""}
              </p>
              <Button tone="plain" className="-ml-4" disabled={busy} onClick={() => mark(bottle.id, true)}>
                It is empty
              </Button>
            </li>
          );
        })}
      </ul>
      {emptied.length > 0 ? (
        <details className="mt-3 text-[0.9375rem] text-ink-2">
          <summary className="min-h-9 cursor-pointer py-1.5">Emptied bottles, {emptiedInAll}</summary>
          <ul>
            {emptied.map((bottle) => (
              <li key={bottle.id} className="flex flex-wrap items-baseline gap-x-3 py-1">
                {nameOf(bottle.adhesiveId)?.name}, lot {bottle.lot}, {dayWords(bottle.openedOn)} to {dayWords(bottle.emptiedOn!)}
                <Button tone="plain" disabled={busy} onClick={() => mark(bottle.id, false)}>
                  Not empty after all
                </Button>
              </li>
            ))}
          </ul>
          {emptiedInAll > emptied.length ? <p>Older ones stand in the visits they were used at.</p> : null}
        </details>
      ) : null}
      {problem && !asking ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
      <Dialog open={asking === "bottle"} onOpenChange={() => setAsking(null)} title="Open a bottle">
        <form onSubmit={(event) => send(event, openBottle)} className="space-y-4" noValidate>
          <SelectField label="Adhesive" name="adhesiveId" error={error("adhesiveId")}>
            {adhesives.map((one) => (
              <option key={one.id} value={one.id}>
                {one.document.name}
              </option>
            ))}
          </SelectField>
          <TextField label="Lot" name="lot" error={error("lot")} />
          <TextField label="Opened on" name="openedOn" type="date" defaultValue={today} max={today} error={error("openedOn")} />
          <TextField
            label="Good until, as printed"
            hint="Left empty where nothing is printed. Past it the bottle is not used."
            name="expiresOn"
            type="date"
            error={error("expiresOn")}
          />
          {problem ? <Notice tone="stop" title={problem.message} /> : null}
          <Button type="submit" disabled={busy}>
            Keep
          </Button>
        </form>
      </Dialog>
      <Dialog open={asking === "adhesive"} onOpenChange={() => setAsking(null)} title="An adhesive, from its leaflet">
        <form onSubmit={(event) => send(event, addAdhesive)} className="space-y-4" noValidate>
          <TextField label="Name" name="name" error={error("name")} />
          <div className="grid grid-cols-2 gap-3">
            <TextField label="Set time" unit="s" name="setTimeS" inputMode="decimal" error={error("setTimeS")} />
            <TextField
              label="Good for, once opened"
              unit="days"
              name="lifeAfterOpeningDays"
              inputMode="numeric"
              defaultValue="42"
              error={error("lifeAfterOpeningDays")}
            />
            <TextField label="Humidity from" unit="%" name="humidityLow" inputMode="decimal" error={error("humidityLow")} />
            <TextField label="to" unit="%" name="humidityHigh" inputMode="decimal" error={error("humidityHigh")} />
            <TextField label="Warmth from" unit="°C" name="temperatureLowC" inputMode="decimal" error={error("temperatureLowC")} />
            <TextField label="to" unit="°C" name="temperatureHighC" inputMode="decimal" error={error("temperatureHighC")} />
            <TextField label="Shake, if it says" unit="s" name="shakeSeconds" inputMode="numeric" error={error("shakeSeconds")} />
            <TextField label="Drops in a bottle, if known" name="dropsIn" inputMode="numeric" error={error("dropsIn")} />
            <TextField label="No water for, if it says" unit="h" name="waterHours" inputMode="decimal" error={error("waterHours")} />
            <SelectField label="Kept" name="keptIn" error={error("keptIn")}>
              <option value="">as the leaflet says</option>
              <option value="fridge until opened">fridge until opened</option>
              <option value="fridge always">fridge always</option>
              <option value="cool and dry">cool and dry</option>
            </SelectField>
          </div>
          {problem ? <Notice tone="stop" title={problem.message} /> : null}
          <Button type="submit" disabled={busy}>
            Keep
          </Button>
        </form>
      </Dialog>
    </section>
  );
}
