/**
 * One field of what came from outside, if it is what it should be; throws where it is not. These few checks stand on every
 * page, where a schema library would be most of the script.
 */
export function readField<Wanted>(from: unknown, name: string, is: (value: unknown) => value is Wanted): Wanted {
  const value: unknown = typeof from === "object" && from !== null ? (from as Record<string, unknown>)[name] : undefined;
  if (!is(value)) throw new TypeError(`What came has no readable ${name}.`);
  return value;
}

/** The same, null where it is not what it should be. */
export function mayField<Wanted>(from: unknown, name: string, is: (value: unknown) => value is Wanted): Wanted | null {
  try {
    return readField(from, name, is);
  } catch {
    return null;
  }
}

export const isText = (value: unknown): value is string => typeof value === "string";
export const isNumber = (value: unknown): value is number => typeof value === "number" && Number.isFinite(value);
export const isList = (value: unknown): value is readonly unknown[] => Array.isArray(value);
