import { readFileSync } from "node:fs";
import fontkit from "@pdf-lib/fontkit";
import { unpackWoff } from "./unpackWoff";

const FILES = "node_modules/@fontsource/hanken-grotesk/files";
const woff = (weight: number) => readFileSync(`${FILES}/hanken-grotesk-latin-${weight}-normal.woff`);

test.each([400, 600])("the font of weight %i unpacked lays words out as fontkit lays the packed one out", (weight) => {
  const [packed, plain] = [fontkit.create(woff(weight)), fontkit.create(unpackWoff(woff(weight)))];
  expect(plain.postscriptName).toBe(packed.postscriptName);
  for (const words of ["client's right 11", "Mø ñ AV To", "8 9 10"]) {
    const glyphs = (font: typeof packed) => font.layout(words).glyphs.map(({ id, advanceWidth }) => ({ id, advanceWidth }));
    expect(glyphs(plain)).toEqual(glyphs(packed));
  }
});

test("the plain font's directory is as OpenType asks: version, search range, tables on multiples of four", () => {
  const font = Buffer.from(unpackWoff(woff(400)));
  const count = font.readUInt16BE(4);
  expect(font.readUInt32BE(0)).toBe(0x00010000);
  const range = 16 * 2 ** Math.floor(Math.log2(count));
  expect([font.readUInt16BE(6), font.readUInt16BE(8), font.readUInt16BE(10)]).toEqual([range, Math.log2(range / 16), count * 16 - range]);
  const tables = Array.from({ length: count }, (_, i) => [8, 12].map((field) => font.readUInt32BE(12 + i * 16 + field)));
  for (const [offset, length] of tables) {
    expect(offset! % 4).toBe(0);
    expect(offset! + length!).toBeLessThanOrEqual(font.length);
  }
});

test("what is no WOFF file is refused", () => expect(() => unpackWoff(Buffer.from("%PDF-1.7 and so on"))).toThrow(/no WOFF/));
