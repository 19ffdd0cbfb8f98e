"use client";
import { useState } from "react";
import { HAND_LEVELS, HANDS, type HandLevel } from "@/core/placing";
import { Notice, SelectField } from "@/ui";
import { answered } from "@/ui/answered";
import { sayHand } from "./actions";
import type { Person } from "./data";

type Hand = NonNullable<Person["hand"]>;

/** What a hand takes a lash, as finished sets taught it; until then, what its owner says of it. */
export function HandPace({ id, hand: { said, paces }, isMe }: { id: string; hand: Hand; isMe: boolean }) {
  const [problem, setProblem] = useState<string | null>(null);
  if (paces.length > 0)
    return (
      <p className="text-sm text-ink-2">
        A lash takes{" "}
        {paces
          .map(
            ({ side, isFan, seconds, lowS, highS }) =>
              `${Math.round(seconds)} s (${Math.round(lowS)} to ${Math.round(highS)}) ${isFan ? "a fan" : "a single"}, ${side} eye`,
          )
          .join("; ")}
        .
      </p>
    );
  return (
    <>
      <SelectField
        label={isMe ? "Your hand, until your own pace is known" : "Hand, until its own pace is known"}
        value={said ?? ""}
        onChange={(event) =>
          void answered(sayHand({ id, hand: (event.target.value || null) as HandLevel | null })).then((result) =>
            setProblem(result.ok ? null : result.message),
          )
        }
      >
        <option value="">not said</option>
        {HAND_LEVELS.map((level) => (
          <option key={level} value={level}>
            {HANDS[level]}
          </option>
        ))}
      </SelectField>
      {problem ? <Notice tone="stop" title={problem} className="mt-1" /> : null}
    </>
  );
}
