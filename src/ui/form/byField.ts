import type { FieldError } from "react-hook-form";

/** `document.packG` stands at the field `packG`. */
export const lastName = (path: string): string => path.split(".").pop() ?? path;

/** The errors of what is sent, however deep, by the field each stands at; the first of each counts. */
export function byField(errors: object, fieldOf: (path: string) => string, at = ""): Record<string, FieldError> {
  const flat: Record<string, FieldError> = {};
  for (const [key, value] of Object.entries(errors) as [string, unknown][]) {
    if (typeof value !== "object" || value === null || key === "ref") continue;
    const path = at ? `${at}.${key}` : key;
    const inside =
      "message" in value && typeof value.message === "string"
        ? { [fieldOf(path)]: { type: "schema", message: value.message } }
        : byField(value, fieldOf, path);
    for (const [name, error] of Object.entries(inside)) flat[name] ??= error;
  }
  return flat;
}
