"use client";
import {
  baseIndex,
  kindLabel,
  LOOK_IDS,
  LOOKS,
  SCHOOL_LABELS,
  SCHOOL_SAYS,
  stockedLengths,
  type School,
  withClassLength,
} from "@/core/map";
import { Button, Choice, SelectField, cx } from "@/ui";
import { FibreFields } from "./FibreFields";
import { OwnLooks } from "./OwnLooks";
import type { MapStudio } from "./useMapStudio";

const EQUALS = [5, 6, 7, 8, 9, 11];
const schoolKey = (school: School) => (school.id === "equal" ? `equal ${school.zones}` : school.id);
const schoolOf = (key: string): School | null =>
  key.startsWith("equal") ? { id: "equal", zones: Number(key.split(" ")[1]) } : key === "own" ? null : { id: key as "browPeak" };

/** The choices a line is planned from; changing one plans anew, and undo brings the old line back. */
export function LineSheet({ studio, bending, onBending }: { studio: MapStudio; bending: boolean; onBending: (bending: boolean) => void }) {
  const { map, page, plan, apply } = studio;
  const lengths = stockedLengths(page.trays, map.fibre);
  const schools = ["browPeak", "irisMarks", "twoHalves", "byClass", ...EQUALS.map((n) => `equal ${n}`)];
  const key = schoolKey(map.school);
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
        <Choice
          label="Look"
          value={map.look}
          options={LOOK_IDS.map((id) => ({ value: id, label: LOOKS[id].label, title: LOOKS[id].says }))}
          onChange={(look) => {
            const wanted = LOOKS[look].wants;
            const kind = wanted && !wanted.includes(map.fibre.curl) ? page.trays.find(({ curl }) => wanted.includes(curl)) : undefined;
            const fibre = kind ? { fibre: { ...map.fibre, curl: kind.curl, diameterMm: kind.diameterMm, shape: kind.shape } } : {};
            void plan({ look, bend: undefined, ...fibre });
          }}
        />
        <Button
          tone={bending ? "ivy" : "plain"}
          className="-ml-4"
          onClick={() => {
            // A look is bent on the base: its line is what the look asks for.
            if (!bending) studio.setLayer(baseIndex(map, "right"));
            onBending(!bending);
          }}
          aria-pressed={bending}
        >
          {bending ? "Bending" : map.bend ? "Bent; bend on" : "Bend it"}
        </Button>
        <OwnLooks studio={studio} />
      </div>
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <div className="w-36">
          <SelectField
            label="Zones"
            value={key}
            title={SCHOOL_SAYS[map.school.id]}
            onChange={(event) => {
              const school = schoolOf(event.target.value);
              if (school) void plan({ school, ...(school.id === "byClass" && !map.lashClasses ? { lashClasses: 2 as const } : {}) });
            }}
          >
            {(schools.includes(key) ? schools : [...schools, key]).map((value) => (
              <option key={value} value={value}>
                {value.startsWith("equal") ? value : SCHOOL_LABELS[value as School["id"]]}
              </option>
            ))}
          </SelectField>
        </div>
        <FibreFields fibre={map.fibre} trays={page.trays} onChange={(fibre) => void plan({ fibre })} />
        <SelectField
          label="Longest"
          value={map.longestMm ?? ""}
          onChange={(event) => void plan({ longestMm: event.target.value === "" ? null : Number(event.target.value) })}
        >
          <option value="">as limits allow</option>
          {(map.longestMm !== null && !lengths.includes(map.longestMm) ? [map.longestMm, ...lengths] : lengths).map((mm) => (
            <option key={mm} value={mm}>
              {mm} mm
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Within a zone"
          value={map.lashClasses ?? ""}
          title="Short natural lashes between the long ones may wear a shorter fibre"
          onChange={(event) =>
            void plan({
              lashClasses: event.target.value === "" ? undefined : (Number(event.target.value) as 2 | 4),
              classLengthsMm: undefined,
            })
          }
        >
          <option value="">one length</option>
          <option value="2">two, by lash</option>
          <option value="4">four, by lash</option>
        </SelectField>
        {map.lashClasses ? <ClassLengths studio={studio} lengths={lengths} /> : null}
      </div>
      <div className="flex flex-wrap items-baseline gap-x-8 gap-y-2">
        <Choice
          label="Eyes"
          value={map.coupling}
          options={[
            { value: "mirrored", label: "alike", title: "One line worn by both eyes, under the tighter limit of each pair of zones" },
            { value: "each", label: "each for itself", title: "Each eye planned by its own lashes" },
            {
              value: "level",
              label: "seen level",
              title: "The second eye made to lift as far as the first at every zone, whichever way its lashes grow",
            },
          ]}
          onChange={(coupling) => void plan({ coupling })}
        />
        <label className={cx("flex min-h-8 items-center gap-2 text-[0.9375rem]", map.coupling === "mirrored" && "text-ink-2")}>
          <input
            type="checkbox"
            className="size-4 accent-[var(--ivy)]"
            checked={map.differsOnPurpose}
            onChange={(event) => apply({ ...map, differsOnPurpose: event.target.checked })}
          />
          differ on purpose
        </label>
      </div>
      <p className="text-sm text-ink-2">
        {LOOKS[map.look].label}: {map.bend ? "bent by hand" : LOOKS[map.look].says}. {SCHOOL_LABELS[map.school.id]}:{" "}
        {SCHOOL_SAYS[map.school.id]}.{" "}
        {lengths.length ? `${kindLabel(map.fibre)} in stock: ${lengths.join(" ")} mm.` : `No ${kindLabel(map.fibre)} in stock.`}
      </p>
    </div>
  );
}

const CLASS_WORDS = { 2: ["Short lashes", "Long lashes"], 4: ["Shortest", "Shorter", "Longer", "Longest lashes"] } as const;

/** The lengths of lashes told apart, chosen by hand or left to the limits. */
function ClassLengths({ studio: { map, plan }, lengths }: { studio: MapStudio; lengths: readonly number[] }) {
  if (!map.lashClasses) return null;
  return CLASS_WORDS[map.lashClasses].map((label, i) => (
    <SelectField
      key={label}
      label={label}
      value={map.classLengthsMm?.[i] ?? ""}
      onChange={(event) => void plan(withClassLength(map, i, event.target.value === "" ? null : Number(event.target.value)))}
    >
      <option value="">as limits allow</option>
      {lengths.map((mm) => (
        <option key={mm} value={mm}>
          {mm} mm
        </option>
      ))}
    </SelectField>
  ));
}
