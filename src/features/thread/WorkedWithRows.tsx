"use client";
import { useId, useState } from "react";
import { AIDS, DIPS, DIP_IDS, PRIMERS, PRIMER_IDS, type AidId, type WorkedWith } from "@/core/placing";
import { useTabletStore } from "@/features/tablet/TabletProvider";
import { Button, SelectField } from "@/ui";

type Answer = { readonly words: string; readonly isSo: boolean; readonly say: () => void };

/** What a set hangs on later and nothing else tells: primer, dip, mask, fan. Nothing is answered until somebody does. */
export function WorkedWithRows({
  visitId,
  worked,
  primers,
  usual,
}: {
  visitId: string;
  worked: WorkedWith;
  /** Open on the shelf. */
  primers: readonly { readonly id: string; readonly name: string }[];
  /** What the studio's policy says, in words, beside the questions. */
  usual: { readonly primer: string; readonly dip: string };
}) {
  const store = useTabletStore();
  const [picked, setPicked] = useState<string | null>(null);
  const batchId = picked ?? worked.primer?.batchId ?? primers[0]?.id ?? null;
  const aid = (of: AidId) => (
    <Row
      label={AIDS[of]}
      answers={[true, false].map((is) => ({
        words: is ? "yes" : "no",
        isSo: worked[of] === is,
        say: () => void store.tap(visitId, "workedWith", { of, is }),
      }))}
    />
  );
  return (
    <div className="mt-1 flex flex-wrap gap-x-8 gap-y-2 border-t border-line pt-2">
      <Row
        label="Primer"
        hint={usual.primer}
        answers={PRIMER_IDS.map((is) => ({
          words: PRIMERS[is],
          isSo: worked.primer?.is === is,
          say: () => void store.tap(visitId, "workedWith", { of: "primer", is, batchId: is === "none" ? null : batchId }),
        }))}
      >
        {primers.length > 0 && worked.primer?.is !== "none" ? (
          <div className="w-64">
            <SelectField
              label="From"
              value={batchId ?? ""}
              onChange={(event) => {
                setPicked(event.target.value);
                if (worked.primer)
                  void store.tap(visitId, "workedWith", { of: "primer", is: worked.primer.is, batchId: event.target.value || null });
              }}
            >
              {primers.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
          </div>
        ) : null}
      </Row>
      {aid("mask")}
      <Row
        label="Dip"
        hint={usual.dip}
        answers={DIP_IDS.map((is) => ({
          words: DIPS[is],
          isSo: worked.dip === is,
          say: () => void store.tap(visitId, "workedWith", { of: "dip", is }),
        }))}
      />
      {aid("fan")}
    </div>
  );
}

function Row({ label, hint, answers, children }: { label: string; hint?: string; answers: readonly Answer[]; children?: React.ReactNode }) {
  const id = useId();
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
      <p id={id} className="pb-2.5 text-[0.9375rem] font-semibold first-letter:uppercase">
        {label}
        {hint ? <span className="ml-2 font-normal text-ink-2">usual: {hint}</span> : null}
      </p>
      <div role="group" aria-labelledby={id} className="flex flex-wrap items-end gap-1.5">
        {answers.map(({ words, isSo, say }) => (
          <Button key={words} tone={isSo ? "ivy" : "line"} aria-pressed={isSo} className="min-h-11 px-3.5" onClick={say}>
            {words}
          </Button>
        ))}
        {children}
      </div>
    </div>
  );
}
