"use client";
import { useState } from "react";
import { willNotGrab, type GrabFacts } from "@/core/adhesive";
import { Button, Dialog, Verdict, cx } from "@/ui";

/** "It will not grab", in the trade's order: what is known is read off, the rest is asked; it stops at what is found wrong. */
export function GrabSheet({ facts, onClose }: { facts: GrabFacts; onClose: () => void }) {
  const checks = willNotGrab(facts);
  const [answers, setAnswers] = useState<Readonly<Record<string, "well" | "wrong">>>({});
  const standing = (i: number) => answers[checks[i]!.id] ?? checks[i]!.state;
  const current = checks.findIndex((_, i) => standing(i) === "ask");
  const wrong = checks.filter((_, i) => standing(i) === "wrong");
  return (
    <Dialog open onOpenChange={onClose} title="It will not grab" wide>
      <ol className="space-y-0.5">
        {checks.map(({ id, question, says }, i) => {
          const stands = standing(i);
          return (
            <li
              key={id}
              data-check={id}
              data-standing={stands}
              className={cx(
                "flex flex-wrap items-center gap-x-4 border-t border-line py-2",
                i === current && "border-l-4 border-l-ivy pl-3",
              )}
            >
              <span className="w-52 text-xl font-semibold">{question}</span>
              <span className="min-w-0 flex-1 text-ink-2">{says}</span>
              {stands === "ask" ? (
                <span className="flex gap-2">
                  <Button tone={i === current ? "ivy" : "line"} onClick={() => setAnswers({ ...answers, [id]: "well" })}>
                    Yes, well
                  </Button>
                  <Button tone="stop" onClick={() => setAnswers({ ...answers, [id]: "wrong" })}>
                    No
                  </Button>
                </span>
              ) : (
                <Verdict tone={stands === "well" ? "good" : "stop"}>{stands === "well" ? "well" : "here it is"}</Verdict>
              )}
            </li>
          );
        })}
      </ol>
      <p className="mt-4 text-xl">
        {wrong.length > 0 ? (
          <Verdict tone="stop">Mend first: {wrong.map(({ question }) => question.replace("?", "").toLowerCase()).join(", ")}.</Verdict>
        ) : current < 0 ? (
          <Verdict tone="look">All looks well. Another bottle, and a test on one lash.</Verdict>
        ) : (
          <Verdict tone="note">Go through it from the top.</Verdict>
        )}
      </p>
    </Dialog>
  );
}
