"use client";
import { DIAMETER_CLASSES, mostCount } from "@/core/lash";
import { kindLabel, textureOf, textureWish, usualAccents, usualHybrid, usualUnder, type AccentWish, type Texture } from "@/core/map";
import { Button, Choice, SelectField } from "@/ui";
import { FibreFields } from "./FibreFields";
import type { MapStudio } from "./useMapStudio";

const run = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** What stands on the base: accents, an under layer, singles and fans mixed. */
export function LayersSheet({ studio }: { studio: MapStudio }) {
  const { map, page, plan } = studio;
  const { policy, trays } = page;
  const setTexture = (texture: Texture) => void plan(textureWish(map, texture, policy, trays));
  const { accents, under, hybrid } = map;
  const setAccents = (change: Partial<AccentWish>) => accents && void plan({ accents: { ...accents, ...change } });
  return (
    <div className="space-y-4">
      <Choice
        label="Texture"
        value={textureOf(map)}
        options={[
          { value: "plain", label: "plain", title: "One layer, no accents" },
          { value: "wispy", label: "wispy", title: "Longer accents at intervals over the base, on any look" },
          { value: "wet", label: "wet look", title: "Every fan left closed, base and accents" },
        ]}
        onChange={setTexture}
      />
      <section aria-label="Accents" className="border-t border-line pt-3">
        <Row
          title="Accents"
          on={accents !== undefined}
          says="longer spikes on the longest natural lash of each few, the base beneath them; from 4 mm on dramatic, and heavier for it"
          onToggle={(on) => void plan({ accents: on ? usualAccents(map.fibre, policy, trays) : undefined })}
        />
        {accents ? (
          <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-3">
            <NumberSelect
              label="Over the base"
              value={accents.offsetMm}
              from={1}
              to={5}
              unit="mm"
              onChange={(offsetMm) => setAccents({ offsetMm })}
            />
            <SelectField
              label="Sections"
              value={accents.sections ?? ""}
              onChange={(event) => {
                const { sections: _, ...rest } = accents;
                void plan({ accents: event.target.value ? { ...rest, sections: Number(event.target.value) } : rest });
              }}
            >
              <option value="">as the zones</option>
              {run(2, 12).map((sections) => (
                <option key={sections} value={sections}>
                  {sections}
                </option>
              ))}
            </SelectField>
            <NumberSelect
              label="One to every"
              value={accents.placing.every}
              from={Math.max(2, accents.placing.cluster + 1)}
              to={8}
              unit="lashes"
              onChange={(every) => setAccents({ placing: { ...accents.placing, every } })}
            />
            <NumberSelect
              label="Side by side"
              value={accents.placing.cluster}
              from={1}
              to={Math.min(4, accents.placing.every - 1)}
              onChange={(cluster) => setAccents({ placing: { ...accents.placing, cluster } })}
            />
            <NumberSelect
              label="On a single row, every"
              value={accents.placing.innerEvery}
              from={1}
              to={8}
              onChange={(innerEvery) => setAccents({ placing: { ...accents.placing, innerEvery } })}
            />
            <FibreFields fibre={accents.fibre} trays={trays} onChange={(fibre) => setAccents({ fibre })} />
          </div>
        ) : null}
      </section>
      <section aria-label="Under layer" className="border-t border-line pt-3">
        <Row
          title="Under layer"
          on={under !== undefined}
          says="short ones beneath, on the lowest row; bare where there is a single row"
          onToggle={(on) => void plan({ under: on ? usualUnder(map.fibre) : undefined })}
        />
        {under ? (
          <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-3">
            <NumberSelect
              label="Below the base"
              value={under.belowMm}
              from={1}
              to={5}
              unit="mm"
              onChange={(belowMm) => void plan({ under: { ...under, belowMm } })}
            />
            <NumberSelect
              label="Sections"
              value={under.sections}
              from={2}
              to={12}
              onChange={(sections) => void plan({ under: { ...under, sections } })}
            />
            <FibreFields fibre={under.fibre} trays={trays} onChange={(fibre) => void plan({ under: { ...under, fibre } })} />
          </div>
        ) : null}
      </section>
      <section aria-label="Hybrid" className="border-t border-line pt-3">
        <Row
          title="Hybrid"
          on={hybrid !== undefined}
          says="singles and fans mixed in the base; more fans read darker, more singles softer"
          onToggle={(on) => {
            if (!on) return void plan({ hybrid: undefined });
            const usual = usualHybrid(map, trays);
            if (usual) return void plan({ hybrid: usual });
            const wanted = mostCount(map.fibre) > 1 ? "singles of 0.15 or finer" : "fans of 0.07 or finer";
            studio.showProblem(`A hybrid mixes ${wanted} in, and the shelf has none.`);
          }}
        />
        {hybrid ? (
          <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-3">
            <SelectField
              label="Share"
              value={hybrid.share}
              onChange={(event) => void plan({ hybrid: { ...hybrid, share: Number(event.target.value) } })}
            >
              {[0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8].map((share) => (
                <option key={share} value={share}>
                  {Math.round(share * 100)} %
                </option>
              ))}
            </SelectField>
            <SelectField
              label="Pattern"
              value={hybrid.pattern}
              onChange={(event) => void plan({ hybrid: { ...hybrid, pattern: event.target.value as "alternate" } })}
            >
              <option value="alternate">in turn</option>
              <option value="scattered">scattered</option>
              <option value="lowerRow">on the lower row</option>
            </SelectField>
            <FibreFields
              label="Mixed in"
              fibre={hybrid.fibre}
              trays={trays}
              onChange={(fibre) => void plan({ hybrid: { ...hybrid, fibre } })}
            />
          </div>
        ) : null}
      </section>
      <p className="text-sm text-ink-2">
        Base of {kindLabel(map.fibre)}. Baby lashes of about {DIAMETER_CLASSES.baby.diameterMm.toFixed(2)} mm get 7 mm or shorter in a fine
        fibre, or are left alone.
      </p>
    </div>
  );
}

function Row({ title, says, on, onToggle }: { title: string; says: string; on: boolean; onToggle: (on: boolean) => void }) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <h3 className="text-lg">{title}</h3>
      <span className="min-w-0 flex-1 text-sm text-ink-2">{says}</span>
      <Button tone={on ? "plain" : "line"} onClick={() => onToggle(!on)}>
        {on ? "Take away" : "Add"}
      </Button>
    </div>
  );
}

function NumberSelect({
  label,
  value,
  from,
  to,
  unit,
  onChange,
}: {
  label: string;
  value: number;
  from: number;
  to: number;
  unit?: string;
  onChange: (value: number) => void;
}) {
  return (
    <SelectField label={label} value={value} onChange={(event) => onChange(Number(event.target.value))}>
      {run(from, Math.max(from, to)).map((n) => (
        <option key={n} value={n}>
          {n}
          {unit ? ` ${unit}` : ""}
        </option>
      ))}
    </SelectField>
  );
}
