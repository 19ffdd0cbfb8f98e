import type { Side } from "../eye/sides";

/** What a set hangs on later, beside bottle and air. Nothing is supposed: null until somebody said it. */
export const PRIMERS = { primer: "primer", balancer: "pH balancer", none: "neither" } as const;
export type PrimerId = keyof typeof PRIMERS;
export const PRIMER_IDS = Object.keys(PRIMERS) as [PrimerId, ...PrimerId[]];

export const DIPS = {
  oneMm: "1 mm at the base",
  threeQuarters: "three quarters, then dabbed",
  frontOnly: "front only, the back wiped",
} as const;
export type DipId = keyof typeof DIPS;
export const DIP_IDS = Object.keys(DIPS) as [DipId, ...DipId[]];

export const ATTACHMENTS = { top: "on top", side: "at the side", under: "underneath" } as const;
export type AttachmentId = keyof typeof ATTACHMENTS;
export const ATTACHMENT_IDS = Object.keys(ATTACHMENTS) as [AttachmentId, ...AttachmentId[]];

/** What changes the air at the lashes, which no hygrometer hears. */
export const AIDS = { mask: "mask taped at the nose", fan: "fan while placing" } as const;
export type AidId = keyof typeof AIDS;
export const AID_IDS = Object.keys(AIDS) as [AidId, ...AidId[]];

export type AttachedIn = { readonly side: Side; readonly layer: number; readonly zone: number; readonly is: AttachmentId };

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
