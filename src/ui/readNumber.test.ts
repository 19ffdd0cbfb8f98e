import { readNumber } from "./readNumber";

test.each([
  ["0,98", 0.98],
  [" 12.5 ", 12.5],
  ["-3", -3],
  [".5", 0.5],
  ["6.", 6],
  ["", undefined],
  ["-", undefined],
  [".", undefined],
  ["1e3", undefined],
  ["1.2.3", undefined],
  ["1,000.5", undefined],
  ["0x10", undefined],
  ["12 mm", undefined],
])("%j is read as %p", (text, figure) => expect(readNumber(text)).toBe(figure));
