import bidiFactory from "bidi-js";

const bidi = bidiFactory();

/** Words of one font that are drawn at one go. Runs stand in the order in which they are seen, from left to right. */
export type Run<Font> = {
  /** As it is spoken; the font's own shaping turns what is written from right to left. */
  readonly text: string;
  readonly font: Font;
};

/** Where a line begins; "auto" is by its first letter that says so. */
export type Direction = "ltr" | "rtl" | "auto";

/** Do these words begin at the right? */
export const startsAtRight = (words: string): boolean => bidi.getEmbeddingLevels(words, "auto").paragraphs[0]?.level === 1;

/** Shown for a letter that no font of the print has. */
export const MISSING = "?";

/** Says which way words go, and is not seen. */
const TURNING = /\p{Bidi_Control}/u;
/** A name in a line, kept apart: what stands before and after it does not turn it, nor it them (UAX #9, isolates). */
export const apart = (name: string): string => `\u2068${name}${ISOLATE_ENDS}`;
const ISOLATE_ENDS = "\u2069";

/** Not seen by themselves: left out where no font has them. */
const UNSEEN = /\p{Default_Ignorable_Code_Point}|\p{Cc}/u;
/** Goes with whatever stands before it: marks, joiners, digits, points. */
const FOLLOWS = /[\p{M}\p{Cf}\p{P}\p{N}\p{Z}\p{S}]/u;
/** Letters that fonts turn around by themselves. */
const TURNS = /[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;

/**
 * A line of words, cut into runs by font and by direction, as the Unicode Bidirectional Algorithm (UAX #9) has them stand.
 * `fontsOf` names the fonts that have a character, the best first; where there is none, a question mark stands for it and
 * `onMissing` hears of it.
 */
export function runsOf<Font>(
  line: string,
  fontsOf: (character: string) => readonly Font[],
  fallback: Font,
  onMissing: (character: string) => void = () => undefined,
  direction: Direction = "auto",
): Run<Font>[] {
  const letters: { readonly unit: string; readonly font: Font }[] = [];
  let last: Font = fallback;
  for (const unit of line.normalize("NFC").replace(/\s+/g, " ")) {
    if (TURNING.test(unit)) {
      letters.push({ unit, font: last });
      if (unit === ISOLATE_ENDS) last = fallback;
      continue;
    }
    const fonts = fontsOf(unit);
    if (fonts.length === 0 && UNSEEN.test(unit)) continue;
    const font = fonts.length === 0 ? fallback : FOLLOWS.test(unit) && fonts.includes(last) ? last : fonts[0]!;
    if (fonts.length === 0) onMissing(unit);
    letters.push({ unit: fonts.length === 0 ? MISSING : unit, font });
    last = font;
  }
  const text = letters.map(({ unit }) => unit).join("");
  if (text === "") return [];
  // By code unit, as the library counts.
  const fonts = letters.flatMap(({ unit, font }) => Array<Font>(unit.length).fill(font));
  const levels = bidi.getEmbeddingLevels(text, direction);
  const mirrored = bidi.getMirroredCharactersMap(text, levels.levels);
  const units = [...Array(text.length).keys()].map((i) => mirrored.get(i) ?? text[i]!);
  const runs: { indices: number[]; level: number; font: Font }[] = [];
  for (const i of bidi.getReorderedIndices(text, levels)) {
    if (TURNING.test(text[i]!)) continue;
    const run = runs.at(-1);
    const level = levels.levels[i]!;
    const goesOn = run && run.level === level && run.font === fonts[i] && Math.abs(run.indices.at(-1)! - i) === 1;
    if (goesOn) run.indices.push(i);
    else runs.push({ indices: [i], level, font: fonts[i]! });
  }
  return runs.map(({ indices, level, font }) => {
    const spoken = [...indices].sort((a, b) => a - b);
    const words = spoken.map((i) => units[i]!).join("");
    // Points and digits by themselves are turned by nobody else.
    const isTurnedHere = level % 2 === 1 && !TURNS.test(words);
    return { text: isTurnedHere ? [...words].reverse().join("") : words, font };
  });
}
