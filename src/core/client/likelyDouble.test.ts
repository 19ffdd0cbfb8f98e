import { KnownPeople, lettersApart, likelyDouble, type WhoIs } from "./likelyDouble";

const who = (name: string, more: Partial<WhoIs> = {}): WhoIs => ({ name, phone: "", email: "", bornOn: null, ...more });

test.each<[string, WhoIs, WhoIs, string | null]>([
  ["one address, two spellings", who("Lina M", { email: "Lina@Post.example" }), who("Angelina", { email: "lina@post.example" }), "email"],
  [
    "one number, with and without its country",
    who("Lina", { phone: "+44 171 555 0123" }),
    who("Angelina", { phone: "0171/5550123" }),
    "phone",
  ],
  ["a short number tells nothing", who("Lina", { phone: "12345" }), who("Angelina", { phone: "12345" }), null],
  ["one name, accents and order apart", who("Leïla Öster"), who("oster, leila"), "name"],
  ["one name, and one birthday only known of one", who("Lina Marsh", { bornOn: "1990-03-04" }), who("Lina Marsh"), "name"],
  ["one name, two birthdays: two people", who("Lina Marsh", { bornOn: "1990-03-04" }), who("Lina Marsh", { bornOn: "1971-12-25" }), null],
  [
    "day and month turned round are one birthday",
    who("Lina Marsh", { bornOn: "1990-03-04" }),
    who("Lina Marsh", { bornOn: "1990-04-03" }),
    "name",
  ],
  [
    "a slip of a letter and one birthday",
    who("Lina Marsh", { bornOn: "1990-03-04" }),
    who("Lina Marhs", { bornOn: "1990-03-04" }),
    "birthday",
  ],
  [
    "a second surname and one birthday",
    who("Lina Marsh", { bornOn: "1990-03-04" }),
    who("Lina Marsh Delgado", { bornOn: "1990-03-04" }),
    "birthday",
  ],
  ["twins have one birthday and two names", who("Lina Marsh", { bornOn: "1990-03-04" }), who("Tove Marsh", { bornOn: "1990-03-04" }), null],
  ["two letters of ten are another name", who("Mira Marsh", { bornOn: "1990-03-04" }), who("Mona Marsh", { bornOn: "1990-03-04" }), null],
  ["nearly one name alone says nothing", who("Lina Marsh"), who("Lena Marsh"), null],
  [
    "mother and daughter have one telephone",
    who("Ada Marsh", { phone: "0171 555 0123", bornOn: "1960-01-01" }),
    who("Lina Marsh", { phone: "0171 555 0123", bornOn: "1990-03-04" }),
    null,
  ],
  ["no name is nobody's", who(""), who(""), null],
])("%s", (_, a, b, why) => {
  expect(likelyDouble(a, b)).toBe(why);
  expect(likelyDouble(b, a)).toBe(why);
  expect(new KnownPeople([b]).firstDoubleOf(a)?.why ?? null).toBe(why);
  expect(new KnownPeople([b]).doublesOf(a).map((one) => one.why)).toEqual(why ? [why] : []);
});

test("letters apart: one more, one less, another, two turned round; from memory the usual example", () => {
  expect(lettersApart("kitten", "sitting")).toBe(3);
  expect(lettersApart("marsh", "marhs")).toBe(1);
  expect(lettersApart("ilna", "lina")).toBe(1);
  expect(lettersApart("", "abc")).toBe(3);
  expect(lettersApart("abc", "abc")).toBe(0);
});

test("a whole file with one birthday, filled in by a program, is gone through in short order and finds the one that is there", () => {
  const many = Array.from({ length: 6_000 }, (_, i) => who(`Person ${i} Nobody${i}`, { bornOn: "1900-01-01" }));
  const known = new KnownPeople([...many, who("Lina Marsh", { email: "lina@post.example", bornOn: "1900-01-01" })]);
  let found = 0;
  for (const one of many) found += known.firstDoubleOf(one) ? 1 : 0;
  expect(found).toBe(many.length);
  expect(known.firstDoubleOf(who("L. M.", { email: "lina@post.example" }))?.why).toBe("email");
});
