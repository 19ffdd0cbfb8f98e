import type { Side } from "@/core/eye";

/** A zone of a layer of an eye, by its number from the inner corner. */
export type ZoneRef = { readonly side: Side; readonly index: number; readonly layer: number };
export type Drag = {
  /**
   * A zone's fibre pulled to a stocked length, or bare. `stroke` names the drag, `alone` leaves the other eye as it is;
   * `moving` says that the pointer still holds it, so that all but the handle may follow when there is time.
   */
  readonly onLength: (zone: ZoneRef, lengthMm: number | null, stroke: string, alone: boolean, moving: boolean) => void;
  /** A zone line moved to a place of the lash line. */
  readonly onEdge: (side: Side, layer: number, edge: number, at: number, stroke: string, alone: boolean, moving: boolean) => void;
  readonly onChoose: (zone: ZoneRef) => void;
  /** The pointer let go of whatever it held. */
  readonly onEnd: () => void;
};

/** A zone line or a landmark is moved so far by a key, mm. */
export const NUDGE_MM = 0.25;

export type SkylineScale = { readonly groundY: number; readonly pxPerMm: number; readonly topMm: number };
