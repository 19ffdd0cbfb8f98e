/** NUL and lone surrogates are no text: neither the database nor a file keeps them. */
const UNKEPT = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
const DEEPEST = 40;

/** Whether every text in a value, keys too, can be kept. `isStorable("a\u0000")` → false */
export function isStorable(value: unknown, depth = 0): boolean {
  if (depth > DEEPEST) return false;
  if (typeof value === "string") return !UNKEPT.test(value);
  if (Array.isArray(value)) return value.every((one) => isStorable(one, depth + 1));
  if (value !== null && typeof value === "object")
    return Object.entries(value).every(([key, one]) => !UNKEPT.test(key) && isStorable(one, depth + 1));
  return true;
}
