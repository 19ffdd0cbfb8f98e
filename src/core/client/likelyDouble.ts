import { fold, phoneEnd } from "./fold";

/** What two entries of one person are known by. */
export type WhoIs = { readonly name: string; readonly phone: string; readonly email: string; readonly bornOn: string | null };

/** Why two entries may be one person, the surest first. */
export const DOUBLE_REASONS = {
  email: "the same e-mail address",
  phone: "the same telephone number",
  name: "the same name",
  birthday: "the same birthday and nearly the same name",
} as const;
export type DoubleReason = keyof typeof DOUBLE_REASONS;

/** A name without the order of its words: "Marsh, Ona" is "Ona Marsh". */
const wordsOf = (name: string) =>
  fold(name)
    .split(/[\s,.]+/)
    .filter(Boolean)
    .sort();
const sameWords = (a: string, b: string) => wordsOf(a).join(" ") === wordsOf(b).join(" ");

/** 1990-03-04 and 1990-04-03: one day, written by two habits. */
function isDayAndMonthTurned(a: string, b: string): boolean {
  const [year, month, day] = a.split("-");
  return `${year}-${day}-${month}` === b;
}

/** Changes of a letter (one more, one less, another, two turned round) from one word to the other; by Damerau and Levenshtein, from memory. */
export function lettersApart(a: string, b: string): number {
  const [from, to] = [[...a], [...b]];
  const table = Array.from({ length: from.length + 1 }, (_, i) =>
    Array.from({ length: to.length + 1 }, (__, j) => (i === 0 ? j : j === 0 ? i : 0)),
  );
  for (let i = 1; i <= from.length; i++)
    for (let j = 1; j <= to.length; j++) {
      const change = from[i - 1] === to[j - 1] ? 0 : 1;
      let least = Math.min(table[i - 1]![j]! + 1, table[i]![j - 1]! + 1, table[i - 1]![j - 1]! + change);
      if (i > 1 && j > 1 && from[i - 1] === to[j - 2] && from[i - 2] === to[j - 1]) least = Math.min(least, table[i - 2]![j - 2]! + 1);
      table[i]![j] = least;
    }
  return table[from.length]![to.length]!;
}

/** One name, misheard or with a word more or less: a slip in six letters, or all words of the shorter in the longer. */
function nearlySame(a: string, b: string): boolean {
  const [one, other] = [wordsOf(a), wordsOf(b)];
  const [short, long] = one.length <= other.length ? [one, other] : [other, one];
  if (short.length > 0 && short.every((word) => long.includes(word))) return true;
  const [x, y] = [one.join(" "), other.join(" ")];
  const most = Math.floor(Math.max(x.length, y.length) / 6);
  // Most names are far apart, which is seen by their letters without laying them beside each other.
  return lettersLacking(x, y) <= most && lettersApart(x, y) <= most;
}

/** Letters that one text has and the other lacks, whichever has more of them: no two texts are fewer letters apart. */
function lettersLacking(a: string, b: string): number {
  const counts = new Map<string, number>();
  for (const letter of a) counts.set(letter, (counts.get(letter) ?? 0) + 1);
  for (const letter of b) counts.set(letter, (counts.get(letter) ?? 0) - 1);
  let [more, less] = [0, 0];
  for (const count of counts.values())
    if (count > 0) more += count;
    else less -= count;
  return Math.max(more, less);
}

/**
 * Why two entries are likely one person, or null. Two birthdays that differ speak against it, unless day and month are only
 * turned round: mother and daughter have one telephone, and many people one name. How sure each sign is, is a judgement of this
 * product.
 */
export function likelyDouble(a: WhoIs, b: WhoIs): DoubleReason | null {
  const born = a.bornOn !== null && b.bornOn !== null ? ([a.bornOn, b.bornOn] as const) : null;
  const bornAlike = born !== null && (born[0] === born[1] || isDayAndMonthTurned(born[0], born[1]));
  if (born !== null && !bornAlike) return null;
  const email = fold(a.email);
  if (email && email === fold(b.email)) return "email";
  const phone = phoneEnd(a.phone);
  if (phone && phone === phoneEnd(b.phone)) return "phone";
  if (wordsOf(a.name).length > 0 && sameWords(a.name, b.name)) return "name";
  return bornAlike && nearlySame(a.name, b.name) ? "birthday" : null;
}

/** Many entries, asked which of them another may be, without comparing it with each. */
export class KnownPeople<T extends WhoIs> {
  private readonly by = new Map<string, T[]>();

  constructor(people: Iterable<T> = []) {
    for (const person of people) this.add(person);
  }

  add(person: T): void {
    for (const key of keysOf(person)) {
      const there = this.by.get(key);
      if (there) there.push(person);
      else this.by.set(key, [person]);
    }
  }

  /** Those it may be, each with why, in the order they were added. */
  doublesOf(person: WhoIs): { readonly other: T; readonly why: DoubleReason }[] {
    return [...this.near(person)].flatMap((other) => {
      const why = likelyDouble(person, other);
      return why ? [{ other, why }] : [];
    });
  }

  /** The first it may be, or null. */
  firstDoubleOf(person: WhoIs): { readonly other: T; readonly why: DoubleReason } | null {
    for (const other of this.near(person)) {
      const why = likelyDouble(person, other);
      if (why) return { other, why };
    }
    return null;
  }

  private near(person: WhoIs): Set<T> {
    return new Set(keysOf(person).flatMap((key) => this.by.get(key)?.slice(0, LOOKED_AT) ?? []));
  }
}

/** What so many share, a birthday somebody's program filled in for everyone, tells nobody apart. */
const LOOKED_AT = 40;

/** Two entries that are likely one person share at least one of these. */
function keysOf({ name, phone, email, bornOn }: WhoIs): string[] {
  const end = phoneEnd(phone);
  const turned = bornOn && `${bornOn.slice(0, 5)}${[bornOn.slice(5, 7), bornOn.slice(8, 10)].sort().join("-")}`;
  return [
    `name ${wordsOf(name).join(" ")}`,
    ...(email ? [`email ${fold(email)}`] : []),
    ...(end ? [`phone ${end}`] : []),
    ...(turned ? [`born ${turned}`] : []),
  ];
}
