"use client";
import { useState } from "react";
import { lashProfile, RESULT_CARD } from "@/core/lift";
import { judgeable, type RunResult, type RunState } from "@/core/processing";
import { useDraft } from "@/features/tablet/useDraft";
import { Button, Choice, cx } from "@/ui";
import { useReserve } from "@/ui/useReserve";
import { DepthChoice } from "@/features/plan/DepthChoice";

const loadPhoto = () => import("./ProfilePhoto");

type Judged = RunResult;

const readKept = (document: unknown) => import("./readJudged").then(({ readJudged }) => readJudged(document));

/** How it turned out against the wish: turn by the five-step card or a picture from the side, depth, evenness, comfort. */
export function JudgePanel({
  visitId,
  run,
  mayFinish,
  onJudged,
}: {
  visitId: string;
  run: RunState;
  /** A visit that was stopped is not closed before its incident is written, or put off by name. */
  mayFinish: boolean;
  onJudged: (result: Judged) => void;
}) {
  const plan = run.plan!;
  // Broken off before the colour, there is no depth to judge.
  const may = judgeable(run);
  const { earlier, keep, drop } = useDraft(`judged ${visitId}`, readKept);
  const [typed, setTyped] = useState<Partial<Judged>>({});
  const [photo, setPhoto] = useState(false);
  const sheet = useReserve(loadPhoto, photo);
  // Nothing is judged by default: what was tapped before a reload, then what is tapped now.
  const judgement: Judged = {
    turn: null,
    lashDepth: null,
    browDepth: null,
    even: null,
    comfort: null,
    ...run.result,
    ...earlier?.document,
    ...typed,
  };
  const { turn, lashDepth, browDepth, even, comfort } = judgement;
  const open =
    even === null ||
    comfort === null ||
    (may.turn && plan.wish.lift !== null && turn === null) ||
    (may.lashDepth && plan.wish.lashDepth !== null && lashDepth === null) ||
    (may.browDepth && plan.wish.browDepth !== null && browDepth === null);
  const judge = (part: Partial<Judged>) => {
    const next = { ...earlier?.document, ...typed, ...part };
    setTyped(next);
    keep(next, null);
  };
  return (
    <section aria-label="How it turned out" className="mt-4">
      <h2 className="text-3xl">How did it turn out?</h2>
      <div className="mt-4 grid gap-x-14 gap-y-6 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)]">
        {may.turn && plan.wish.lift !== null ? (
          <div>
            <p className="text-ink-2">From the side, in the middle of the line. Which is it most like?</p>
            <div role="radiogroup" aria-label="Turn" className="mt-2 flex flex-wrap gap-2">
              {RESULT_CARD.map(({ step, label, turnDeg }) => {
                const chosen = turn?.by === "card" && turn.seenDeg === turnDeg;
                const path = lashProfile(10, turnDeg, 0)
                  .map(({ reachMm, liftMm }, i) => `${i ? "L" : "M"}${(14 + reachMm * 8).toFixed(1)} ${(84 - liftMm * 8).toFixed(1)}`)
                  .join("");
                return (
                  <button
                    key={step}
                    type="button"
                    role="radio"
                    aria-checked={chosen}
                    onClick={() => judge({ turn: { seenDeg: turnDeg, by: "card" } })}
                    className={cx(
                      "w-28 rounded-md border-2 px-1 pb-2 text-center",
                      chosen ? "border-ivy bg-moss-soft" : "border-line-strong hover:bg-leaf",
                    )}
                  >
                    <svg viewBox="0 0 110 100" className="w-full" aria-hidden="true">
                      <path d="M2 78C6 74 10 78 14 84C10 92 5 94 2 93Z" fill="var(--lid)" />
                      <path d={path} fill="none" stroke="var(--ivy)" strokeWidth="3.5" strokeLinecap="round" />
                    </svg>
                    <span className="block font-semibold">{label}</span>
                    <span className="block text-sm text-ink-2">about {turnDeg}°</span>
                  </button>
                );
              })}
            </div>
            <p className="mt-2">
              <Button tone="plain" className="-ml-4" onClick={() => setPhoto(true)}>
                Measure it in a picture
              </Button>
              {turn?.by === "photo" ? <span className="font-semibold">{Math.round(turn.seenDeg)}° measured</span> : null}
            </p>
          </div>
        ) : null}
        <div className="space-y-4">
          {may.lashDepth && plan.wish.lashDepth !== null ? (
            <DepthChoice
              label={`Lashes came out (wished ${plan.wish.lashDepth})`}
              value={lashDepth}
              onChange={(depth) => judge({ lashDepth: depth })}
            />
          ) : null}
          {may.browDepth && plan.wish.browDepth !== null ? (
            <DepthChoice
              label={`Brows came out (wished ${plan.wish.browDepth})`}
              value={browDepth}
              onChange={(depth) => judge({ browDepth: depth })}
            />
          ) : null}
          <Choice
            label="Even"
            value={even === null ? "" : even ? "yes" : "no"}
            options={[
              { value: "yes", label: "even" },
              { value: "no", label: "uneven" },
            ]}
            onChange={(value) => judge({ even: value === "yes" })}
          />
          <Choice
            label="Comfort"
            value={comfort ?? ""}
            options={[
              { value: "well", label: "felt nothing" },
              { value: "tickled", label: "tickled" },
              { value: "stung", label: "stung" },
            ]}
            onChange={(value) => judge({ comfort: value as Judged["comfort"] })}
          />
          {open ? <p className="text-[0.9375rem] text-ink-2">What is left empty is left open: only what you say is learned from.</p> : null}
          <Button
            size="bed"
            disabled={!mayFinish}
            onClick={() => {
              onJudged(judgement);
              void drop();
            }}
          >
            Keep and finish
          </Button>
          {mayFinish ? null : <p className="text-[0.9375rem] text-ink-2">First write the incident down, or put it off in your name.</p>}
        </div>
      </div>
      {photo && sheet ? (
        <sheet.ProfilePhoto
          onClose={() => setPhoto(false)}
          onMeasured={(seenDeg) => {
            judge({ turn: { seenDeg, by: "photo" } });
            setPhoto(false);
          }}
        />
      ) : null}
    </section>
  );
}
