import type { Policy } from "../policy";

/** What is printed on a strip so that two clients' are not swapped: name, initials, or nothing, as the studio has it. */
export function stripName(clientName: string, { nameOnStrip }: Pick<Policy, "nameOnStrip">): string {
  const name = clientName.trim();
  if (nameOnStrip === "none") return "";
  if (nameOnStrip === "name") return name;
  return name
    .split(/[\s-]+/u)
    .map((word) => [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(word)][0]?.segment ?? "")
    .join("")
    .toLocaleUpperCase();
}
