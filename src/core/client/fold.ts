/** Letters that no mark can be taken off, as they are typed without their own keyboard. */
const LETTERS: Readonly<Record<string, string>> = {
  ł: "l",
  ø: "o",
  đ: "d",
  ð: "d",
  ħ: "h",
  ı: "i",
  ŋ: "n",
  ŧ: "t",
  ς: "σ",
  ß: "ss",
  æ: "ae",
  œ: "oe",
  þ: "th",
};
/** Accents, Arabic and Hebrew vowel points; signs of other scripts, which are letters there, stay. */
const MARKS = /[\u0300-\u036f\u0591-\u05bd\u064b-\u065f]/g;

/**
 * A text as it is searched: no accents, no capitals, no apostrophes, dashes as blanks: "Łucja O’Brien-Żółć" is "lucja obrien zolc".
 * The database folds by the same rules (`studio.fold`, migration 0019); a test holds the two together.
 */
export function fold(text: string): string {
  return text
    .normalize("NFKD")
    .replace(MARKS, "")
    .toLowerCase()
    .replace(MARKS, "")
    .replace(/[łøđðħıŋŧςßæœþ]/g, (letter) => LETTERS[letter]!)
    .replace(/['’‘ʼ`]/g, "")
    .replace(/[\u2010-\u2015\-\s]+/g, " ")
    .trim();
}

/** The words of a search, each of which must be found. */
export const searchWords = (text: string): string[] => fold(text).split(" ").filter(Boolean);

/** Whether a text can be an e-mail address: something, one @, and a place with a dot. Letters of every script are let through. */
export const isEmail = (text: string): boolean => /^[^\s@<>,;"]+@[^\s@<>,;"]+\.[^\s@<>,;".]{2,}$/.test(text);

/** A telephone number's figures alone. */
export const figuresOf = (phone: string): string => phone.normalize("NFKC").replace(/\D/g, "");

/** Figures that tell a number apart, whatever stands before it: +44 171 555 0123 and 0171 555 0123 end alike. */
const TELLING = 8;
/** The end of a telephone number, by which two are compared; null where it is too short to tell. */
export function phoneEnd(phone: string): string | null {
  const figures = figuresOf(phone);
  return figures.length < TELLING ? null : figures.slice(-TELLING);
}
