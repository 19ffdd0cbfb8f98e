import { figuresOf, fold, isEmail, phoneEnd, searchWords } from "./fold";

test.each([
  ["Leïla", "leila"],
  ["LEÏLA", "leila"],
  // The same letters, composed and with the mark apart.
  ["Leïla", "leila"],
  ["Łucja Żółć", "lucja zolc"],
  ["Åsa Öberg-Ström", "asa oberg strom"],
  ["O’Brien", "obrien"],
  ["O'Brien", "obrien"],
  ["Groß", "gross"],
  ["GROẞ", "gross"],
  ["Æsa Þórsdóttir", "aesa thorsdottir"],
  ["İpek Işık", "ipek isik"],
  ["Ｌｉｎａ", "lina"],
  ["  two\u00a0 words\n", "two words"],
  ["مُحَمَّد", "محمد"],
  ["Νίκος", "νικοσ"],
  ["क्षमा", "क्षमा".normalize("NFKD")],
])("%j is searched as %j", (text, folded) => {
  expect(fold(text)).toBe(folded);
  expect(fold(folded)).toBe(folded);
});

test("a search is its words; punctuation alone is none", () => {
  expect(searchWords("  Anne-Marie  o’Brien ")).toEqual(["anne", "marie", "obrien"]);
  expect(searchWords(" – ' ")).toEqual([]);
});

test("a telephone number is its figures, and its end tells it from others whatever it begins with", () => {
  expect(figuresOf("+44 (0)171 555-0123")).toBe("4401715550123");
  expect(figuresOf("０１２")).toBe("012");
  expect(phoneEnd("+44 171 555 0123")).toBe("15550123".slice(-8));
  expect(phoneEnd("0171 555 0123")).toBe(phoneEnd("+44 171 555 0123"));
  expect(phoneEnd("555 0123")).toBeNull();
  expect(phoneEnd("")).toBeNull();
});

test.each([
  ["lina@post.example", true],
  ["zoë@straße.example", true],
  ["lina", false],
  ["lina@post", false],
  ["lina@post.", false],
  ["a b@post.example", false],
  ["Lina <lina@post.example>", false],
  ["a@b@post.example", false],
])("%j can be an e-mail address: %s", (text, is) => expect(isEmail(text)).toBe(is));
