"use client";
import { useState, useTransition } from "react";
import { handTime, learnSetTime, testDeviation, type SetTest } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { Technique } from "@/core/lash";
import { newId } from "@/ui/newId";
import { Button, Choice, Empty, LinkButton, Notice, Verdict, cx } from "@/ui";
import { keepHandTime, keepSetTest, leaveTestOut } from "./actions";
import { GlueChart } from "./GlueChart";
import { driftWords } from "./glueWords";
import type { RatedBottle } from "./ratedBottles";
import type { KeptTest } from "./knowledge";
import { Stopwatch } from "./Stopwatch";
import { TechniqueChoice } from "./TechniqueChoice";

const SHOWN = 8;
type Send = () => Promise<{ ok: true } | { ok: false; message: string }>;
type Asked = { readonly test: SetTest; readonly times: number };

/** One bottle's set times: a stopwatch, what the tests have taught, the tests themselves; and the hand that places. */
export function GlueSheet({
  rated,
  chosen,
  onChoose,
  tests,
  hand,
  air,
  timeZone,
}: {
  rated: readonly RatedBottle[];
  chosen: RatedBottle | undefined;
  onChoose: (bottleId: string) => void;
  tests: readonly KeptTest[];
  hand: Readonly<Record<Technique, readonly number[]>>;
  air: Air | null;
  timeZone: string;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  /** What the server did not answer to, in order; nothing timed is lost. */
  const [unsent, setUnsent] = useState<readonly Send[]>([]);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [technique, setTechnique] = useState<Technique>("single");
  const [busy, begin] = useTransition();
  if (!chosen)
    return (
      <Empty title="No bottle is open">
        <LinkButton href="/shelf" tone="line">
          To the shelf
        </LinkButton>
      </Empty>
    );
  const { bottle, model, fitness } = chosen;
  const send = (...works: readonly Send[]) =>
    begin(async () => {
      for (const [i, work] of works.entries()) {
        const result = await work().catch(() => null);
        if (!result) return setUnsent((before) => [...before, ...works.slice(i)]);
        setRefused(result.ok ? null : result.message);
      }
    });
  const keep = ({ id, bottleId, seconds, air: then }: SetTest, leftOut: boolean) =>
    send(() => keepSetTest({ id, bottleId, seconds, air: then, leftOut }));
  const timed = (seconds: number) => {
    if (!air) return;
    const test: SetTest = { id: newId(), bottleId: bottle.id, daysOpen: fitness.age.daysOpen, air, seconds };
    const deviation = testDeviation(learnSetTime(model.nominalS, [...model.tests, test], model.bottles), test);
    // A questioned one is kept at once, and teaches nothing until it was said to be right.
    setAsked(deviation.questioned ? { test, times: deviation.times } : null);
    keep(test, deviation.questioned);
  };
  const ofProduct = tests.filter((test) => test.adhesiveId === bottle.adhesiveId);
  const clock = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit", timeZone });
  const mine = handTime(hand[technique]);
  return (
    <section aria-label="Set times" aria-busy={busy}>
      <Choice
        label="Bottle"
        showLabel={false}
        value={bottle.id}
        options={rated.map((one) => ({ value: one.bottle.id, label: `${one.bottle.adhesive.name}, ${one.bottle.lot}` }))}
        onChange={onChoose}
      />
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Stopwatch keyName="T" label="Time a bead or a lash" onTime={timed} disabled={!air} />
        <span className="text-[0.9375rem] text-ink-2">
          {air ? "Stop when its skin holds, or the lash." : "A fresh reading of the air is needed: a time says nothing without it."}
        </span>
      </div>
      {asked ? (
        <Notice tone="look" title={`${asked.test.seconds.toFixed(1)} s is ${asked.times.toFixed(1)} × what was expected`} className="mt-3">
          <p>A slip of the key, or has the bottle or the air changed? It stays on record either way.</p>
          <div className="mt-2 flex gap-3">
            <Button
              disabled={busy || unsent.length > 0}
              onClick={() => (setAsked(null), send(() => leaveTestOut({ id: asked.test.id, leftOut: false })))}
            >
              It is right, learn from it
            </Button>
            <Button tone="line" onClick={() => setAsked(null)}>
              A slip, leave it out
            </Button>
          </div>
        </Notice>
      ) : null}
      {refused ? <Notice tone="stop" title={refused} className="mt-3" /> : null}
      {unsent.length > 0 ? (
        <Notice tone="stop" title="The server did not answer" className="mt-3">
          <p>{unsent.length === 1 ? "One time is" : `${unsent.length} times are`} not kept yet. Leave this page open until it is.</p>
          <Button tone="line" className="mt-2" disabled={busy} onClick={() => (setUnsent([]), send(...unsent))}>
            Send again
          </Button>
        </Notice>
      ) : null}
      <div className="mt-3">
        {air ? (
          <GlueChart
            model={model}
            bottleId={bottle.id}
            daysOpen={fitness.age.daysOpen}
            air={air}
            tests={ofProduct}
            window={bottle.adhesive}
          />
        ) : null}
      </div>
      <p className="text-sm text-ink-2">
        At {air ? air.temperatureC.toFixed(1) : "…"} °C. Tinted: where it lies four times in five, from {model.tests.length}{" "}
        {model.tests.length === 1 ? "test" : "tests"} and what is usual; black dots are this bottle&rsquo;s tests. The dotted frame is the
        leaflet&rsquo;s humidity. A model of ours: log time by humidity and warmth, learned by Bayesian regression.
      </p>
      {fitness.drift ? (
        <p className="mt-2 text-[0.9375rem]">
          {fitness.drift.old ? <Verdict tone="stop">Old by its own tests</Verdict> : <Verdict tone="good">Holds its pace</Verdict>}{" "}
          <span className="text-ink-2">{driftWords(fitness.drift, fitness.age.daysOpen)}</span>
        </p>
      ) : null}
      <div className="mt-5 grid gap-x-10 gap-y-6 md:grid-cols-[minmax(0,1fr)_16rem]">
        <div>
          <h3 className="text-lg">Tests, newest first</h3>
          {ofProduct.length === 0 ? <p className="text-ink-2">None yet: the leaflet&rsquo;s time is all there is to go by.</p> : null}
          <ul>
            {ofProduct.slice(0, SHOWN).map((test) => {
              const deviation = test.leftOut ? null : testDeviation(model, test);
              return (
                <li key={test.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-line py-0.5 text-[0.9375rem]">
                  <b className={cx("w-14", test.leftOut && "font-normal line-through")}>{test.seconds.toFixed(2)} s</b>
                  <span className="text-ink-2">
                    {test.air.temperatureC.toFixed(1)} °C, {Math.round(test.air.relativeHumidity * 100)} %, day {test.daysOpen}
                    {test.bottleId === bottle.id ? "" : ", another bottle"}, {clock.format(new Date(test.at))}
                  </span>
                  {deviation?.questioned ? <Verdict tone="look">{deviation.times.toFixed(1)} × expected</Verdict> : null}
                  <Button
                    tone="plain"
                    className="ml-auto"
                    disabled={busy}
                    onClick={() => send(() => leaveTestOut({ id: test.id, leftOut: !test.leftOut }))}
                  >
                    {test.leftOut ? "Learn from it" : "Leave out"}
                  </Button>
                </li>
              );
            })}
          </ul>
        </div>
        <div>
          <h3 className="text-lg">Your hand</h3>
          <p className="mb-2 text-[0.9375rem] text-ink-2">From the dip until the fibre sits on the lash.</p>
          <TechniqueChoice label="Technique" value={technique} onChange={setTechnique} />
          <p className="my-2">{mine ? `${mine.seconds.toFixed(1)} s, of ${mine.times} timed` : "not timed yet"}</p>
          <Stopwatch
            keyName="H"
            label="Time a placement"
            onTime={(seconds) => send(() => keepHandTime({ id: newId(), technique, seconds }))}
          />
        </div>
      </div>
    </section>
  );
}
