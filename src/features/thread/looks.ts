import type { InspectionId } from "@/core/placing";

/** Which looks belong to a part of a set; on a mannequin head nobody opens eyes. */
const LOOKS: Readonly<Record<"check" | "dry", readonly InspectionId[]>> = {
  check: ["mirror", "stickies"],
  dry: ["freeOfPad", "sting", "stuck", "bluntTool", "word"],
};
export const looksOn = (part: "check" | "dry", onClient: boolean): readonly InspectionId[] =>
  onClient ? LOOKS[part] : LOOKS[part].filter((id) => id !== "sting" && id !== "stuck" && id !== "word");
