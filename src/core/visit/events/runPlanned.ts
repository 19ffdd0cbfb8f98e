import { eventKind, type Payload } from "./kind";
import type { runPlannedPayload } from "./payload/runPlanned";

/** What is to be done, agreed and kept whole. The plan that something on the hair is timed by is not taken back from under its clock. */
export const runPlanned = eventKind<Payload<typeof runPlannedPayload>>({
  version: 1,
  byServer: true,
  undo: { until: "coated" },
  fold: {
    run: (run, { atMs, payload: { plan, air } }) => {
      const planned = { ...run, plan, air, plannedAtMs: atMs };
      // A tablet whose clock is behind may date its taps before the plan: they count all the same.
      if (run.plan === null) return planned;
      // Once something lay on the hair, the plan it was begun by stands; planned anew before that, all is to be done anew.
      return run.coats.length > 0 ? run : { ...planned, tasks: new Map(), batches: [], pastes: [] };
    },
  },
});
