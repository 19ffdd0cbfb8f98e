import { readPlanDraft } from "./readPlanDraft";
import { firstDraft } from "@/core/processing";

const draft = firstDraft({ kind: "liftTint", protocolKey: "generic", survey: null, past: [], processed: false, filmCover: false });

test("a plan kept on the tablet comes back as it was; one of an older page, or of something else, does not", () => {
  expect(readPlanDraft(JSON.parse(JSON.stringify({ ...draft, ownSeconds: { lift: 420 }, reason: "asked" })))).toEqual({
    ...draft,
    ownSeconds: { lift: 420 },
    reason: "asked",
  });
  const { density: _, ...older } = draft;
  for (const kept of [older, { ...draft, areas: ["chin"] }, { ...draft, wish: "fuller" }, "words", null])
    expect(readPlanDraft(kept)).toBeNull();
});
