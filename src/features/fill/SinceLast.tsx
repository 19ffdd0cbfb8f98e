"use client";
import { useId, type ReactNode } from "react";
import { SLEEPS_ON } from "@/core/eye";
import { MET, MET_IDS, SLEPT_ON, type SinceLast } from "@/core/fill";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { Button } from "@/ui";

const WASHES = [0, 1, 2, 3, 4, 5, 6, 7] as const;

/** What the client tells of the days since: one row of answers, each empty until it is given; a second touch takes it back. */
export function SinceLastRow({ visitId, since }: { visitId: string; since: SinceLast }) {
  const store = useTabletStore();
  return (
    <div className="flex flex-wrap gap-x-5 gap-y-3">
      <Asked label="Washed, times a week">
        {WASHES.map((n) => (
          <Answer
            key={n}
            isSo={since.washesAWeek === n}
            onPress={() => void store.tap(visitId, "sinceLastTold", { of: "washesAWeek", is: since.washesAWeek === n ? null : n })}
          >
            {n === 7 ? "7 +" : n}
          </Answer>
        ))}
      </Asked>
      {MET_IDS.map((of) => (
        <Asked key={of} label={MET[of]}>
          {[true, false].map((is) => (
            <Answer
              key={String(is)}
              isSo={since[of] === is}
              onPress={() => void store.tap(visitId, "sinceLastTold", { of, is: since[of] === is ? null : is })}
            >
              {is ? "yes" : "no"}
            </Answer>
          ))}
        </Asked>
      ))}
      <Asked label="Slept on">
        {SLEPT_ON.map((is) => (
          <Answer
            key={is}
            isSo={since.sleepsOn === is}
            onPress={() => void store.tap(visitId, "sinceLastTold", { of: "sleepsOn", is: since.sleepsOn === is ? null : is })}
          >
            {SLEEPS_ON[is]}
          </Answer>
        ))}
      </Asked>
    </div>
  );
}

function Asked({ label, children }: { label: string; children: ReactNode }) {
  const id = useId();
  return (
    <div>
      <p id={id} className="mb-1 text-[0.9375rem] font-semibold first-letter:uppercase">
        {label}
      </p>
      <div role="group" aria-labelledby={id} className="flex flex-wrap gap-1.5">
        {children}
      </div>
    </div>
  );
}

const Answer = ({ isSo, onPress, children }: { isSo: boolean; onPress: () => void; children: ReactNode }) => (
  <Button tone={isSo ? "ivy" : "line"} aria-pressed={isSo} className="min-h-11 min-w-11 px-2.5" onClick={onPress}>
    {children}
  </Button>
);
