import type { RoomWithAir } from "@/core/air";

/** What a page hears of its studio while it is open. */
export type LiveNews =
  | { readonly kind: "air"; readonly rooms: readonly RoomWithAir[] }
  /** A visit has events up to this number. */
  | { readonly kind: "visit"; readonly id: string; readonly seq: number }
  /** Something may have been missed: read all anew. */
  | { readonly kind: "missed" }
  | { readonly kind: "line"; readonly connected: boolean };

/** What a page says to the shared stream: that it is there, and that it goes. */
export type LiveWord = "here" | "bye";
