import { eventAt } from "../../../tests/support/visitEvents";
import { outcomeOf, visitState } from ".";

const T0 = Date.parse("2026-11-27T10:00:00.000Z");
const MINUTE = 60_000;
const [A, B] = ["00000000-0000-4000-8000-00000000000a", "00000000-0000-4000-8000-00000000000b"];
const bead = (minute: number, bottleId: string | null) => eventAt(T0 + minute * MINUTE, "beadPlaced", { lifeS: 900, air: null, bottleId });

test("what a set came to: when, what is on, beads by bottle, brushes that were counted", () => {
  const counted = eventAt(T0 + 30 * MINUTE, "checked", { off: 2, of: 25 });
  const came = outcomeOf(
    "newSet",
    visitState([
      eventAt(T0, "started", { bottleId: A, air: null }),
      bead(5, B),
      bead(20, B),
      bead(28, null),
      counted,
      eventAt(T0 + 31 * MINUTE, "checked", { off: null, of: null }),
      eventAt(T0 + 40 * MINUTE, "bottleTaken", { bottleId: A, fromStart: false }),
      bead(41, A),
      eventAt(T0 + 90 * MINUTE, "finished", {}),
    ]),
  );
  expect(came).toMatchObject({ begunAtMs: T0, finishedAtMs: T0 + 90 * MINUTE, putOnAtMs: T0 + 90 * MINUTE, stopped: null });
  expect([...came.lots]).toEqual([
    [A, 1],
    [B, 2],
  ]);
  expect(came.brushes).toEqual([{ eventId: counted.id, atMs: T0 + 30 * MINUTE, off: 2, of: 25 }]);
});
test("a lot that was named as a bottle and as a pack is one, with its beads", () => {
  const state = visitState([
    eventAt(T0, "started", { bottleId: A, air: null }),
    bead(1, A),
    eventAt(T0 + MINUTE, "batchTaken", { stepId: "step-1", productId: B, batchId: A }),
    eventAt(T0 + 2 * MINUTE, "batchTaken", { stepId: "step-2", productId: B, batchId: B }),
  ]);
  expect([...outcomeOf("liftTint", state).lots]).toEqual([
    [A, 1],
    [B, 0],
  ]);
});
test("a bottle that was only taken has no bead; nothing happened is nothing", () => {
  expect([...outcomeOf("fill", visitState([eventAt(T0, "started", { bottleId: A, air: null })])).lots]).toEqual([[A, 0]]);
  expect(outcomeOf("fill", visitState([]))).toEqual({
    begunAtMs: null,
    finishedAtMs: null,
    putOnAtMs: null,
    stopped: null,
    lots: new Map(),
    brushes: [],
  });
});
