import { techniqueOf } from ".";

test.each([
  [{ count: 1 }, "single"],
  [{ count: 1, countTo: 2 }, "fan"],
  [{ count: 3, countTo: 5 }, "fan"],
  [{ count: 10 }, "fan"],
] as const)("placing %j asks for the hand of a %s", (fibre, technique) => expect(techniqueOf(fibre)).toBe(technique));
