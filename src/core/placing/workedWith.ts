import type { Side } from "../eye/sides";
import type { AttachmentId, DipId, PrimerId } from "./choices";

export type AttachedIn = { readonly side: Side; readonly layer: number; readonly zone: number; readonly is: AttachmentId };

/** What a set hangs on later, beside bottle and air. Nothing is supposed: null until somebody said it. */
export type WorkedWith = {
  readonly primer: { readonly is: PrimerId; readonly batchId: string | null } | null;
  readonly dip: DipId | null;
  readonly mask: boolean | null;
  readonly fan: boolean | null;
  /** How lashes are attached where a zone does not say otherwise. */
  readonly attachedAll: AttachmentId | null;
  /** Zones that say otherwise; the last word of a zone counts. */
  readonly attached: readonly AttachedIn[];
};
export const NOTHING_SAID: WorkedWith = { primer: null, dip: null, mask: null, fan: null, attachedAll: null, attached: [] };
