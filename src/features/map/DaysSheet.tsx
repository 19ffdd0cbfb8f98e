"use client";
import { useDeferredValue, useEffect, useMemo, useState } from "react";
import { CURL_IDS, type CurlId } from "@/core/curl";
import { SIDES, sideLabel } from "@/core/eye";
import type { Hazard } from "@/core/growth";
import { FIBRE_DIAMETERS_MM } from "@/core/lash";
import {
  compareMaps,
  gatherFindings,
  inOtherFibres,
  mapFacts,
  mapFindings,
  stockedKinds,
  type LashMap,
  type MapFacts,
  type OtherFibres,
} from "@/core/map";
import { lookAhead, nextFillWords, type HazardFrom, type LookedAhead } from "@/core/retention";
import { counted, formatPercent } from "@/core/units";
import { howTheyLast } from "@/features/lasting/actions";
import { SetOnDay } from "@/features/lasting/SetOnDay";
import { Button, Choice, Notice, SelectField } from "@/ui";
import { answered } from "@/ui/answered";
import type { MapStudio } from "./useMapStudio";

const DAYS = ["0", "7", "14", "21", "28", "35"] as const;
const NOTHING_ELSE: OtherFibres = { curl: null, diameterMm: null, longerMm: 0 };
const LONGER = [-2, -1, 0, 1, 2] as const;
const longerWords = (mm: number) => (mm === 0 ? "as planned" : `${Math.abs(mm)} mm ${mm > 0 ? "longer" : "shorter"}`);

/** `otherWords({ curl: "D", diameterMm: null, longerMm: 1 })` → "D, 1 mm longer" */
const otherWords = ({ curl, diameterMm, longerMm }: OtherFibres) =>
  [curl ?? "", diameterMm?.toFixed(2) ?? "", longerMm === 0 ? "" : longerWords(longerMm)].filter(Boolean).join(", ");

type Known = { readonly hazard: Hazard; readonly from: HazardFrom };

/** How the map looks and weighs on a later day, and how it would in another curl, diameter or length. */
export function DaysSheet({ studio }: { studio: MapStudio }) {
  const { page, facts, map } = studio;
  const [known, setKnown] = useState<Known | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [day, setDay] = useState<(typeof DAYS)[number]>("21");
  const [wish, setWish] = useState(NOTHING_ELSE);
  useEffect(() => {
    void answered(howTheyLast({ clientId: page.clientId })).then((result) =>
      result.ok ? setKnown(result.data) : setProblem(result.message),
    );
  }, [page.clientId]);
  const asked = useDeferredValue(wish);
  const other = useMemo(() => {
    const changed = inOtherFibres(map, asked);
    return compareMaps(map, changed).length === 0
      ? null
      : mapFacts(changed, { survey: facts.survey, policy: facts.policy, trays: facts.trays });
  }, [map, asked, facts.survey, facts.policy, facts.trays]);
  const kinds = stockedKinds(facts.trays);
  const { curl, diameterMm } = map.fibre;
  const stocked = (has: boolean) => (has ? "" : ", not in stock");
  if (problem) return <Notice tone="look" title={problem} />;
  return (
    <div>
      <div className="grid gap-x-6 gap-y-3 sm:grid-cols-3">
        <SelectField
          label="In another curl"
          value={wish.curl ?? curl}
          onChange={(event) => setWish({ ...wish, curl: event.target.value === curl ? null : (event.target.value as CurlId) })}
        >
          {CURL_IDS.map((id) => (
            <option key={id} value={id}>
              {id === curl ? `${id}, as planned` : `${id}${stocked(kinds.some((kind) => kind.curl === id))}`}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="In another diameter"
          value={wish.diameterMm ?? diameterMm}
          onChange={(event) => {
            const mm = Number(event.target.value);
            setWish({ ...wish, diameterMm: mm === diameterMm ? null : mm });
          }}
        >
          {[...new Set([...FIBRE_DIAMETERS_MM, diameterMm])]
            .sort((a, b) => a - b)
            .map((mm) => (
              <option key={mm} value={mm}>
                {mm === diameterMm
                  ? `${mm.toFixed(2)}, as planned`
                  : `${mm.toFixed(2)}${stocked(kinds.some((kind) => kind.diameterMm === mm))}`}
              </option>
            ))}
        </SelectField>
        <SelectField
          label="Longer or shorter"
          value={wish.longerMm}
          onChange={(event) => setWish({ ...wish, longerMm: Number(event.target.value) })}
        >
          {LONGER.map((mm) => (
            <option key={mm} value={mm}>
              {longerWords(mm)}
            </option>
          ))}
        </SelectField>
      </div>
      <Choice
        label="Day"
        value={day}
        options={DAYS.map((value) => ({ value, label: value === "0" ? "placed" : value }))}
        onChange={setDay}
        className="mt-3"
      />
      {known ? (
        <BesideEachOther
          studio={studio}
          known={known}
          other={other && { facts: other, words: otherWords(asked) }}
          day={Number(day)}
          onTake={(taken) => {
            studio.apply(taken);
            setWish(NOTHING_ELSE);
          }}
        />
      ) : (
        <p className="mt-3 min-h-72 text-ink-2">Looking up how sets last on this client…</p>
      )}
    </div>
  );
}

const ROWS: readonly (readonly [string, (ahead: LookedAhead) => string])[] = [
  ["extensions on", ({ on, lashes }) => `${Math.round(on)} of ${lashes} (${formatPercent(on / Math.max(1, lashes))})`],
  ...SIDES.map(
    (side) =>
      [
        `${sideLabel(side)}, darkness`,
        ({ darkness }: LookedAhead) => `${formatPercent(darkness[side].then)} (placed ${formatPercent(darkness[side].placed)})`,
      ] as const,
  ),
  ["outgrown", ({ outgrown }) => String(Math.round(outgrown))],
  ["over the load", ({ overLoad }) => String(Math.round(overLoad))],
  [
    "heaviest, placed and on a growing lash by day 21",
    ({ heaviest }) => (heaviest ? `${heaviest.resting.toFixed(2)} × and ${heaviest.growing.toFixed(2)} ×` : "–"),
  ],
  ["lies along the lash", ({ contactMm }) => (contactMm === null ? "–" : `${contactMm.toFixed(1)} mm`)],
  ["best day to come back", ({ next }) => `day ${next.day}`],
];

function BesideEachOther({
  studio,
  known,
  other,
  day,
  onTake,
}: {
  studio: MapStudio;
  known: Known;
  other: { readonly facts: MapFacts; readonly words: string } | null;
  day: number;
  onTake: (map: LashMap) => void;
}) {
  const { facts, page } = studio;
  const [hand] = useState(() => (_side: unknown, isFan: boolean) => (isFan ? page.pace.secondsPerFan : page.pace.secondsPerSingle));
  const isKnown = known.from.of !== "usual";
  const pair = useMemo(
    () =>
      [{ facts, words: "As planned" }, ...(other ? [other] : [])].map(({ facts: of, words }) => ({
        of,
        words,
        ahead: lookAhead(of, { hazard: known.hazard, isKnown }, day, hand),
      })),
    [facts, other, known, isKnown, day, hand],
  );
  const toSettle = other ? gatherFindings(mapFindings(other.facts)).filter(({ severity }) => severity !== "note").length : 0;
  return (
    <>
      <div className="mt-3 grid gap-6 sm:grid-cols-2">
        {pair.map(({ of, words }) => (
          <figure key={words} className="min-w-0">
            <figcaption className="font-serif text-lg">{words}</figcaption>
            <SetOnDay of={of} hazardPerDay={known.hazard.mid} day={day} label={`${words}, on day ${day}, both eyes in the mirror`} />
          </figure>
        ))}
        {other ? null : <p className="self-center text-ink-2">Choose another curl, diameter or length to see it beside.</p>}
      </div>
      <table className="mt-2 w-full text-[0.9375rem]">
        <thead className="sr-only">
          <tr>
            <th>On day {day}</th>
            {pair.map(({ words }) => (
              <th key={words}>{words}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([label, show]) => (
            <tr key={label} className="border-t border-line">
              <th className="py-1.5 pr-4 text-left font-normal text-ink-2 first-letter:uppercase">{label}</th>
              {pair.map(({ ahead }, i) => (
                <td key={i} className="w-[34%] font-semibold">
                  {show(ahead)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {other ? (
        <div className="mt-3 flex flex-wrap items-center gap-x-4">
          <Button tone="line" onClick={() => onTake(other.facts.map)}>
            Take {other.words}
          </Button>
          {toSettle > 0 ? <span className="text-[0.9375rem]">{counted(toSettle, "finding")} to settle then.</span> : null}
        </div>
      ) : null}
      <div className="mt-3 space-y-1 text-sm text-ink-2">
        {pair.map(({ words, ahead }) => (
          <p key={words}>
            {words}: {nextFillWords(ahead.next, known.from, facts.policy)}
          </p>
        ))}
        <p>
          Drawn, not counted: {formatPercent(known.hazard.mid, 1)} of bonds lost a day {FROM[known.from.of]}, the same for both; which fibre
          holds better, the studio’s fills tell under Retention.
        </p>
      </div>
    </>
  );
}

const FROM: Readonly<Record<HazardFrom["of"], string>> = {
  client: "by this client’s own fills",
  studio: "by the studio’s fills",
  usual: "as is usual, nothing being known yet",
};
