import { keptWords } from "./keptWords";

test.each([
  [0, 0, ""],
  [1, 0, "1 tap"],
  [2, 0, "2 taps"],
  [0, 1, "1 entry"],
  [3, 2, "3 taps and 2 entries"],
])("%d taps and %d entries", (taps, entries, words) => expect(keptWords(taps, entries)).toBe(words));
