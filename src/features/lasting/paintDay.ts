import type { Curl } from "@/core/curl";
import { wornBlades } from "@/core/drawing";
import type { Survey } from "@/core/eye";
import type { Fibre } from "@/core/lash";
import type { Policy } from "@/core/policy";
import { onDay, type SetDays } from "@/core/retention";
import { lookOn } from "@/features/drawing/lashesOnPlate";
import { inPx, paintBlades } from "@/features/drawing/paint";
import type { Plate } from "@/features/drawing/plate";

/** The extensions of a set on one of its days, over the eyes of a plate: those gone left out, those grown moved out. */
export function paintDay(
  context: CanvasRenderingContext2D,
  {
    set,
    plate,
    survey,
    policy,
    curlOf,
    ink,
  }: {
    readonly set: SetDays;
    readonly plate: Plate;
    readonly survey: Survey;
    readonly policy: Pick<Policy, "attachmentOffsetMm">;
    readonly curlOf: (fibre: Fibre) => Curl;
    readonly ink: string;
  },
  day: number,
): void {
  for (const place of plate.eyes) {
    const onLash = new Map<object, number | null>();
    const worn = set.worn.flatMap((one, i) => {
      if (one.side !== place.side) return [];
      onLash.set(one.lash, onDay(set, i, day));
      return [one];
    });
    const blades = wornBlades(
      worn,
      {
        curlOf,
        offsetMm: policy.attachmentOffsetMm,
        isGone: (lash) => onLash.get(lash) === null,
        grownMm: (lash) => onLash.get(lash) ?? 0,
      },
      lookOn(plate, survey, place),
    );
    paintBlades(
      context,
      blades.map((blade) => inPx(blade, place)),
      ink,
      1,
    );
  }
}
