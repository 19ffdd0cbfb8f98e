import { z } from "zod";
import { readDocument, UnreadableDocument, writeDocument, type DocumentKind } from ".";

const note: DocumentKind<{ version: 2; words: string; tone: "plain" | "loud" }> = {
  name: "note",
  version: 2,
  schema: z.strictObject({ version: z.literal(2), words: z.string().min(1), tone: z.enum(["plain", "loud"]) }),
  upgrade: (older) => ({ ...(older as object), version: 2, tone: "plain" }),
};
const tin: DocumentKind<{ grams: number }> = {
  name: "tin",
  version: 1,
  schema: z.strictObject({ grams: z.number() }),
  versionBeside: true,
};
const whyOf = (read: () => unknown) => {
  try {
    return read();
  } catch (error) {
    return error instanceof UnreadableDocument ? [error.why, error.message] : error;
  }
};

test("an older document is read as one of the newest, one of the newest as it stands; what says no version is of the first", () => {
  const upgraded = { version: 2, words: "soft lids", tone: "plain" };
  expect(readDocument(note, { version: 1, words: "soft lids" })).toEqual(upgraded);
  expect(readDocument(note, { words: "soft lids" })).toEqual(upgraded);
  expect(readDocument(note, { ...upgraded, tone: "loud" })).toEqual({ ...upgraded, tone: "loud" });
});
test("a newer one is not guessed at", () => {
  expect(whyOf(() => readDocument(note, { version: 3, words: "soft lids", tone: "plain" }))).toEqual([
    "newer",
    "A kept note cannot be read: it is of version 3, this copy of the app reads up to 2.",
  ]);
});
test.each([
  [{ version: 2, words: "", tone: "sharp" }, "see words, tone."],
  ["soft lids", "see all of it."],
  [null, "see all of it."],
])("%j is no note: the places are named, not what stands there", (kept, detail) => {
  expect(whyOf(() => readDocument({ ...note, version: 2, upgrade: (older) => older }, kept))).toEqual([
    "broken",
    `A kept note cannot be read: ${detail}`,
  ]);
});
test("where the document knows nothing of versions, the number stands beside it on disk only", () => {
  expect(writeDocument(tin, { grams: 20 })).toEqual({ version: 1, grams: 20 });
  expect(readDocument(tin, { version: 1, grams: 20 })).toEqual({ grams: 20 });
  expect(readDocument(tin, { grams: 20 })).toEqual({ grams: 20 });
  expect(writeDocument(note, { version: 2, words: "a", tone: "loud" })).toEqual({ version: 2, words: "a", tone: "loud" });
});
