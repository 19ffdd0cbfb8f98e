"use client";
import { useCallback, useEffect, useMemo, useState } from "react";
import { SIDES, sideLabel, type Side } from "@/core/eye";
import { countOnPicture, type CountedOnPicture, type FillOutlook, type ZoneFound } from "@/core/fill";
import { LAYER_LABELS } from "@/core/map";
import { curveThrough, type PictureMarks, type Px } from "@/core/measure";
import { closedPictures } from "@/features/pictures/actions";
import { AddPicture } from "@/features/pictures/AddPicture";
import type { KeptPicture } from "@/features/pictures/data";
import { MarkingBoard } from "@/features/pictures/MarkingBoard";
import { useMarks } from "@/features/pictures/useMarks";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import type { FoundSet } from "@/features/visit/setBefore";
import { Button, Choice, Notice, SelectField, Verdict } from "@/ui";
import { answered } from "@/ui/answered";
import { layersOf } from "./layersOf";

type Props = {
  readonly visitId: string;
  readonly clientId: string;
  readonly found: FoundSet;
  readonly outlook: FillOutlook;
};

/** What is left, counted on a picture of each eye closed: a tap on every extension that is still on. */
export function CountOnPicture(props: Props) {
  const [kept, setKept] = useState<{ readonly pictures: readonly KeptPicture[]; readonly today: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { clientId } = props;
  const load = useCallback(async () => {
    const result = await answered(closedPictures({ clientId }));
    if (result.ok) setKept(result.data);
    setProblem(result.ok ? null : result.message);
  }, [clientId]);
  useEffect(() => {
    void Promise.resolve().then(load);
  }, [load]);
  return (
    <>
      {problem ? <Notice tone="stop" title={problem} className="mb-3" /> : null}
      {kept ? (
        <Counting {...props} kept={kept} onProblem={setProblem} onTaken={() => void load()} />
      ) : problem ? null : (
        <p className="text-ink-2">Looking for pictures of today…</p>
      )}
    </>
  );
}

function Counting({
  visitId,
  clientId,
  found,
  outlook,
  kept,
  onProblem,
  onTaken,
}: Props & {
  kept: { readonly pictures: readonly KeptPicture[]; readonly today: string };
  onProblem: (words: string | null) => void;
  onTaken: () => void;
}) {
  const store = useTabletStore();
  const layers = layersOf(outlook.zones);
  const [side, setSide] = useState<Side>("right");
  const [layer, setLayer] = useState(layers[0]?.[0] ?? 0);
  const [chosen, setChosen] = useState<string | null>(null);
  const marks = useMarks(kept.pictures, onProblem);
  const ofEye = kept.pictures.filter((picture) => picture.side === side);
  // A picture of another day shows another set: only who asks for it counts on it.
  const picture = ofEye.find(({ id }) => id === chosen) ?? ofEye.find(({ takenOn }) => takenOn === kept.today);
  const zones = outlook.zones.filter((zone) => zone.side === side && zone.layer === layer).sort((a, b) => a.zone - b.zone);
  const marked = picture ? marks.marksOf(picture.id) : null;
  const counted = marked && countOnPicture(marked, zones);
  const keep = () => {
    for (const { zone, left, twisted, outgrown } of counted ?? []) {
      const { role, from, to } = zone;
      const at = { side, layer, zone: zone.zone, role, from, to };
      void store.tap(visitId, "leftCounted", { ...at, left, twisted, outgrown, by: "picture", setVisitId: found.set.visitId });
    }
  };
  const isKept =
    counted !== null &&
    counted.every(
      ({ zone, left, twisted, outgrown }) =>
        zone.counted?.left === left && zone.counted.twisted === twisted && zone.counted.outgrown === outgrown,
    );
  return (
    <div>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2 pb-2">
        <Choice label="Eye" value={side} options={SIDES.map((value) => ({ value, label: sideLabel(value) }))} onChange={setSide} />
        {layers.length > 1 ? (
          <Choice
            label="Layer"
            value={String(layer)}
            options={layers.map(([value, role]) => ({ value: String(value), label: LAYER_LABELS[role] }))}
            onChange={(value) => setLayer(Number(value))}
          />
        ) : null}
        {ofEye.length > 0 ? (
          <SelectField label="Picture" value={picture?.id ?? ""} onChange={(event) => setChosen(event.target.value)}>
            {picture ? null : <option value="">none of today</option>}
            {ofEye.map(({ id, takenOn }, i) => (
              <option key={id} value={id}>
                {takenOn === kept.today ? "today" : takenOn}
                {ofEye.filter((one) => one.takenOn === takenOn).length > 1 ? `, ${ofEye.length - i}` : ""}
              </option>
            ))}
          </SelectField>
        ) : null}
        <AddPicture
          clientId={clientId}
          closed={side}
          onProblem={onProblem}
          onTaken={(id) => {
            setChosen(id);
            onTaken();
          }}
        />
      </div>
      {picture && marked ? (
        <>
          <MarkingBoard
            key={`${picture.id} ${layer}`}
            picture={picture}
            marks={marked}
            countsLayer={layer}
            onMarks={(next) => marks.change(picture.id, next)}
          >
            {counted ? <ZonesOnLine line={marked.line} counted={counted} unit={picture.widthPx / 900} /> : null}
          </MarkingBoard>
          <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
            <Button disabled={!counted || isKept} onClick={keep}>
              Keep these counts
            </Button>
            <p aria-live="polite">{counted ? countedWords(counted) : "The lash line first: two taps at least, from the inner corner."}</p>
            {isKept ? <Verdict tone="good">kept</Verdict> : null}
          </div>
        </>
      ) : (
        <p className="py-6 text-ink-2">
          A picture of the {sideLabel(side)}, closed, from above: taken in, the lash line marked, then a tap on each extension that is still
          on.
        </p>
      )}
    </div>
  );
}

/** "62 on over 9 zones, 3 of them outgrown; about 64 were expected" */
function countedWords(counted: readonly CountedOnPicture<ZoneFound>[]): string {
  const sum = (of: (one: CountedOnPicture<ZoneFound>) => number | null) => counted.reduce((total, one) => total + (of(one) ?? 0), 0);
  const expected = counted.every(({ zone }) => zone.expected !== null) ? sum(({ zone }) => zone.expected) : null;
  const [outgrown, twisted] = [sum((one) => one.outgrown), sum((one) => one.twisted)];
  const marked = [outgrown > 0 ? `${outgrown} outgrown` : "", twisted > 0 ? `${twisted} twisted` : ""].filter(Boolean).join(", ");
  return `${sum(({ left }) => left)} on over ${counted.length} zones${marked ? `, of them ${marked}` : ""}${expected === null ? "" : `; about ${expected} expected`}.`;
}

/** Where the zones meet on the marked line, and how many are on in each. */
function ZonesOnLine({
  line,
  counted,
  unit,
}: {
  line: PictureMarks["line"];
  counted: readonly CountedOnPicture<ZoneFound>[];
  unit: number;
}) {
  const curve = useMemo(() => curveThrough(line), [line]);
  const edges = [...new Set(counted.flatMap(({ zone }) => [zone.from, zone.to]))];
  return (
    <g pointerEvents="none" aria-hidden="true">
      {edges.map((edge) => {
        const [[x, y], [nx, ny]] = placeOn(curve, edge);
        return (
          <path
            key={edge}
            d={`M${x - 14 * unit * nx} ${y - 14 * unit * ny}L${x + 14 * unit * nx} ${y + 14 * unit * ny}`}
            stroke="#1E5B45"
            strokeWidth={1.5 * unit}
          />
        );
      })}
      {counted.map(({ zone, left }) => {
        const [[x, y], [nx, ny]] = placeOn(curve, (zone.from + zone.to) / 2);
        return (
          <text
            key={zone.zone}
            x={x + 30 * unit * nx}
            y={y + 30 * unit * ny}
            dy="0.35em"
            textAnchor="middle"
            fontSize={17 * unit}
            fontWeight="600"
            fill="#17221C"
            stroke="#FDFBF5"
            strokeWidth={4 * unit}
            paintOrder="stroke"
          >
            {left}
          </text>
        );
      })}
    </g>
  );
}

/** A place on a curve, a share of the way along it, and the direction across it, upwards on the picture. */
function placeOn(curve: readonly Px[], share: number): readonly [Px, Px] {
  const legs = curve.slice(1).map(([x, y], i) => Math.hypot(x - curve[i]![0], y - curve[i]![1]));
  let rest = share * legs.reduce((sum, leg) => sum + leg, 0);
  let i = 0;
  while (i < legs.length - 1 && rest > legs[i]!) rest -= legs[i++]!;
  const [[x1, y1], [x2, y2]] = [curve[i]!, curve[i + 1]!];
  const leg = legs[i]! || 1;
  const t = Math.min(1, rest / leg);
  const across: Px = [(y2 - y1) / leg, (x1 - x2) / leg];
  return [[x1 + t * (x2 - x1), y1 + t * (y2 - y1)], across[1] > 0 ? [-across[0], -across[1]] : across];
}
