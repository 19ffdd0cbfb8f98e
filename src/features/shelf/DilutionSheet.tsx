"use client";
import { useState } from "react";
import { alligate, dilute, volumeStrength } from "@/core/mixing";
import { Button, Choice, Dialog, TextField, Verdict } from "@/ui";
import { readNumber } from "@/ui/readNumber";

const numberOf = (text: string) => readNumber(text) ?? NaN;
const amountWords = (value: number) => value.toFixed(value < 10 ? 2 : 1);

/** A strength made weaker, or two strengths blended to one between: developer, or a disinfectant to its label. */
export function DilutionSheet({ onClose }: { onClose: () => void }) {
  const [how, setHow] = useState<"dilute" | "blend">("dilute");
  const [unit, setUnit] = useState<"percent" | "volume">("percent");
  const [typed, setTyped] = useState({ strong: "6", weak: "1.5", wanted: "3", amount: "10" });
  const strength = (text: string) => (unit === "volume" ? volumeStrength(numberOf(text)) : numberOf(text) / 100);
  const [strong, weak, wanted, amount] = [strength(typed.strong), strength(typed.weak), strength(typed.wanted), numberOf(typed.amount)];
  const diluted = how === "dilute" ? dilute(strong, wanted, amount) : null;
  const blended = how === "blend" ? alligate(strong, weak, wanted, amount) : null;
  const mark = unit === "percent" ? "%" : "vol";
  const field = (key: keyof typeof typed, label: string, suffix: string) => (
    <TextField
      label={label}
      unit={suffix}
      inputMode="decimal"
      value={typed[key]}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Dilute or blend">
      <div className="space-y-4">
        <Choice
          label="How"
          value={how}
          options={[
            { value: "dilute", label: "with water or base" },
            { value: "blend", label: "two strengths" },
          ]}
          onChange={setHow}
        />
        <Choice
          label="In"
          value={unit}
          options={[
            { value: "percent", label: "per cent" },
            { value: "volume", label: "“volume” of peroxide" },
          ]}
          onChange={setUnit}
        />
        <div className="grid grid-cols-2 gap-4">
          {field("strong", how === "dilute" ? "What there is" : "The stronger", mark)}
          {how === "blend" ? field("weak", "The weaker", mark) : null}
          {field("wanted", "Wanted", mark)}
          {field("amount", "So much of it", "mL")}
        </div>
        <p className="text-xl" data-testid="dilution">
          {diluted ? (
            <>
              <b>{amountWords(diluted.stock)} mL</b> of it and <b>{amountWords(diluted.diluent)} mL</b> of water or base.
            </>
          ) : blended ? (
            <>
              <b>{amountWords(blended.strong)} mL</b> of the stronger and <b>{amountWords(blended.weak)} mL</b> of the weaker.
            </>
          ) : (
            <Verdict tone="look">
              {how === "dilute"
                ? "Water makes nothing stronger: the wanted strength must lie below."
                : "The wanted strength must lie between the two."}
            </Verdict>
          )}
        </p>
        <p className="text-sm text-ink-2">
          {how === "dilute" ? "Strength times amount stays: C₁V₁ = C₂V₂." : "The alligation square: parts crosswise by the distances."} 10
          volume is 3.0 % of peroxide. A developer is only diluted with what its leaflet allows; a disinfectant by its label.
        </p>
        <Button tone="line" onClick={onClose}>
          Done
        </Button>
      </div>
    </Dialog>
  );
}
