"use client";
import { SIDES, sideLabel } from "@/core/eye";
import { baseLayer, mapProfile, type LashMap } from "@/core/map";
import { MiniSkyline } from "@/features/drawing/MiniSkyline";
import { Button, Dialog } from "@/ui";

const lengthsOf = (map: LashMap, side: "right" | "left") =>
  baseLayer(map, side)
    .zones.map((fibre) => fibre?.lengthMm ?? "–")
    .join(" ");

/** Someone saved in between: both maps side by side, and neither is lost whichever is taken. */
export function TwoMaps({
  mine,
  theirs,
  onMine,
  onTheirs,
  onClose,
}: {
  mine: LashMap;
  theirs: LashMap;
  onMine: () => void;
  onTheirs: () => void;
  onClose: () => void;
}) {
  const columns = [
    { title: "Yours, on this screen", map: mine },
    { title: "Theirs, saved since you opened it", map: theirs },
  ];
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="This map was saved elsewhere in between" wide>
      <div className="grid gap-6 sm:grid-cols-2">
        {columns.map(({ title, map }) => (
          <div key={title} className="min-w-0">
            <h3 className="text-lg">{title}</h3>
            <p className="text-[0.9375rem] break-words text-ink-2">{map.title}</p>
            <MiniSkyline profile={mapProfile(map)} width={320} height={90} />
            {SIDES.map((side) => (
              <p key={side} className="text-sm">
                <span className="text-ink-2">{sideLabel(side)}, inner to outer:</span> <b>{lengthsOf(map, side)}</b>
              </p>
            ))}
          </div>
        ))}
      </div>
      <p className="mt-5 text-[0.9375rem] text-ink-2">
        Saving yours puts it on top; theirs stays as the save before. Opening theirs keeps yours as a map of its own, “set aside”.
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        <Button onClick={onMine}>Save mine on top</Button>
        <Button tone="line" onClick={onTheirs}>
          Open theirs, set mine aside
        </Button>
      </div>
    </Dialog>
  );
}
