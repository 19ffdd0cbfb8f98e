/** A running clock, reckoned from events and the time now: nothing counts down in memory. */
export type Clock = {
  readonly id: string;
  readonly kind: "shake" | "bead" | "check" | "eyes" | "coat" | "look" | "paste" | "rinse" | "soak";
  readonly label: string;
  readonly totalS: number;
  /** Negative once it is over: it keeps counting. */
  readonly leftS: number;
  /** Over asks for something; done is what was waited for; past is over the leaflet's end, and loud. */
  readonly state: "running" | "soon" | "over" | "done" | "past";
};

/** What is loudest comes first. */
const URGENCY: Record<Clock["state"], number> = { past: 0, over: 1, soon: 2, running: 3, done: 4 };

/** Nothing hides an eye being rinsed. */
const urgency = ({ kind, state }: Clock): number => (kind === "rinse" && state !== "done" ? -1 : URGENCY[state]);

/** Order of clocks that hang together: a rinse, then the loudest first, and of the same loudness the one with least left. */
export const byUrgency = (a: Clock, b: Clock): number => urgency(a) - urgency(b) || a.leftS - b.leftS;
