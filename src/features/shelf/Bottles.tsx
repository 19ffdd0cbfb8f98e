"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import { bottleAge } from "@/core/adhesive";
import { Button, Empty, Notice, Verdict } from "@/ui";
import { dayWords } from "@/ui/dayWords";
import { AdhesiveSheet } from "./AdhesiveSheet";
import type { ShelfPage } from "./data";
import { emptyLot } from "./lotActions";
import { LotSheet } from "./LotSheet";
import { answered } from "@/ui/answered";

/** Adhesives with their bottles: lot, opened, how long they are good for. */
export function Bottles({
  adhesives,
  open: inUse,
  emptied,
  emptiedInAll,
  today,
  mayAdd,
  standings,
}: Pick<ShelfPage, "adhesives" | "open" | "emptied" | "emptiedInAll" | "standings"> & { today: string; mayAdd: boolean }) {
  const [asking, setAsking] = useState<"bottle" | "adhesive" | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  const placeOf = (id: string) => standings?.bottles.findIndex((one) => one.id === id) ?? 0;
  const open = [...inUse].sort((a, b) => placeOf(a.id) - placeOf(b.id));
  const mark = (id: string, isEmpty: boolean) =>
    begin(async () => {
      const result = await answered(emptyLot({ id, emptied: isEmpty }), "Nothing was changed.");
      setProblem(result.ok ? null : result.message);
    });
  const nameOf = (id: string) => adhesives.find((one) => one.id === id)?.document;
  return (
    <section aria-label="Adhesive">
      <div className="flex flex-wrap items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">Adhesive</h2>
        <span>
          <Button tone="plain" onClick={() => setAsking("bottle")}>
            Open a bottle
          </Button>
          {mayAdd ? (
            <Button tone="plain" onClick={() => setAsking("adhesive")}>
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
            <li key={bottle.id} id={`lot-${bottle.id}`} className="scroll-mt-24 border-b border-line py-3">
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
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      {asking === "bottle" ? (
        <LotSheet
          productLabel="Adhesive"
          title="Open a bottle"
          products={adhesives.map(({ id, document }) => ({ id, name: document.name }))}
          today={today}
          onClose={() => setAsking(null)}
        />
      ) : null}
      {asking === "adhesive" ? <AdhesiveSheet onClose={() => setAsking(null)} /> : null}
    </section>
  );
}
