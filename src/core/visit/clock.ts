/** A running clock, reckoned from events and the time now: nothing counts down in memory. */
export type Clock = {
  readonly id: string;
  readonly kind: "shake" | "bead" | "check" | "eyes" | "coat" | "look" | "paste" | "rinse";
  readonly label: string;
  readonly totalS: number;
  /** Negative once it is over: it keeps counting. */
  readonly leftS: number;
  /** Over asks for something; done is what was waited for; past is over the leaflet's end, and loud. */
  readonly state: "running" | "soon" | "over" | "done" | "past";
};
