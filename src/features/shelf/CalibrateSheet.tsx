"use client";
import { Choice, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { readNumber } from "@/ui/readNumber";
import { calibrateProduct } from "./stockActions";
import type { StockedProduct } from "./stock";

const numberOf = (text: string) => readNumber(text) ?? NaN;

/** Drops counted to a weight, or a ribbon weighed: from then on this product's doses are known. */
export function CalibrateSheet({ product, onClose }: { product: StockedProduct; onClose: () => void }) {
  const form = useStudioForm({
    values: {
      how: (product.document.consistency === "liquid" ? "drops" : "ribbon") as "drops" | "ribbon",
      drops: "",
      lengthCm: "",
      grams: "",
    },
    input: ({ how, drops, lengthCm, grams }) => ({
      id: product.id,
      how,
      ...(how === "drops" ? { drops: numberOf(drops) } : { lengthCm: numberOf(lengthCm) }),
      grams: numberOf(grams),
    }),
    schema: () => import("./schema").then(({ measureForm }) => measureForm),
    send: calibrateProduct,
    onKept: onClose,
  });
  const how = form.now.how;
  return (
    <FormSheet title={`Measure ${product.document.name}`} form={form} submit="Keep the measure" onClose={onClose}>
      <Choice
        label="By"
        value={how}
        options={[
          { value: "drops", label: "drops" },
          { value: "ribbon", label: "ribbon" },
        ]}
        onChange={(next) => form.set("how", next)}
      />
      <p className="text-[0.9375rem] text-ink-2">
        {how === "drops"
          ? "Put the dish on the scale, set it to nothing, count drops into it, read the weight. More drops tell more: thirty are good."
          : "Lay a ribbon along a ruler on the dish, read its weight. Longer ribbons tell more: five centimetres are good."}
      </p>
      {how === "drops" ? (
        <TextField key="drops" label="Drops" inputMode="numeric" {...form.field("drops")} />
      ) : (
        <TextField key="length" label="Length" unit="cm" inputMode="decimal" {...form.field("lengthCm")} />
      )}
      <TextField label="Weight" unit="g" inputMode="decimal" {...form.field("grams")} />
    </FormSheet>
  );
}
