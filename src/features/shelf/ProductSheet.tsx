"use client";
import { useState } from "react";
import { COLOURING, PRODUCT_KINDS, type Product, type ProductKind } from "@/core/mixing";
import { Button, Dialog, Notice, SelectField, TextField } from "@/ui";
import { readNumber } from "@/ui/readNumber";
import { keepProduct } from "./stockActions";
import type { StockedProduct } from "./stock";
import { answered } from "@/ui/answered";

const CONSISTENCIES = ["liquid", "cream", "powder"] as const;
const typed = (value: number | null | undefined, times = 1) =>
  value === null || value === undefined ? "" : String(Math.round(value * times * 1000) / 1000);
const read = (text: string, times = 1) => (text.trim() === "" ? null : (readNumber(text) ?? NaN) / times);

/** A product as its leaflet describes it. */
export function ProductSheet({ product, onClose }: { product: StockedProduct | null; onClose: () => void }) {
  const known = product?.document;
  const [kind, setKind] = useState<ProductKind>(known?.kind ?? "tint");
  const [form, setForm] = useState({
    name: known?.name ?? "",
    consistency: known?.consistency ?? ("cream" as Product["consistency"]),
    peroxide: typed(known?.peroxide, 100),
    readyPeroxide: typed(known?.ready?.peroxide, 100),
    readyParts: typed(known?.ready?.developerParts),
    colour: known?.colour ?? "#2a1f1a",
    packG: typed(known?.packG),
    packPrice: typed(known?.packPrice),
    life: typed(known?.lifeAfterOpeningDays),
  });
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const field = (key: keyof typeof form, path: string) => ({
    value: form[key],
    error: problem?.fields[`document.${path}`],
    onChange: (event: React.ChangeEvent<HTMLInputElement>) => setForm({ ...form, [key]: event.target.value }),
  });
  const keep = async (event: React.FormEvent) => {
    event.preventDefault();
    const ready = read(form.readyPeroxide, 100);
    const document: Product = {
      version: 1,
      name: form.name,
      kind,
      consistency: form.consistency,
      peroxide: kind === "developer" ? (read(form.peroxide, 100) ?? Number.NaN) : null,
      ready: COLOURING.includes(kind) && ready !== null ? { peroxide: ready, developerParts: read(form.readyParts) ?? 1 } : null,
      colour: COLOURING.includes(kind) ? form.colour : null,
      densityGMl: known?.densityGMl ?? null,
      nozzleMm: known?.nozzleMm ?? null,
      dropsPerGram: known?.dropsPerGram ?? null,
      packG: read(form.packG),
      packPrice: read(form.packPrice),
      lifeAfterOpeningDays: read(form.life),
    };
    const result = await answered(
      keepProduct({ id: product?.id ?? null, base: product?.revision ?? 0, document }),
      "What you typed is still here.",
    );
    if (result.ok) return onClose();
    setProblem(result);
  };
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={known ? known.name : "A product"}>
      <form onSubmit={(event) => void keep(event)} className="space-y-4" noValidate>
        <TextField label="Name" {...field("name", "name")} />
        <div className="grid grid-cols-2 gap-4">
          <SelectField
            label="What it is"
            value={kind}
            disabled={known !== undefined}
            onChange={(event) => setKind(event.target.value as ProductKind)}
          >
            {(Object.keys(PRODUCT_KINDS) as ProductKind[]).map((id) => (
              <option key={id} value={id}>
                {PRODUCT_KINDS[id].label}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Consistency"
            value={form.consistency}
            onChange={(event) => setForm({ ...form, consistency: event.target.value as Product["consistency"] })}
          >
            {CONSISTENCIES.map((one) => (
              <option key={one} value={one}>
                {one}
              </option>
            ))}
          </SelectField>
          {kind === "developer" ? <TextField label="Peroxide" unit="%" inputMode="decimal" {...field("peroxide", "peroxide")} /> : null}
          {COLOURING.includes(kind) ? (
            <>
              <TextField label="Colour it leaves on white" type="color" {...field("colour", "colour")} />
              <TextField
                label="Peroxide ready for use, by its leaflet"
                unit="%"
                inputMode="decimal"
                hint="Empty where the leaflet says nothing."
                {...field("readyPeroxide", "ready.peroxide")}
              />
              <TextField
                label="… at so much developer to one part"
                unit="parts"
                inputMode="decimal"
                {...field("readyParts", "ready.developerParts")}
              />
            </>
          ) : null}
          <TextField label="In the pack" unit="g" inputMode="decimal" {...field("packG", "packG")} />
          <TextField label="Price of the pack" inputMode="decimal" {...field("packPrice", "packPrice")} />
          <TextField label="Good after opening" unit="days" inputMode="numeric" {...field("life", "lifeAfterOpeningDays")} />
        </div>
        {problem ? <Notice tone="stop" title={problem.message} /> : null}
        <Button type="submit">Keep it</Button>
      </form>
    </Dialog>
  );
}
