"use client";
import {
  LOOK_IDS,
  LOOKS,
  SCHOOL_LABELS,
  stockedLengths,
  VIEW_LABELS,
  VIEWS,
  type LashMap,
  type MapWish,
  type School,
  type Tray,
  type View,
} from "@/core/map";
import { Choice, SelectField, cx } from "@/ui";

const kindKey = (kind: Pick<Tray, "curl" | "diameterMm" | "shape">) => `${kind.curl} ${kind.diameterMm.toFixed(2)} ${kind.shape}`;
const COUNTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16];
const SCHOOL_CHOICES = ["browPeak", "equal 5", "equal 7", "equal 9", "equal 11"] as const;
const schoolKey = (school: School) => (school.id === "equal" ? `equal ${school.zones}` : school.id);
const schoolOf = (key: string): School => (key === "browPeak" ? { id: "browPeak" } : { id: "equal", zones: Number(key.split(" ")[1]) });

/** The choices a plan is made from; changing one plans anew, and undo brings the old line back. */
export function MapControls({
  map,
  trays,
  view,
  onWish,
  onView,
  onPurpose,
}: {
  map: LashMap;
  trays: readonly Tray[];
  view: View;
  onWish: (change: Partial<MapWish>) => void;
  onView: (view: View) => void;
  onPurpose: (differs: boolean) => void;
}) {
  const kinds = [...new Map(trays.map((tray) => [kindKey(tray), tray])).values()];
  const current = kindKey(map.fibre);
  const schools = SCHOOL_CHOICES.some((key) => key === schoolKey(map.school)) ? SCHOOL_CHOICES : [...SCHOOL_CHOICES, schoolKey(map.school)];
  const lengths = stockedLengths(trays, map.fibre);
  return (
    <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
      <Choice
        label="Look"
        value={map.look}
        options={LOOK_IDS.map((id) => ({ value: id, label: LOOKS[id].label, title: LOOKS[id].says }))}
        onChange={(look) => onWish({ look })}
      />
      <Choice
        label="Zones"
        value={schoolKey(map.school)}
        options={schools.map((key) => ({ value: key, label: key === "browPeak" ? SCHOOL_LABELS.browPeak : key }))}
        onChange={(key) => onWish({ school: schoolOf(key) })}
      />
      <Choice label="Seen" value={view} options={VIEWS.map((v) => ({ value: v, label: VIEW_LABELS[v] }))} onChange={onView} />
      <Choice
        label="Eyes"
        value={map.coupling}
        options={[
          { value: "mirrored", label: "alike", title: "One line worn by both eyes, under the tighter limit of each pair of zones" },
          { value: "each", label: "each for itself", title: "Each eye planned by its own lashes" },
        ]}
        onChange={(coupling) => onWish({ coupling })}
      />
      <label className={cx("flex min-h-8 items-center gap-2 text-[0.9375rem]", map.coupling === "mirrored" && "text-ink-2")}>
        <input
          type="checkbox"
          className="size-4 accent-[var(--ivy)]"
          checked={map.differsOnPurpose}
          onChange={(event) => onPurpose(event.target.checked)}
        />
        differ on purpose
      </label>
      <div className="flex gap-3">
        <SelectField
          label="Fibre"
          value={current}
          onChange={(event) => {
            const kind = kinds.find((tray) => kindKey(tray) === event.target.value);
            if (kind) onWish({ fibre: { curl: kind.curl, diameterMm: kind.diameterMm, shape: kind.shape, count: map.fibre.count } });
          }}
        >
          {kinds.some((kind) => kindKey(kind) === current) ? null : <option value={current}>{current}, not in stock</option>}
          {kinds.map((kind) => (
            <option key={kindKey(kind)} value={kindKey(kind)}>
              {kindKey(kind)}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Placed as"
          value={map.fibre.count}
          onChange={(event) => onWish({ fibre: { ...map.fibre, count: Number(event.target.value) } })}
        >
          {(COUNTS.includes(map.fibre.count) ? COUNTS : [...COUNTS, map.fibre.count]).map((count) => (
            <option key={count} value={count}>
              {count === 1 ? "singles" : `${count}D fans`}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="Longest"
          value={map.longestMm ?? ""}
          onChange={(event) => onWish({ longestMm: event.target.value === "" ? null : Number(event.target.value) })}
        >
          <option value="">as limits allow</option>
          {(map.longestMm !== null && !lengths.includes(map.longestMm) ? [map.longestMm, ...lengths] : lengths).map((mm) => (
            <option key={mm} value={mm}>
              {mm} mm
            </option>
          ))}
        </SelectField>
      </div>
    </div>
  );
}
