import { fieldOf, SIDES, type FieldLash } from "../eye";
import { surveyOf } from "../../../tests/support/surveys";
import { randomSurveys } from "../../../tests/support/randomSurveys";
import { accentLashes } from "./accentLashes";

// Common practice: one accent to every few lashes, on the longest of them, never two on neighbours.
const surveys = [surveyOf([7, 9.5, 8.5]), ...randomSurveys(12, 5)];

/** Usable lashes of the stretch with several rows, inner corner first, and which of them are taken. */
const manyRows = (field: readonly FieldLash[], taken: ReadonlySet<FieldLash>) =>
  field.filter(({ baby, rows }) => !baby && rows > 1).map((lash) => ({ lash, isTaken: taken.has(lash) }));

test.each([3, 4, 5, 6])(
  "one of every %i, the longest that is not a neighbour of the last; half a group at the end still has one",
  (every) => {
    for (const survey of surveys)
      for (const side of SIDES) {
        const taken = new Set(accentLashes(survey, side, { every, cluster: 1, innerEvery: 2 }));
        const lashes = manyRows(fieldOf(survey, side), taken);
        for (let from = 0; from < lashes.length; from += every) {
          const group = lashes.slice(from, from + every);
          const picked = group.filter(({ isTaken }) => isTaken);
          expect(picked).toHaveLength(2 * group.length < every ? 0 : 1);
          const free = group.filter((_, i) => i > 0 || !lashes[from - 1]?.isTaken);
          if (picked[0]) expect(picked[0].lash.lengthMm).toBe(Math.max(...free.map(({ lash }) => lash.lengthMm)));
        }
      }
  },
);

test("every lash of a single row may be asked for, neighbours and all; every second leaves one between", () => {
  for (const survey of surveys)
    for (const side of SIDES) {
      const single = fieldOf(survey, side).filter(({ baby, rows }) => !baby && rows === 1);
      const of = (innerEvery: number) => accentLashes(survey, side, { every: 4, cluster: 1, innerEvery }).filter(({ rows }) => rows === 1);
      expect(of(1)).toEqual(single);
      const second = of(2).map((lash) => single.indexOf(lash));
      expect(second.every((at, i) => i === 0 || at - second[i - 1]! > 1)).toBe(true);
      expect(second.length).toBeGreaterThanOrEqual(Math.floor(single.length / 3));
    }
});
