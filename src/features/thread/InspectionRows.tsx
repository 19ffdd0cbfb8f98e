"use client";
import { sideLabel, SIDES, type Side } from "@/core/eye";
import { inspectionOf, type InspectionId } from "@/core/placing";
import type { Inspected } from "@/core/visit";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { Button, Verdict, cx } from "@/ui";

/** Looks at the end of a set: none, or how many, an eye at a time where each is looked at. Unanswered stays empty. */
export function InspectionRows({
  visitId,
  what,
  inspections,
}: {
  visitId: string;
  what: readonly InspectionId[];
  inspections: readonly Inspected[];
}) {
  return (
    <div className="divide-y divide-line border-t border-line">
      {what.map((id) => {
        const { label, asks, each, mend } = inspectionOf(id);
        const mine = inspections.filter((one) => one.what === id);
        const isAmiss = mine.some(({ found }) => found > 0);
        return (
          <section key={id} aria-label={label} className="py-2">
            <div className="flex flex-wrap items-center gap-x-6 gap-y-1.5">
              <div className="min-w-52 flex-1">
                <h3 className="font-sans text-lg leading-tight font-semibold first-letter:uppercase">{label}</h3>
                <p className="text-[0.9375rem] text-ink-2">{asks}</p>
              </div>
              <div className="flex flex-wrap gap-x-5 gap-y-1.5">
                {(each === "eye" ? SIDES : [null]).map((side) => (
                  <Answer
                    key={side ?? "both"}
                    visitId={visitId}
                    id={id}
                    side={side}
                    found={mine.find((one) => one.side === side)?.found ?? null}
                  />
                ))}
              </div>
            </div>
            {isAmiss ? (
              <p className="mt-1 max-w-3xl text-[0.9375rem]">
                <Verdict tone={id === "sting" ? "stop" : "look"}>{mend}</Verdict>
              </p>
            ) : null}
          </section>
        );
      })}
    </div>
  );
}

function Answer({ visitId, id, side, found }: { visitId: string; id: InspectionId; side: Side | null; found: number | null }) {
  const store = useTabletStore();
  const { label, isYesNo } = inspectionOf(id);
  const say = (number: number) => void store.tap(visitId, "inspected", { what: id, side, found: number });
  const whose = side ? `, ${sideLabel(side)}` : "";
  return (
    <div role="group" aria-label={`${label}${whose}`} className="flex items-center gap-1.5">
      {side ? <span className="w-10 text-[0.9375rem] text-ink-2">{side}</span> : null}
      <Button tone={found === 0 ? "ivy" : "line"} size="bedNarrow" className="text-xl" aria-pressed={found === 0} onClick={() => say(0)}>
        {isYesNo ? "no" : "none"}
      </Button>
      {isYesNo ? (
        <Button
          tone={found === 1 ? "stop" : "line"}
          size="bedNarrow"
          className={cx("text-xl", found === 1 && "bg-rosehip-soft")}
          aria-pressed={found === 1}
          onClick={() => say(1)}
        >
          yes
        </Button>
      ) : (
        <>
          <Button tone="line" size="bedNarrow" aria-label={`one more${whose}`} onClick={() => say(Math.min(200, (found ?? 0) + 1))}>
            +
          </Button>
          <output aria-label={`${label}${whose}, found`} className="min-w-8 text-center text-2xl font-semibold">
            {found ? found : ""}
          </output>
        </>
      )}
    </div>
  );
}
