"use client";
import { useCallback, useMemo } from "react";
import { SIDES, sideLabel, type Survey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import {
  compareMaps,
  fibreCurl,
  heaviestOf,
  LASH_BAND_MM,
  mapDarkness,
  mapFacts,
  mapFindings,
  mapTotals,
  type LashMap,
  type MapFacts,
} from "@/core/map";
import { layPlate } from "@/features/drawing/plate";
import { WornEye } from "@/features/drawing/WornEye";
import { Button, Dialog, useWidth } from "@/ui";
import type { MapStudio } from "./useMapStudio";

const percent = (share: number) => `${Math.round(share * 100)} %`;
const hours = (seconds: number) => `${Math.floor(seconds / 3600)} h ${Math.round((seconds % 3600) / 60)} min`;

/** Two maps side by side on the same eyes: how they look, how dense and dark, what they take, what changed. */
export function CompareMaps({
  studio,
  other,
  onTake,
  onClose,
}: {
  studio: MapStudio;
  other: { readonly title: string; readonly map: LashMap };
  onTake: () => void;
  onClose: () => void;
}) {
  const { page, map } = studio;
  const context = useMemo(() => ({ survey: page.survey.document, policy: page.policy, trays: page.trays }), [page]);
  const pair = [
    { title: "On the bench", facts: useMemo(() => mapFacts(map, context), [map, context]) },
    { title: other.title, facts: useMemo(() => mapFacts(other.map, context), [other.map, context]) },
  ];
  const differences = compareMaps(other.map, map);
  const rows: readonly (readonly [string, (facts: MapFacts) => string])[] = [
    ...SIDES.map(
      (side) => [`${sideLabel(side)}, lashes covered`, (facts: MapFacts) => percent(mapDarkness(facts)[side].coverage)] as const,
    ),
    ...SIDES.map((side) => [`${sideLabel(side)}, darkness`, (facts: MapFacts) => percent(mapDarkness(facts)[side].darkness)] as const),
    [
      "heaviest, day 0 and 21",
      (facts) => ((worst) => (worst ? `${worst.resting.toFixed(2)} × and ${worst.growing.toFixed(2)} ×` : "–"))(heaviestOf(facts)),
    ],
    ["to settle", (facts) => String(mapFindings(facts).filter(({ severity }) => severity !== "note").length)],
    ["fibres", (facts) => String(mapTotals(facts, page.pace).fibres)],
    ["placing", (facts) => hours(mapTotals(facts, page.pace).seconds)],
  ];
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Two maps on the same eyes" wide>
      <div className="grid gap-6 sm:grid-cols-2">
        {pair.map(({ title, facts }, i) => (
          <div key={i} className="min-w-0">
            <h3 className="text-lg break-words">{title}</h3>
            <p className="text-sm break-words text-ink-2">{facts.map.title}</p>
            <BothEyes map={facts.map} survey={context.survey} facts={facts} />
          </div>
        ))}
      </div>
      <table className="mt-4 w-full text-[0.9375rem]">
        <thead className="sr-only">
          <tr>
            <th>What</th>
            <th>{pair[0]!.title}</th>
            <th>{pair[1]!.title}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, show]) => (
            <tr key={label} className="border-t border-line">
              <th className="py-1.5 text-left font-normal text-ink-2 first-letter:uppercase">{label}</th>
              {pair.map(({ facts }, i) => (
                <td key={i} className="font-semibold">
                  {show(facts)}
                </td>
              ))}
            </tr>
          ))}
          {differences.map(({ what, before, after }) => (
            <tr key={what} className="border-t border-line">
              <th className="py-1.5 text-left font-normal text-ink-2 first-letter:uppercase">{what}</th>
              <td>{after}</td>
              <td>{before}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-3 text-sm text-ink-2">
        {differences.length === 0 ? "Both are the same map. " : ""}Darkness: the share of a band {LASH_BAND_MM} mm over the lid that fibre
        covers, seen from the front; a model of ours, for comparing.
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button tone="line" disabled={differences.length === 0} onClick={onTake}>
          Take {other.title} onto the bench
        </Button>
        <Button tone="plain" onClick={onClose}>
          Keep what is there
        </Button>
      </div>
    </Dialog>
  );
}

/** Both eyes of a map, facing, as wide as there is room. */
export function BothEyes({ map, survey, facts }: { map: LashMap; survey: Survey; facts: Pick<MapFacts, "trays" | "policy"> }) {
  const [ref, width] = useWidth<HTMLDivElement>(430);
  const plate = useMemo(() => layPlate(survey, "facing", width, null), [survey, width]);
  const { trays, policy } = facts;
  const curlOf = useCallback((fibre: Fibre) => fibreCurl(fibre, trays, policy), [trays, policy]);
  return (
    <div ref={ref}>
      <svg width={width} height={plate.eyeBottom} role="img" aria-label={`${map.title}, both eyes facing the client`}>
        {plate.eyes.map((place) => (
          <WornEye
            key={place.side}
            map={map}
            survey={survey}
            eye={survey.eyes[place.side]}
            place={place}
            pxPerMm={plate.pxPerMm}
            curlOf={curlOf}
          />
        ))}
      </svg>
    </div>
  );
}
