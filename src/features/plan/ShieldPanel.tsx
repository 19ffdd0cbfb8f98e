"use client";
import Link from "next/link";
import { useState } from "react";
import { LIFT_WISHES, type ShieldChoice, type ShieldFit } from "@/core/lift";
import { sideLabel, type Side, type Survey } from "@/core/eye";
import { Choice, cx, Verdict, type Tone } from "@/ui";
import { LiftProfile } from "./LiftProfile";
import type { StockedShield } from "@/features/shelf/stock";

const WHY: Record<ShieldChoice["why"], string> = {
  byLength: "nearest the wish, by length",
  oneSmaller: "one smaller than by length, for drama",
  smallerFolds: "one smaller would fold the tips back: by length",
  onlyOne: "no smaller one in stock: by length",
  none: "",
};
const VERDICTS: Record<ShieldFit["verdict"], { tone: Tone; words: string }> = {
  good: { tone: "good", words: "good" },
  little: { tone: "look", words: "little shows" },
  foldsBack: { tone: "stop", words: "tips fold back to the lid" },
};

/** Shields in stock, what each keeps of its turn, and the lashes from the side on the one chosen. */
export function ShieldPanel({
  choice,
  stock,
  chosenId,
  wish,
  survey,
  kept,
  onChoose,
}: {
  choice: ShieldChoice;
  stock: readonly StockedShield[];
  chosenId: string | null;
  wish: keyof typeof LIFT_WISHES;
  survey: Survey | null;
  kept: { readonly mean: number; readonly sd: number; readonly readings: number };
  onChoose: (id: string) => void;
}) {
  const [side, setSide] = useState<Side>("right");
  if (choice.fits.length === 0)
    return (
      <p>
        No shield in stock.{" "}
        <Link href="/colour" className="text-ivy underline">
          Write yours down
        </Link>{" "}
        with their radii; the turn follows from them.
      </p>
    );
  const idOf = (fit: ShieldFit) => stock.find(({ document }) => document === fit.shield)!.id;
  const chosen = choice.fits.find((fit) => idOf(fit) === chosenId) ?? choice.fits[choice.advised ?? 0]!;
  const sides = chosen.eyes.map((one) => one.side);
  const shown = sides.includes(side) ? side : sides[0]!;
  return (
    <div>
      <div role="radiogroup" aria-label="Shield" className="grid grid-cols-2 gap-2 sm:grid-cols-3 xl:grid-cols-5">
        {choice.fits.map((fit, i) => {
          const { tone, words } = VERDICTS[fit.verdict];
          return (
            <button
              key={idOf(fit)}
              type="button"
              role="radio"
              aria-checked={fit === chosen}
              onClick={() => onChoose(idOf(fit))}
              className={cx(
                "flex flex-col rounded-md border px-3 py-2 text-left",
                fit === chosen ? "border-ivy bg-moss-soft" : "border-line-strong hover:bg-leaf",
              )}
            >
              <span className="font-semibold">{fit.shield.name}</span>
              <span className="block text-sm text-ink-2">
                {fit.shield.kind}, r {fit.shield.radiusMm} mm
              </span>
              <span className="block text-sm">
                <Verdict tone={tone}>{words}</Verdict>{" "}
                <span className="text-ink-2">
                  keeps {Math.round(fit.middle.kept.mid)}°, {offWords(fit.offDeg)}
                </span>
              </span>
              {i === choice.advised ? <span className="block text-sm text-ivy">{WHY[choice.why]}</span> : null}
            </button>
          );
        })}
      </div>
      {choice.advised === null ? (
        <p className="mt-2">
          <Verdict tone="stop">None of these can be called good for these lashes.</Verdict>
        </p>
      ) : null}
      <div className="mt-3">
        {survey && sides.length > 1 ? (
          <Choice
            label="Eye drawn"
            showLabel={false}
            value={shown}
            options={sides.map((value) => ({ value, label: sideLabel(value) }))}
            onChange={setSide}
          />
        ) : null}
        <LiftProfile zones={chosen.eyes.find((one) => one.side === shown)!.zones} eye={survey?.eyes[shown] ?? null} />
      </div>
      <p className="mt-2 max-w-3xl text-[0.9375rem] text-ink-2">
        Turn on the shield is (length − 1 mm of free root) over its radius. After release this client keeps {Math.round(kept.mean * 100)} %
        of it, give or take {Math.round(kept.sd * 196)}
        {kept.readings > 0
          ? `, from ${kept.readings} ${kept.readings === 1 ? "result" : "results"}`
          : " (a model of ours, until a result is judged)"}
        . Wished in the middle: {LIFT_WISHES[wish].label}, {LIFT_WISHES[wish].turnDeg}°; here {Math.round(chosen.middle.kept.low)} to{" "}
        {Math.round(chosen.middle.kept.high)}°.
      </p>
    </div>
  );
}

const offWords = (off: number) => (Math.abs(off) < 3 ? "as wished" : `${Math.abs(Math.round(off))}° ${off > 0 ? "over" : "under"}`);
