"use client";
import { useMemo, useState } from "react";
import { naturalZone, SIDES, sideLabel, type Survey } from "@/core/eye";
import {
  compareMaps,
  fibreAt,
  fibreCurl,
  heaviestOf,
  kindLabel,
  landmarksOf,
  LASH_BAND_MM,
  gatherFindings,
  darknessWords,
  mapDarkness,
  mapFacts,
  mapFindings,
  mapTotals,
  type LashMap,
  type MapFacts,
} from "@/core/map";
import { formatHours } from "@/core/units";
import { Profile } from "@/features/drawing/Profile";
import { EyesOver } from "@/features/drawing/EyesOver";
import { EyesPicture } from "@/features/drawing/EyesPicture";
import { Button, Choice, Dialog, SelectField } from "@/ui";
import type { MapStudio } from "./useMapStudio";

export type Titled = { readonly key: string; readonly title: string; readonly map: LashMap };
const AS_IT_STANDS = "As it stands now";

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Two maps side by side on the same eyes: how they look, how dense and dark, what they take, what changed. */
export function CompareMaps({
  studio,
  first,
  other,
  choices,
  onFirst,
  onTake,
  onClose,
}: {
  studio: MapStudio;
  /** What stands on the left; null is the map as it stands. */
  first: Titled | null;
  other: Titled;
  /** What else may stand on the left, by key. */
  choices: readonly { readonly key: string; readonly title: string }[];
  onFirst: (key: string | null) => void;
  onTake: () => void;
  onClose: () => void;
}) {
  const { page } = studio;
  const [laid, setLaid] = useState<"beside" | "over">("beside");
  const map = first?.map ?? studio.map;
  const context = useMemo(() => ({ survey: page.survey.document, policy: page.policy, trays: page.trays }), [page]);
  const pair = [
    { title: first?.title ?? AS_IT_STANDS, facts: useMemo(() => mapFacts(map, context), [map, context]) },
    { title: other.title, facts: useMemo(() => mapFacts(other.map, context), [other.map, context]) },
  ];
  const differences = compareMaps(other.map, map);
  const rows: readonly (readonly [string, (facts: MapFacts) => string])[] = [
    ...SIDES.map(
      (side) => [`${sideLabel(side)}, lashes covered`, (facts: MapFacts) => percent(mapDarkness(facts)[side].coverage)] as const,
    ),
    ...SIDES.map(
      (side) =>
        [`${sideLabel(side)}, darkness`, (facts: MapFacts) => darknessWords(mapDarkness(facts)[side].darkness, facts.map.fibre)] as const,
    ),
    [
      "heaviest, day 0 and 21",
      (facts) => ((worst) => (worst ? `${worst.resting.toFixed(2)} × and ${worst.growing.toFixed(2)} ×` : "–"))(heaviestOf(facts)),
    ],
    ["to settle", (facts) => String(gatherFindings(mapFindings(facts)).filter(({ severity }) => severity !== "note").length)],
    ["fibres", (facts) => String(mapTotals(facts, page.pace).fibres)],
    ["placing", (facts) => formatHours(mapTotals(facts, page.pace).seconds)],
  ];
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Two maps on the same eyes" wide>
      <Choice
        label="Drawn"
        value={laid}
        options={[
          { value: "beside", label: "side by side" },
          { value: "over", label: "one over the other" },
        ]}
        onChange={setLaid}
        className="mb-3"
      />
      <div className="grid gap-6 sm:grid-cols-2">
        {pair.map(({ title, facts }, i) => (
          <div key={i} className="min-w-0">
            <div className="min-h-[4.25rem]">
              {i === 0 && choices.length ? (
                <SelectField
                  label="The first map"
                  value={first?.key ?? ""}
                  onChange={(event) => onFirst(event.target.value || null)}
                  className="font-serif text-lg"
                >
                  <option value="">{AS_IT_STANDS}</option>
                  {choices.map((choice) => (
                    <option key={choice.key} value={choice.key}>
                      {choice.title}
                    </option>
                  ))}
                </SelectField>
              ) : (
                <h3 className="text-lg break-words">{title}</h3>
              )}
            </div>
            <p className="text-sm break-words text-ink-2">{facts.map.title}</p>
            {laid === "beside" ? (
              <EyesPicture
                of={{ survey: context.survey, map: facts.map, trays: facts.trays, policy: facts.policy }}
                label={`${facts.map.title}, both eyes in the mirror`}
              />
            ) : null}
          </div>
        ))}
      </div>
      {laid === "over" ? (
        <EyesOver
          first={{
            survey: context.survey,
            map: pair[0]!.facts.map,
            trays: pair[0]!.facts.trays,
            policy: pair[0]!.facts.policy,
            title: pair[0]!.title,
          }}
          second={{
            survey: context.survey,
            map: pair[1]!.facts.map,
            trays: pair[1]!.facts.trays,
            policy: pair[1]!.facts.policy,
            title: pair[1]!.title,
          }}
        />
      ) : null}
      <FromTheSide pair={pair} survey={context.survey} />
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
        <Button tone="line" disabled={(first ? compareMaps(other.map, studio.map) : differences).length === 0} onClick={onTake}>
          Take {other.title} in its place
        </Button>
        <Button tone="plain" onClick={onClose}>
          Keep what is there
        </Button>
      </div>
    </Dialog>
  );
}

const SIDEWAYS = ["pupil", "browPeak"] as const;
const SIDEWAYS_WORDS = { pupil: "over the pupil", browPeak: "under the brow peak" } as const;
/** So far to either side of a landmark its lashes are looked at, as a fraction of the lash line. */
const ABOUT = 0.03;
const INKS = ["var(--ivy)", "var(--brass)"] as const;

/** What both maps wear over the pupil and under the brow peak of the client's right eye, from the side, on the same lash. */
function FromTheSide({ pair, survey }: { pair: readonly { readonly title: string; readonly facts: MapFacts }[]; survey: Survey }) {
  const marks = landmarksOf(pair[0]!.facts.map, survey, "right");
  return (
    <div className="mt-2 grid gap-6 sm:grid-cols-2">
      {SIDEWAYS.map((mark) => (
        <figure key={mark} className="min-w-0">
          <Profile
            label={`Both maps from the side, ${SIDEWAYS_WORDS[mark]}`}
            natural={naturalZone(survey.eyes.right, Math.max(0, marks[mark] - ABOUT), Math.min(1, marks[mark] + ABOUT))}
            offsetMm={pair[0]!.facts.policy.attachmentOffsetMm}
            width={340}
            fibres={pair.flatMap(({ facts }, i) => {
              const fibre = fibreAt(facts.map, "right", marks[mark]);
              const curl = fibre && fibreCurl(fibre, facts.trays, facts.policy);
              const label = fibre ? `${fibre.lengthMm} ${kindLabel(fibre)}` : "";
              return fibre && curl ? [{ key: String(i), label, curl, lengthMm: fibre.lengthMm, ink: INKS[i]!, dashed: i === 1 }] : [];
            })}
          />
          <figcaption className="text-sm text-ink-2">
            From the side {SIDEWAYS_WORDS[mark]}, client&rsquo;s right; dashed is {pair[1]!.title}.
          </figcaption>
        </figure>
      ))}
    </div>
  );
}
