import { defaultPolicy } from "../policy";
import type { FieldLash } from "../eye";
import { surveyOf } from "../../../tests/support/surveys";
import { zoneLimit } from "./zoneLimit";

/** Lashes picked for accents, of these lengths. */
const picked = (lengthsMm: readonly number[]) =>
  lengthsMm.map((lengthMm, i) => ({ lengthMm, at: (i + 0.5) / lengthsMm.length })) as unknown as FieldLash[];
const shorterMm = (lengthsMm: readonly number[]) =>
  zoneLimit(surveyOf([8, 8, 8]).eyes.right, { from: 0, to: 1, first: true, last: true }, defaultPolicy, picked(lengthsMm)).shorterMm;

// A quarter of the lashes picked are shorter than the one the limit is read from, as near as whole lashes come (common practice: the 25th percentile).
test.each([
  [[9], 9],
  [[12, 9], 9],
  [[12, 9, 10, 11], 10],
  [[9, 10, 11, 12, 13, 14], 10],
  [[9, 10, 11, 12, 13, 14, 15], 11],
  [[9, 10, 11, 12, 13, 14, 15, 16], 11],
])("of accents' lashes %j the limit is read from %d", (lengthsMm, from) => expect(shorterMm(lengthsMm)).toBe(from));
