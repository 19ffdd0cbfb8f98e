"use client";
import { useState } from "react";
import { Button, Choice, Dialog, Notice, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";
import { calibrateProduct, openBatch } from "./stockActions";
import type { StockedProduct } from "./stock";
import { answered } from "@/ui/answered";

type Problem = { readonly message: string; readonly fields: Readonly<Record<string, string>> };
const numberOf = (text: string | undefined) => readNumber(text ?? "") ?? NaN;

/** A tube or bottle just opened, by the lot that stands on it. */
export function BatchSheet({ product, today, onClose }: { product: StockedProduct; today: string; onClose: () => void }) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const submit = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const result = await answered(
      openBatch({ productId: product.id, ...Object.fromEntries(new FormData(event.currentTarget)) }),
      "What you typed is still here.",
    );
    if (result.ok) return onClose();
    setProblem(result);
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`${product.document.name}: open a lot`}>
      <form onSubmit={(event) => void submit(event)} className="space-y-4" noValidate>
        <TextField label="Lot" name="lot" autoFocus error={problem?.fields.lot} />
        <TextField label="Opened on" name="openedOn" type="date" max={today} defaultValue={today} error={problem?.fields.openedOn} />
        <TextField
          label="Good until, as printed"
          hint="Past it, or past its life after opening, it is not used. Left empty where nothing is printed."
          name="expiresOn"
          type="date"
          error={problem?.fields.expiresOn}
        />
        {problem ? <Notice tone="stop" title={problem.message} /> : null}
        <Button type="submit">Open it</Button>
      </form>
    </Dialog>
  );
}

/** Drops counted to a weight, or a ribbon weighed: from then on this product's doses are known. */
export function CalibrateSheet({ product, onClose }: { product: StockedProduct; onClose: () => void }) {
  const [how, setHow] = useState<"drops" | "ribbon">(product.document.consistency === "liquid" ? "drops" : "ribbon");
  const [problem, setProblem] = useState<Problem | null>(null);
  const submit = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const typed = Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>;
    const grams = numberOf(typed.grams);
    const result = await answered(
      calibrateProduct(
        how === "drops"
          ? { id: product.id, how, drops: numberOf(typed.drops), grams }
          : { id: product.id, how, lengthCm: numberOf(typed.lengthCm), grams },
      ),
      "What you typed is still here.",
    );
    if (result.ok) return onClose();
    setProblem(result);
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`Measure ${product.document.name}`}>
      <form onSubmit={(event) => void submit(event)} className="space-y-4" noValidate>
        <Choice
          label="By"
          value={how}
          options={[
            { value: "drops", label: "drops" },
            { value: "ribbon", label: "ribbon" },
          ]}
          onChange={setHow}
        />
        <p className="text-[0.9375rem] text-ink-2">
          {how === "drops"
            ? "Put the dish on the scale, set it to nothing, count drops into it, read the weight. More drops tell more: thirty are good."
            : "Lay a ribbon along a ruler on the dish, read its weight. Longer ribbons tell more: five centimetres are good."}
        </p>
        {how === "drops" ? (
          <TextField label="Drops" name="drops" inputMode="numeric" error={problem?.fields.drops} />
        ) : (
          <TextField label="Length" name="lengthCm" unit="cm" inputMode="decimal" error={problem?.fields.lengthCm} />
        )}
        <TextField label="Weight" name="grams" unit="g" inputMode="decimal" error={problem?.fields.grams} />
        {problem ? <Notice tone="stop" title={problem.message} /> : null}
        <Button type="submit">Keep the measure</Button>
      </form>
    </Dialog>
  );
}
