"use client";
import { useEffect, useState } from "react";
import { liftAtLandmarks, limitCostWords, lookAdvice, mapPolicy, type LimitCost, type MapLimits, wishOf } from "@/core/map";
import { formatMm } from "@/core/units";
import { SelectField } from "@/ui";
import { LANDMARK_WORDS } from "./Landmark";
import type { MapStudio } from "./useMapStudio";

const LIMITS: readonly {
  readonly key: keyof MapLimits;
  readonly label: string;
  readonly values: readonly (number | string)[];
  readonly show: (value: number | string) => string;
}[] = [
  { key: "overLengthMm", label: "Over-length", values: [1, 1.5, 2, 2.5, 3, 3.5, 4], show: (v) => `${formatMm(Number(v))} mm` },
  { key: "corners", label: "Corners", values: ["match", "graded"], show: (v) => (v === "match" ? "matched" : "graded up") },
  { key: "stepMm", label: "Step", values: [1, 2, 3, 4], show: (v) => `${v} mm` },
  { key: "outerDropMm", label: "Outer drop", values: [0, 1, 2, 3], show: (v) => (v === 0 ? "none" : `${v} mm`) },
  { key: "loadRed", label: "Load stop", values: [1.2, 1.4, 1.6, 1.8, 2, 2.4], show: (v) => `${Number(v).toFixed(2)} ×` },
  { key: "attachmentOffsetMm", label: "Gap at the lid", values: [0.5, 1, 1.5, 2], show: (v) => `${formatMm(Number(v))} mm` },
];

/** The limits this map is planned inside, what each cost the look, what the eyes speak for, and how level both are seen. */
export function LimitsSheet({ studio }: { studio: MapStudio }) {
  const { map, page, plan, planner, facts, longestMm } = studio;
  const [costs, setCosts] = useState<readonly LimitCost[] | "unanswered" | null>(null);
  useEffect(() => {
    let isCurrent = true;
    void planner.costs(wishOf(map)).then(
      (answer) => isCurrent && setCosts(answer),
      () => isCurrent && setCosts("unanswered"),
    );
    return () => {
      isCurrent = false;
    };
  }, [map, planner]);
  const studioPolicy = page.policy;
  const ofMap = mapPolicy(studioPolicy, map);
  const advice = lookAdvice(page.survey.document, map);
  const hungFrom = longestMm
    ? Math.min(longestMm.right, longestMm.left)
    : Math.max(...facts.zones.right.map(({ fibre }) => fibre?.lengthMm ?? 0));
  const level = liftAtLandmarks(facts);
  const set = (key: keyof MapLimits, value: number | string) => {
    const { [key]: _old, ...rest } = map.limits ?? {};
    const limits = value === studioPolicy[key] ? rest : { ...rest, [key]: value };
    void plan({ limits: Object.keys(limits).length ? (limits as MapLimits) : undefined });
  };
  return (
    <div className="grid gap-x-10 gap-y-5 md:grid-cols-2">
      <section aria-label="Limits of this map">
        <h3 className="text-lg">Limits of this map</h3>
        <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
          {LIMITS.map(({ key, label, values, show }) => {
            const value = ofMap[key];
            const choices = values.includes(value) ? values : [value, ...values];
            return (
              <SelectField
                key={key}
                label={label}
                value={String(value)}
                hint={value === studioPolicy[key] ? undefined : `studio ${show(studioPolicy[key])}`}
                onChange={(event) =>
                  set(
                    key,
                    choices.find((choice) => String(choice) === event.target.value)!,
                  )
                }
              >
                {choices.map((choice) => (
                  <option key={choice} value={String(choice)}>
                    {show(choice)}
                  </option>
                ))}
              </SelectField>
            );
          })}
        </div>
        <h3 className="mt-5 text-lg">What they cost</h3>
        {costs === null ? (
          <p className="text-[0.9375rem] text-ink-2">Reckoning…</p>
        ) : costs === "unanswered" ? (
          <p className="text-[0.9375rem] text-ink-2">
            This could not be reckoned: no connection. Change a limit or come back to ask again.
          </p>
        ) : costs.length === 0 ? (
          <p className="text-[0.9375rem] text-ink-2">Nothing: the look comes out as it would without them.</p>
        ) : (
          <ul className="mt-1 space-y-1 text-[0.9375rem]">
            {costs.map((cost) => (
              <li key={cost.limit}>{limitCostWords(cost, hungFrom)}</li>
            ))}
          </ul>
        )}
        <p className="mt-1 text-sm text-ink-2">In mm² of distance from the look over both eyes, each limit left out by itself.</p>
      </section>
      <section aria-label="What the eyes speak for">
        <h3 className="text-lg">What the eyes speak for</h3>
        {advice.length === 0 ? (
          <p className="text-[0.9375rem] text-ink-2">Nothing in the survey speaks against any look.</p>
        ) : (
          <ul className="mt-1 space-y-2 text-[0.9375rem]">
            {advice.map(({ about, says, reason, heeded }) => (
              <li key={about + says}>
                <span aria-hidden="true">{heeded ? "● " : "○ "}</span>
                <b className="first-letter:uppercase">{about}:</b> {says}. <span className="text-ink-2">{reason}</span>
                <span className="text-sm text-ink-2">{heeded ? " This map does." : ""}</span>
              </li>
            ))}
          </ul>
        )}
        <h3 className="mt-5 text-lg">Seen lift, both eyes</h3>
        <table className="mt-1 w-full text-[0.9375rem]">
          <thead className="text-left text-sm text-ink-2">
            <tr>
              <th className="font-normal">at</th>
              <th className="font-normal">right</th>
              <th className="font-normal">left</th>
              <th className="font-normal">apart</th>
            </tr>
          </thead>
          <tbody>
            {level.map(({ landmark, right, left }) => (
              <tr key={landmark} className="border-t border-line">
                <td className="py-1 text-ink-2">{LANDMARK_WORDS[landmark]}</td>
                <td>{right === null ? "bare" : right.toFixed(1)}</td>
                <td>{left === null ? "bare" : left.toFixed(1)}</td>
                <td className="font-semibold">{right === null || left === null ? "–" : `${Math.abs(right - left).toFixed(1)} mm`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}
