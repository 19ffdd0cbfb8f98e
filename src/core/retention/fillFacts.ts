import type { AttachmentId, PrimerId } from "../placing/choices";
import type { SleptOn } from "../fill/choices";
import type { Technique } from "../lash";
import type { Count } from "./shareLeft";

/**
 * One set as its fill found it: what was counted, and what stood when it was placed and since. Whatever nobody said or
 * measured is null, and nothing is learned from it.
 */
export type FillFacts = Count & {
  /** The fill at which it was counted. */
  readonly visitId: string;
  readonly clientId: string;
  readonly technicianId: string;
  /** When the client left with it, ms since 1970, and how many days before the fill. */
  readonly placedAtMs: number;
  readonly days: number;
  /** Age below which lashes were left bare, days. */
  readonly bareBelowDays: number;
  /** Share of the year at which it was placed, 0..1, on the studio's calendar. */
  readonly yearShare: number;
  /** Air over the placing. */
  readonly relativeHumidity: number | null;
  readonly temperatureC: number | null;
  readonly vapourDensityGm3: number | null;
  /** What the bottle holds, how long it had been open, and its set time now beside when it was new. */
  readonly adhesiveId: string | null;
  readonly bottleAgeDays: number | null;
  readonly setTimeDrift: number | null;
  /** How old beads were as lashes were dipped, in the mean. */
  readonly beadAgeS: number | null;
  readonly primer: PrimerId | null;
  readonly curl: string | null;
  /** Length of natural lash and extension that lie together, in the mean. */
  readonly contactMm: number | null;
  readonly attachment: AttachmentId | null;
  readonly technique: Technique | null;
  readonly washesAWeek: number | null;
  readonly oil: boolean | null;
  readonly steam: boolean | null;
  readonly cried: boolean | null;
  readonly sleepsOn: SleptOn | null;
  /** Whether the client talked, or moved so that the work stood still, while it was placed. */
  readonly talked: boolean | null;
  readonly moved: boolean | null;
};
