import { memo } from "react";
import { Notice } from "@/ui";

/** Something that happened at a visit although something stood against it. */
export type Mark = { readonly key: string; readonly weight: "stop" | "ask"; readonly words: string };

/** What was done against a stop, or without its reason: kept on the record, and said. */
export const Marks = memo(function Marks({ marks }: { marks: readonly Mark[] }) {
  if (marks.length === 0) return null;
  const stops = marks.filter(({ weight }) => weight === "stop");
  return (
    <Notice
      tone={stops.length > 0 ? "stop" : "look"}
      title={stops.length > 0 ? "Done against a stop" : "Begun without a written reason"}
      className="mt-2 max-w-2xl"
    >
      <ul>
        {marks.map(({ key, words }) => (
          <li key={key}>{words}</li>
        ))}
      </ul>
    </Notice>
  );
});
