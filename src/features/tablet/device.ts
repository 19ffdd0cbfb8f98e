import { newId } from "@/ui/newId";

/** The device's own clocks, handed in so that a test can hold them. */
export type Device = {
  /** Its wall clock, ms; may be wrong and may be set. */
  wallMs(): number;
  /** Counts on whatever is done to the wall clock; begins anew with every page load. */
  monotonicMs(): number;
  /** Names the page load that the monotonic clock belongs to. */
  readonly load: string;
  /** Does something later; what it returns calls it off. */
  later(ms: number, work: () => void): () => void;
};

export const thisDevice: Device = {
  wallMs: () => Date.now(),
  monotonicMs: () => performance.now(),
  load: newId(),
  later: (ms, work) => {
    const timer = setTimeout(work, ms);
    return () => clearTimeout(timer);
  },
};
