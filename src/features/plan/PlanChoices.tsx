"use client";
import { SERVICES } from "@/core/service";
import { AREAS, AREA_LABELS, DENSITIES, partOf } from "@/core/eye";
import { LIFT_WISHES } from "@/core/lift";
import { Choice, SelectField } from "@/ui";
import type { ColourProps } from "./colourProps";
import { DepthChoice } from "./DepthChoice";
import { keyOf, type PlanDraft } from "@/core/processing";

/** What is chosen for a run: protocol, areas, hair, the wish. */
export function PlanChoices({
  visit,
  offered,
  draft,
  onChange,
}: {
  visit: ColourProps;
  offered: ColourProps["protocols"][number];
  draft: PlanDraft;
  onChange: (part: Partial<PlanDraft>) => void;
}) {
  const parts: readonly string[] = SERVICES[visit.kind].parts;
  return (
    <>
      <div className="space-y-3 border-t border-line pt-4">
        <SelectField
          label="Protocol"
          value={keyOf(offered)}
          onChange={(event) => onChange({ protocolKey: event.target.value, ownSeconds: {} })}
        >
          {visit.protocols.map((one) => (
            <option key={keyOf(one)} value={keyOf(one)}>
              {one.document.name}
              {one.id === null ? " (generic)" : ""}
            </option>
          ))}
        </SelectField>
        <p className="text-sm text-ink-2">{offered.document.source}</p>
        <div role="group" aria-label="Where" className="flex flex-wrap gap-x-5 gap-y-1">
          {AREAS.filter((area) => parts.includes(partOf(area))).map((area) => (
            <label key={area} className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-[var(--ivy)]"
                checked={draft.areas.includes(area)}
                onChange={() =>
                  onChange({ areas: draft.areas.includes(area) ? draft.areas.filter((one) => one !== area) : [...draft.areas, area] })
                }
              />
              {AREA_LABELS[area]}
            </label>
          ))}
        </div>
        <Choice
          label="Hair"
          value={draft.pace.hair}
          options={["fine", "medium", "coarse"].map((value) => ({ value: value as PlanDraft["pace"]["hair"], label: value }))}
          onChange={(hair) => onChange({ pace: { ...draft.pace, hair } })}
        />
        <Choice
          label="Density"
          value={draft.density}
          options={(Object.keys(DENSITIES) as PlanDraft["density"][]).map((value) => ({ value, label: DENSITIES[value].label }))}
          onChange={(density) => onChange({ density })}
        />
        <Choice
          label="Before"
          value={draft.pace.processed ? "yes" : "no"}
          options={[
            { value: "no", label: "never processed" },
            { value: "yes", label: "processed" },
          ]}
          onChange={(value) => onChange({ pace: { ...draft.pace, processed: value === "yes" } })}
        />
        <Choice
          label="Film cover"
          value={draft.pace.filmCover ? "yes" : "no"}
          options={[
            { value: "no", label: "no" },
            { value: "yes", label: "yes" },
          ]}
          onChange={(value) => onChange({ pace: { ...draft.pace, filmCover: value === "yes" } })}
        />
      </div>
      <div className="space-y-3 border-t border-line pt-4">
        {draft.wish.lift !== null ? (
          <Choice
            label="Wished turn"
            value={draft.wish.lift}
            options={(Object.keys(LIFT_WISHES) as (keyof typeof LIFT_WISHES)[]).map((value) => ({
              value,
              label: LIFT_WISHES[value].label,
            }))}
            onChange={(lift) => onChange({ wish: { ...draft.wish, lift } })}
          />
        ) : null}
        {draft.wish.lashDepth !== null ? (
          <>
            <DepthChoice
              label="Lashes today"
              value={draft.from.lashDepth}
              onChange={(lashDepth) => onChange({ from: { ...draft.from, lashDepth } })}
            />
            <DepthChoice
              label="Lashes wished"
              value={draft.wish.lashDepth}
              onChange={(lashDepth) => onChange({ wish: { ...draft.wish, lashDepth } })}
            />
          </>
        ) : null}
        {draft.wish.browDepth !== null ? (
          <>
            <DepthChoice
              label="Brows today"
              value={draft.from.browDepth}
              onChange={(browDepth) => onChange({ from: { ...draft.from, browDepth } })}
            />
            <DepthChoice
              label="Brows wished"
              value={draft.wish.browDepth}
              onChange={(browDepth) => onChange({ wish: { ...draft.wish, browDepth } })}
            />
          </>
        ) : null}
      </div>
    </>
  );
}
