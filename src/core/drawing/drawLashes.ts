import type { Curl } from "../curl";
import type { FieldLash } from "../eye";
import { meanCount, type Fibre } from "../lash";
import { attachedInPlane, naturalInPlane, type InPlane } from "./lashInPlane";
import type { Blade, Point2 } from "./shapes";

/** A natural lash with the extension it wears. */
export type WornLash = { readonly lash: FieldLash; readonly fibre: Fibre };
/** A lash's hair from where one looks: its points, or none where nothing of it is seen. */
export type Look = (lash: FieldLash, hair: InPlane) => Point2[];

/** How strongly natural lashes are drawn, alone and under extensions. */
export const NATURALS_OPACITY = { bare: 0.95, worn: 0.55 } as const;

/** Tapers begin a third of the way up; a natural lash's sooner. */
const TAPER_FROM = 1 / 3;
const NATURAL_TAPER_FROM = 0.15;
/** A closed fan is a spike: it narrows almost from its root. */
const SPIKE_TAPER_FROM = 0.1;
/** Rows behind are paler, and a lash is a little paler or darker than the next. */
const ROW_PALER = 0.14;
const UNEVEN = 0.24;
/** Fibres of a fan are paler than a single: they are finer than a line can be drawn. */
const FAN_TONE = 0.9;

const toneOf = ({ row, chance }: FieldLash) => Math.max(0.2, 1 - row * ROW_PALER - (chance + 0.5) * UNEVEN);
/** Widths differ a little from lash to lash, by the same draw turned about. */
const widthOf = ({ chance }: FieldLash) => 1 + (0.5 - Math.abs(chance)) * 0.2 - 0.05;

/** Rows that stand behind come first. */
const backToFront = (a: FieldLash, b: FieldLash) => b.row - a.row || a.index - b.index;

const bladesOf = (lash: FieldLash, hairs: readonly InPlane[], look: Look, taperFrom: number, tone: number): Blade[] =>
  hairs.flatMap((hair) => {
    const points = look(lash, hair);
    return points.length < 2 ? [] : [{ points, widthMm: hair.widthMm * widthOf(lash), taperFrom, tone }];
  });

/** The natural lashes of an eye, rows behind first. */
export function naturalBlades(field: readonly FieldLash[], look: Look): Blade[] {
  return [...field].sort(backToFront).flatMap((lash) => bladesOf(lash, [naturalInPlane(lash)], look, NATURAL_TAPER_FROM, toneOf(lash)));
}

export type Wearing = {
  readonly curlOf: (fibre: Fibre) => Curl;
  /** Where extensions are set, mm along the natural lash. */
  readonly offsetMm: number;
  /** How far each lash has carried its extension since, mm; absent is not at all. */
  readonly grownMm?: (lash: FieldLash) => number;
  /** Is the extension gone, with its lash or off it? Absent: all are there. */
  readonly isGone?: (lash: FieldLash) => boolean;
  /** Stretches a fibre is drawn in, where it is drawn larger than an eye on a screen. */
  readonly steps?: number;
};

/** What lashes wear, fibre by fibre, rows behind first. */
export function wornBlades(worn: readonly WornLash[], { curlOf, offsetMm, grownMm, isGone, steps }: Wearing, look: Look): Blade[] {
  return [...worn]
    .sort((a, b) => backToFront(a.lash, b.lash))
    .flatMap(({ lash, fibre }) => {
      if (isGone?.(lash)) return [];
      const hairs = attachedInPlane({
        lash,
        fibre,
        curl: curlOf(fibre),
        offsetMm,
        grownMm: grownMm?.(lash) ?? 0,
        ...(steps ? { steps } : {}),
      });
      const fan = hairs.length > 1;
      const spike = !fan && meanCount(fibre) > 1;
      return bladesOf(lash, hairs, look, spike ? SPIKE_TAPER_FROM : TAPER_FROM, fan ? FAN_TONE * toneOf(lash) : spike ? 1 : toneOf(lash));
    });
}
