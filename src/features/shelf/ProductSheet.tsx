"use client";
import { COLOURING, PRODUCT_KINDS, type Product, type ProductKind } from "@/core/mixing";
import { SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { readNumber } from "@/ui/readNumber";
import { keepProduct } from "./stockActions";
import type { StockedProduct } from "./stock";

const CONSISTENCIES = ["liquid", "cream", "powder"] as const;
const typed = (value: number | null | undefined, times = 1) =>
  value === null || value === undefined ? "" : String(Math.round(value * times * 1000) / 1000);
const read = (text: string, times = 1) => (text.trim() === "" ? null : (readNumber(text) ?? NaN) / times);

type Typed = Readonly<Record<"name" | "peroxide" | "readyPeroxide" | "readyParts" | "colour" | "packG" | "packPrice" | "life", string>> &
  Pick<Product, "kind" | "consistency">;

/** Places of the document whose field is called otherwise. */
const FIELD_OF: Readonly<Record<string, string>> = {
  "document.ready.peroxide": "readyPeroxide",
  "document.ready.developerParts": "readyParts",
  "document.lifeAfterOpeningDays": "life",
};

/** The product that was typed; what is not asked for stays as it was. */
function documentOf(given: Typed, known: Product | undefined): Product {
  const ready = read(given.readyPeroxide, 100);
  const colours = COLOURING.includes(given.kind);
  return {
    version: 1,
    name: given.name,
    kind: given.kind,
    consistency: given.consistency,
    peroxide: given.kind === "developer" ? (read(given.peroxide, 100) ?? Number.NaN) : null,
    ready: colours && ready !== null ? { peroxide: ready, developerParts: read(given.readyParts) ?? 1 } : null,
    colour: colours ? given.colour : null,
    densityGMl: known?.densityGMl ?? null,
    nozzleMm: known?.nozzleMm ?? null,
    dropsPerGram: known?.dropsPerGram ?? null,
    packG: read(given.packG),
    packPrice: read(given.packPrice),
    lifeAfterOpeningDays: read(given.life),
  };
}

/** A product as its leaflet describes it. */
export function ProductSheet({ product, onClose }: { product: StockedProduct | null; onClose: () => void }) {
  const known = product?.document;
  const form = useStudioForm({
    values: {
      kind: known?.kind ?? ("tint" as ProductKind),
      name: known?.name ?? "",
      consistency: known?.consistency ?? ("cream" as Product["consistency"]),
      peroxide: typed(known?.peroxide, 100),
      readyPeroxide: typed(known?.ready?.peroxide, 100),
      readyParts: typed(known?.ready?.developerParts),
      colour: known?.colour ?? "#2a1f1a",
      packG: typed(known?.packG),
      packPrice: typed(known?.packPrice),
      life: typed(known?.lifeAfterOpeningDays),
    },
    input: (given) => ({ id: product?.id ?? null, base: product?.revision ?? 0, document: documentOf(given, known) }),
    schema: () => import("./schema").then(({ productForm }) => productForm),
    send: keepProduct,
    onKept: onClose,
    fieldOf: (path) => FIELD_OF[path] ?? path.replace(/^document\./, ""),
  });
  const kind = form.now.kind;
  return (
    <FormSheet title={known ? known.name : "A product"} form={form} submit="Keep it" onClose={onClose}>
      <TextField label="Name" {...form.field("name")} />
      <div className="grid grid-cols-2 gap-4">
        <SelectField label="What it is" disabled={known !== undefined} {...form.field("kind")}>
          {(Object.keys(PRODUCT_KINDS) as ProductKind[]).map((id) => (
            <option key={id} value={id}>
              {PRODUCT_KINDS[id].label}
            </option>
          ))}
        </SelectField>
        <SelectField label="Consistency" {...form.field("consistency")}>
          {CONSISTENCIES.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </SelectField>
        {kind === "developer" ? <TextField label="Peroxide" unit="%" inputMode="decimal" {...form.field("peroxide")} /> : null}
        {COLOURING.includes(kind) ? (
          <>
            <TextField label="Colour it leaves on white" type="color" {...form.field("colour")} />
            <TextField
              label="Peroxide ready for use, by its leaflet"
              unit="%"
              inputMode="decimal"
              hint="Empty where the leaflet says nothing."
              {...form.field("readyPeroxide")}
            />
            <TextField label="… at so much developer to one part" unit="parts" inputMode="decimal" {...form.field("readyParts")} />
          </>
        ) : null}
        <TextField label="In the pack" unit="g" inputMode="decimal" {...form.field("packG")} />
        <TextField label="Price of the pack" inputMode="decimal" {...form.field("packPrice")} />
        <TextField label="Good after opening" unit="days" inputMode="numeric" {...form.field("life")} />
      </div>
    </FormSheet>
  );
}
