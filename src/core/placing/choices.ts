// What is chosen from at the bed, in words. Apart from what is folded, so that a page with clocks alone carries none of it.

/** Why a lash was set anew. Common practice. */
export const REDO_REASONS = {
  leaned: "leaned",
  lifted: "lifted at the base",
  twisted: "twisted",
  clientMoved: "client moved",
  outOfLine: "out of line in the mirror",
  sticky: "sticky",
  cameOff: "came off at the brush",
} as const;
export type RedoReason = keyof typeof REDO_REASONS;
export const REDO_REASON_IDS = Object.keys(REDO_REASONS) as [RedoReason, ...RedoReason[]];

/** Why the work stood still. */
export const PAUSE_REASONS = {
  talks: "client talks",
  sneezed: "sneeze or cough",
  leftBed: "client left the bed",
  other: "another reason",
} as const;
export type PauseReason = keyof typeof PAUSE_REASONS;
export const PAUSE_REASON_IDS = Object.keys(PAUSE_REASONS) as [PauseReason, ...PauseReason[]];

/** What tape is for. A closed-eye check is owed whenever one comes on or off. Common practice. */
export const TAPES = {
  lidLifted: "lid lifted to the brow",
  heldBack: "finished lashes held back",
  innerDrawn: "inner corner drawn sideways",
  offThePad: "lashes lifted off the pad",
} as const;
export type TapeId = keyof typeof TAPES;
export const TAPE_IDS = Object.keys(TAPES) as [TapeId, ...TapeId[]];

/** What is put on before the first bead. Common practice. */
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
