/** Encodings a table may be read in; the first is what nearly every program writes. */
export const ENCODINGS = {
  "utf-8": "Unicode (UTF-8)",
  "windows-1252": "Western Europe",
  "windows-1250": "Central Europe",
  "windows-1251": "Cyrillic",
  "windows-1253": "Greek",
  "windows-1254": "Turkish",
  "windows-1257": "Baltic",
  macintosh: "Macintosh, older",
} as const;
export type Encoding = keyof typeof ENCODINGS;
