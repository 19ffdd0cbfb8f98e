"use client";
import { useState } from "react";
import { sideLabel, SIDES, type Side } from "@/core/eye";
import { cycleOf } from "@/core/growth";
import { BARE_BELOW_SD_DAYS, isLearnedFrom, lossRatio, lossSplit, ratioWords, type FillFacts } from "@/core/retention";
import type { Policy } from "@/core/policy";
import { counted, formatPercent } from "@/core/units";
import type { LastedSet } from "@/features/visit/lastedSets";
import { Button } from "@/ui";
import { LossPicture } from "./LossPicture";

/** A set that was counted, with the day it was placed in words. */
export type LastedOnDay = LastedSet & { readonly placedOn: string };

/** How a client's sets lasted: one in a picture, nature's part and the work's, where they went, and the others to choose from. */
export function ClientLasting({ sets, policy }: { sets: readonly LastedOnDay[]; policy: Policy }) {
  const [chosen, setChosen] = useState(sets.length - 1);
  const set = sets[Math.min(chosen, sets.length - 1)]!;
  const { facts } = set;
  return (
    <section className="mt-8" aria-labelledby="lasted">
      <h2 id="lasted" className="text-2xl">
        How they lasted{" "}
        <span className="font-sans text-base text-ink-2">
          the set of {set.placedOn}, {counted(Math.round(facts.days), "day")}, {facts.left} of {facts.worn} left
        </span>
      </h2>
      <Told facts={facts} policy={policy} />
      <div className="mt-3 grid gap-x-10 gap-y-4 sm:grid-cols-2">
        {SIDES.map((side) => (
          <ZoneBars key={side} side={side} zones={set.zones.filter((zone) => zone.side === side)} />
        ))}
      </div>
      <p className="mt-2 text-[0.9375rem]">{sidesWords(sets)}</p>
      {sets.length > 1 ? (
        <div role="group" aria-label="Which set" className="mt-3 flex flex-wrap gap-1.5">
          {sets.map(({ placedOn, facts: { visitId, left, worn } }, i) => (
            <Button
              key={visitId}
              tone={i === chosen ? "ivy" : "line"}
              aria-pressed={i === chosen}
              className="min-h-10 px-3 text-[0.9375rem]"
              onClick={() => setChosen(i)}
            >
              {placedOn} <span className="ml-1.5 font-normal tabular-nums">{worn >= left ? formatPercent(left / worn) : "–"}</span>
            </Button>
          ))}
        </div>
      ) : null}
    </section>
  );
}

function Told({ facts, policy }: { facts: FillFacts; policy: Policy }) {
  if (facts.left > facts.worn)
    return (
      <p className="mt-2">
        More are left than had been on by the record: nothing is told of it. Look whether lashes placed then were all tapped.
      </p>
    );
  if (!isLearnedFrom(facts)) return <p className="mt-2">Counted too early, or too late, to tell nature’s part from the work’s.</p>;
  const bareBelow = { mean: facts.bareBelowDays, sd: facts.bareBelowDays > 0 ? BARE_BELOW_SD_DAYS : 0 };
  const cycle = cycleOf(policy);
  const split = lossSplit(facts, facts.days, bareBelow, cycle);
  const { natural, lostByWork, isTold } = split;
  const percent = (share: number) => formatPercent(Math.max(0, share));
  return (
    <>
      <LossPicture split={split} days={facts.days} bareBelow={bareBelow} cycle={cycle} />
      <p className="text-[0.9375rem]">
        Nature took {percent(1 - natural.mid)} ({percent(1 - natural.high)} to {percent(1 - natural.low)}) of what was worn.{" "}
        {isTold
          ? `The work lost ${percent(lostByWork.mid)} (${percent(lostByWork.low)} to ${percent(lostByWork.high)}): bonds that let go.`
          : "No bond loss that can be told from nature."}{" "}
        <span className="text-ink-2">
          The count&rsquo;s interval is Jeffreys&rsquo;; a lash is taken to live {policy.cycleDays} days, give or take {policy.cycleSdDays}.
        </span>
      </p>
    </>
  );
}

/** Zone by zone what is left, as the eye lies in the mirror: the outer corner outside. */
function ZoneBars({ side, zones }: { side: Side; zones: LastedSet["zones"] }) {
  const byZone = new Map<number, { left: number; worn: number }>();
  for (const { zone, left, worn } of zones) {
    const known = byZone.get(zone) ?? { left: 0, worn: 0 };
    byZone.set(zone, { left: known.left + left, worn: known.worn + worn });
  }
  const all = [...byZone.entries()].sort(([a], [b]) => (side === "right" ? b - a : a - b));
  if (all.length === 0) return <p className="text-[0.9375rem] text-ink-2">{sideLabel(side)}: not counted.</p>;
  return (
    <figure>
      <figcaption className="text-[0.9375rem] text-ink-2 first-letter:uppercase">
        {sideLabel(side)}, zones from the {side === "right" ? "outer" : "inner"} corner
      </figcaption>
      <ol className="mt-1 flex gap-1">
        {all.map(([zone, { left, worn }]) => (
          <li key={zone} className="min-w-0 flex-1 text-center text-sm tabular-nums">
            <span className="relative block h-20 border border-line bg-leaf" aria-hidden="true">
              <span
                className="absolute inset-x-0 bottom-0 bg-moss"
                style={{ height: `${worn > 0 ? Math.min(100, (100 * left) / worn) : 0}%` }}
              />
            </span>
            <span className="sr-only">
              zone {zone}: {left} of {worn} left
            </span>
            <span aria-hidden="true">{left}</span>
          </li>
        ))}
      </ol>
    </figure>
  );
}

/** One side beside the other over this client's fills, in words. */
function sidesWords(sets: readonly LastedSet[]): string {
  const ratio = lossRatio(
    sets
      .map(({ places: { right, left } }) => ({ one: right, other: left }))
      .filter(({ one, other }) => one.left <= one.worn && other.left <= other.worn),
  );
  if (!ratio) return "After a second fill one side is compared with the other.";
  const isRight = ratio.ratio >= 1;
  const [times, low, high] = isRight ? [ratio.ratio, ratio.low, ratio.high] : [1 / ratio.ratio, 1 / ratio.high, 1 / ratio.low];
  if (low <= 1) return `Both sides lose alike, as far as ${counted(ratio.fills, "fill")} tell.`;
  const side: Side = isRight ? "right" : "left";
  const slept = sets.findLast(({ facts }) => facts.sleepsOn !== null)?.facts.sleepsOn ?? null;
  const why = slept === side ? " The side slept on." : slept === null ? " Ask which side they sleep on." : "";
  return `The ${sideLabel(side)} lost ${ratioWords(times)} times as many as the other (${ratioWords(low)} to ${ratioWords(high)}) over ${counted(ratio.fills, "fill")}.${why}`;
}
