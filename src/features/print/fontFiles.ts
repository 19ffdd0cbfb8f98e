import "server-only";
import { readFileSync } from "node:fs";
import { readFile } from "node:fs/promises";
import path from "node:path";
import { unpackWoff } from "./unpackWoff";

export const WEIGHTS = { regular: 400, bold: 600 } as const;
export type Weight = keyof typeof WEIGHTS;

/** Fonts a print may be set in, the studio's own first; then, for names from anywhere, those that hold other scripts. */
const FAMILIES = [
  "hanken-grotesk",
  "noto-sans",
  "noto-sans-arabic",
  "noto-sans-hebrew",
  "noto-sans-armenian",
  "noto-sans-georgian",
  "noto-sans-thai",
  "noto-sans-sc",
  "noto-sans-kr",
] as const;

/** A part of a family, as its package cuts it. */
export type FontFile = {
  readonly name: string;
  /** First and last code points that it may hold, in pairs. */
  readonly ranges: readonly (readonly [number, number])[];
};

const packageOf = (family: string) => path.join(process.cwd(), "node_modules/@fontsource", family);

/** "U+0-FF,U+131" → [[0, 255], [305, 305]] */
export function rangesOf(unicode: string): (readonly [number, number])[] {
  return unicode.split(",").map((range) => {
    const [from, to] = range.trim().slice(2).split("-");
    return [parseInt(from!, 16), parseInt(to ?? from!, 16)] as const;
  });
}

let known: readonly FontFile[] | null = null;
/** Every part of every family, in the order in which they are preferred. Read once. */
function fontFiles(): readonly FontFile[] {
  known ??= FAMILIES.flatMap((family) => {
    const parts = JSON.parse(readFileSync(path.join(packageOf(family), "unicode.json"), "utf8")) as Record<string, string>;
    return Object.entries(parts)
      .map(([part, unicode]) => ({ name: `${family}/${family}-${part.replace(/[[\]]/g, "")}`, ranges: rangesOf(unicode) }))
      .sort((a, b) => Number(b.name.endsWith("-latin")) - Number(a.name.endsWith("-latin")));
  });
  return known;
}

/** The files that some words may need, the preferred first. The studio's own plain letters are always among them. */
export function filesFor(words: string): FontFile[] {
  const wanted = new Set([...words.normalize("NFC")].map((character) => character.codePointAt(0)!));
  wanted.add("A".codePointAt(0)!);
  const files: FontFile[] = [];
  // A code point is looked for in the first files that may hold it: two, for ranges promise more than some fonts keep.
  for (const point of wanted) for (const file of fontFiles().filter(holds(point)).slice(0, 2)) if (!files.includes(file)) files.push(file);
  return files.sort((a, b) => fontFiles().indexOf(a) - fontFiles().indexOf(b));
}

const holds =
  (point: number) =>
  ({ ranges }: FontFile) =>
    ranges.some(([from, to]) => point >= from && point <= to);

/** The plain font of a file, in a weight. */
export async function readFont({ name }: FontFile, weight: Weight): Promise<Uint8Array> {
  const [family, part] = name.split("/");
  return unpackWoff(await readFile(path.join(packageOf(family!), "files", `${part!}-${WEIGHTS[weight]}-normal.woff`)));
}
