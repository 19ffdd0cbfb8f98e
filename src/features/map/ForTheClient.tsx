"use client";
import { useEffect, useMemo, useState } from "react";
import { changeWish, LOOK_IDS, LOOKS, planMap, wishOf, type LashMap } from "@/core/map";
import { EyesOver } from "@/features/drawing/EyesOver";
import { Dialog, SelectField } from "@/ui";
import type { MapStudio } from "./useMapStudio";

const OWN = "own";
const THIS = "this";

type Shown = { readonly key: string; readonly title: string; readonly map: LashMap | null };

/** The whole screen for the client: her own lashes, this map, the same fibres in another look, one over the other by a slider. */
export function ForTheClient({ studio, onClose }: { studio: MapStudio; onClose: () => void }) {
  const { map, page, facts } = studio;
  const others = useOtherLooks(studio);
  const shown: readonly Shown[] = [{ key: OWN, title: "own lashes", map: null }, { key: THIS, title: "this map", map }, ...others];
  const [before, setBefore] = useState(OWN);
  const [after, setAfter] = useState(THIS);
  const of = (key: string) => {
    const one = shown.find((choice) => choice.key === key) ?? shown[1]!;
    return { survey: page.survey.document, map: one.map, trays: facts.trays, policy: facts.policy, title: one.title };
  };
  const field = (label: string, value: string, onChange: (key: string) => void) => (
    <div className="w-48">
      <SelectField label={label} value={value} onChange={(event) => onChange(event.target.value)}>
        {shown.map(({ key, title }) => (
          <option key={key} value={key}>
            {title}
          </option>
        ))}
      </SelectField>
    </div>
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="How it will look" full>
      <div className="mx-auto max-w-6xl">
        <EyesOver first={of(before)} second={of(after)} guess={1150} />
        <div className="mt-4 flex flex-wrap justify-between gap-4">
          {field("Left of the line", before, setBefore)}
          {field("Right of the line", after, setAfter)}
        </div>
        <p className="mt-4 text-[0.9375rem] text-ink-2">
          Drawn from the survey and the map: a guide, not a promise. Lashes shed and grow, and every eye is its own.
        </p>
      </div>
    </Dialog>
  );
}

/** The same fibres planned in every other look, one after the other, so that the sheet is there at once. */
function useOtherLooks({ map, page, facts }: MapStudio): readonly Shown[] {
  const [planned, setPlanned] = useState<readonly Shown[]>([]);
  const wanted = useMemo(() => LOOK_IDS.filter((look) => look !== map.look || map.bend), [map.look, map.bend]);
  const { survey, policy, trays } = { survey: page.survey.document, policy: page.policy, trays: facts.trays };
  useEffect(() => {
    let going = true;
    const next = (i: number) => {
      const look = wanted[i];
      if (!going || !look) return;
      const wish = changeWish(wishOf(map), { look, bend: undefined }, policy);
      const result = planMap(survey, wish, policy, trays);
      if (result) setPlanned((before) => [...before, { key: look, title: LOOKS[look].label, map: result.map }]);
      setTimeout(() => next(i + 1), 0);
    };
    const first = setTimeout(() => {
      setPlanned([]);
      next(0);
    }, 0);
    return () => {
      going = false;
      clearTimeout(first);
    };
  }, [wanted, map, survey, policy, trays]);
  return planned;
}
