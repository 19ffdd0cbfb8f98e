"use client";
import { useState } from "react";
import { SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { newId } from "@/ui/newId";
import { openLot } from "./lotActions";

/** A bottle or a pack just opened, by the lot that stands on it; of one product, or of one to be chosen. */
export function LotSheet({
  title,
  products,
  productLabel = "Product",
  today,
  onClose,
}: {
  title: string;
  products: readonly { readonly id: string; readonly name: string }[];
  /** Over the choice of a product, where there are several. */
  productLabel?: string;
  today: string;
  onClose: () => void;
}) {
  const [id] = useState(newId);
  const form = useStudioForm({
    values: { productId: products[0]?.id ?? "", lot: "", openedOn: today, expiresOn: "" },
    input: (typed) => ({ id, ...typed }),
    schema: () => import("./schema").then(({ lotForm }) => lotForm),
    send: openLot,
    onKept: onClose,
  });
  return (
    <FormSheet title={title} form={form} submit="Open it" onClose={onClose}>
      {products.length === 1 ? null : (
        <SelectField label={productLabel} {...form.field("productId")}>
          {products.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </SelectField>
      )}
      <TextField label="Lot" {...form.field("lot")} />
      <TextField label="Opened on" type="date" max={today} {...form.field("openedOn")} />
      <TextField
        label="Good until, as printed"
        hint="Past it, or past its life after opening, it is not used. Left empty where nothing is printed."
        type="date"
        {...form.field("expiresOn")}
      />
    </FormSheet>
  );
}
