import { defaultPolicy } from "@/core/policy";
import type { StepProposal } from "@/core/processing";
import { processSteps, shippedProtocols } from "@/core/protocol";
import { whyMinutes } from "./reasonWords";

const step = processSteps(shippedProtocols.lift(defaultPolicy))[0]!;
const day = (ms: number) => `day ${ms}`;
const proposal = (over: Partial<StepProposal> = {}): StepProposal => ({
  stepId: step.id,
  seconds: 360,
  planned: { seconds: 360, because: [], held: null, lookAtS: null },
  colour: null,
  lift: null,
  last: null,
  ...over,
});
const why = (over: Partial<StepProposal>) => whyMinutes(step, proposal(over), day).join(" ");
const lifted = (over: Partial<NonNullable<StepProposal["lift"]>> = {}) =>
  ({ seconds: 390, reason: "same", held: null, lastS: 390, seenDeg: 84, atMs: 7, ...over }) as const;
const estimate = { low: 5, mid: 7.5, high: 9, looks: 4, reachedBy: () => 0.5 };
const colour = (over: Partial<NonNullable<StepProposal["colour"]>> = {}) =>
  ({ seconds: 450, from: "history", estimate, visits: 2, held: null, unreachable: false, ...over }) as NonNullable<StepProposal["colour"]>;

test("nothing known: the usual time, and each factor with its name and figure", () => {
  expect(why({})).toBe("The usual 6:00; nothing is known of this client yet.");
  expect(
    why({
      planned: {
        seconds: 240,
        held: null,
        lookAtS: null,
        because: [
          { what: "fine", factor: 0.85 },
          { what: "filmCover", factor: 0.75 },
        ],
      },
    }),
  ).toBe("The usual 6:00; nothing is known of this client yet. Fine hair: × 0.85. Film cover: × 0.75.");
});
test("what is unlike last time is said as that", () => {
  const because = [
    { what: "uncovered" as const, factor: 4 / 3 },
    { what: "processed" as const, factor: 0.8 },
  ];
  expect(why({ last: { seconds: 300, atMs: 7 }, planned: { seconds: 420, because, held: null, lookAtS: null } })).toBe(
    "day 7 it lay 5:00; the same again. No film cover, unlike last time: × 1.33. Processed hair: × 0.80.",
  );
});
test.each([
  ["same", "that was the wish: the same again."],
  ["more", "more was wished for: half a minute longer."],
  ["less", "less was wished for: half a minute shorter."],
  ["stung", "it stung: no longer than that."],
  ["uneven", "it came out uneven: the same time, look to the gluing."],
] as const)("a lift, %s: what it lay and kept, and what follows", (reason, words) => {
  expect(why({ lift: lifted({ reason }) })).toBe(`day 7 it lay 6:30 and kept 84°; ${words}`);
});
test("colour: looks, visits and the interval; past the leaflet it says so instead of a time", () => {
  expect(why({ colour: colour() })).toMatch(/^By 4 looks at 2 visits: the wish at 7:30, between 5:00 and past the leaflet’s end\.$/);
  expect(why({ colour: colour({ visits: 1, estimate: { ...estimate, looks: 1, high: 8 } }) })).toBe(
    "By 1 look at 1 visit: the wish at 7:30, between 5:00 and 8:00.",
  );
  expect(why({ colour: colour({ unreachable: true, estimate: { ...estimate, mid: Infinity, high: Infinity } }) })).toMatch(
    /the wish past the leaflet’s end, between.*By the leaflet’s end it is more likely not there: a nearer wish is kinder\.$/,
  );
});
test("what the leaflet cut is said once, by whichever cut it", () => {
  const limits = (part: Partial<StepProposal>) => why(part).match(/leaflet’s (longest|shortest) holds it/g);
  expect(limits({ lift: lifted({ held: "most" }), planned: { seconds: 480, because: [], held: "most", lookAtS: null } })).toHaveLength(1);
  expect(limits({ planned: { seconds: 300, because: [{ what: "filmCover", factor: 0.75 }], held: "least", lookAtS: 270 } })).toEqual([
    "leaflet’s shortest holds it",
  ]);
  expect(limits({})).toBeNull();
});
test("less than the leaflet's shortest is not swallowed: an early look at the factors' own time, and what would bring it back", () => {
  const because = [
    { what: "processed" as const, factor: 0.8 },
    { what: "filmCover" as const, factor: 0.75 },
  ];
  expect(why({ planned: { seconds: 300, because, held: "least", lookAtS: 210 } })).toMatch(
    /asks for 3:30, less than the leaflet’s shortest: look early, at 3:30\. No film cover, or a larger shield would bring it back\.$/,
  );
});
