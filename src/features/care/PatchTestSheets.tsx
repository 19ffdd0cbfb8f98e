"use client";
import { useState } from "react";
import { familyLabel, mayRead } from "@/core/care";
import { PATCH_FAMILIES, type PatchFamily } from "@/core/mixing";
import { Choice, Notice, SelectField, TextArea, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { newId } from "@/ui/newId";
import { liftReaction, noteReaction, placePatchTest, readPatchTest } from "./patchTestActions";

export type ShownReading = {
  readonly id: string;
  readonly result: "clear" | "reaction";
  readonly severe: boolean | null;
  readonly when: string;
  readonly liftings: readonly { readonly product: string; readonly finding: string; readonly when: string }[];
};
export type ShownTest = {
  readonly id: string;
  readonly family: PatchFamily;
  readonly product: string | null;
  readonly placedAtMs: number;
  readonly readAfterHours: number;
  readonly placed: string;
  readonly readings: readonly ShownReading[];
};
export type Products = readonly { readonly id: string; readonly name: string; readonly family: PatchFamily }[];

type Sheet = {
  readonly clientId: string;
  readonly products: Products;
  readonly now: { readonly day: string; readonly time: string; readonly ms: number };
  readonly close: () => void;
};

type Field = (name: "day" | "time") => { readonly error: string | undefined };

/** A day and an hour on the studio's clock, up to now. */
function Moment({ now, field, label }: { now: Sheet["now"]; field: Field; label: string }) {
  return (
    <div className="grid grid-cols-2 gap-4">
      <TextField label={`${label}, day`} type="date" max={now.day} {...field("day")} />
      <TextField label="hour" type="time" {...field("time")} />
    </div>
  );
}

type ProductForm = {
  readonly now: { readonly family: PatchFamily };
  readonly field: (name: "family" | "productId", onChange?: () => void) => { readonly error: string | undefined };
  readonly set: (name: "productId", value: string) => void;
};

function FamilyAndProduct({ products, form: { now, field, set } }: { products: Products; form: ProductForm }) {
  return (
    <>
      <SelectField label="Of" {...field("family", () => set("productId", ""))}>
        {PATCH_FAMILIES.map((id) => (
          <option key={id} value={id}>
            {familyLabel(id)}
          </option>
        ))}
      </SelectField>
      <SelectField label="Product" hint="A new product of the same family is asked about again." {...field("productId")}>
        <option value="">not noted</option>
        {products
          .filter((one) => one.family === now.family)
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </SelectField>
    </>
  );
}

const schemas = () => import("./patchTestSchema");

export function PlaceSheet({ clientId, products, now, close }: Sheet) {
  const [id] = useState(newId);
  const form = useStudioForm({
    values: { family: "adhesive" as PatchFamily, productId: "", leaflet24: false, day: now.day, time: now.time },
    input: (typed) => ({ id, clientId, ...typed }),
    schema: () => schemas().then(({ placing }) => placing),
    send: placePatchTest,
    onKept: close,
  });
  const { error: _, ...leaflet24 } = form.field("leaflet24");
  return (
    <FormSheet title="Place a patch test" form={form} submit="Keep" onClose={close}>
      <FamilyAndProduct products={products} form={form} />
      <Moment now={now} field={form.field} label="Placed" />
      <label className="flex min-h-9 items-center gap-3">
        <input type="checkbox" className="size-5 accent-[var(--ivy)]" {...leaflet24} />
        The leaflet has it read at 24 h; else it is read at 48 h
      </label>
    </FormSheet>
  );
}

const SEVERE = [
  { value: "no", label: "no" },
  { value: "yes", label: "yes" },
  { value: "unsaid", label: "nobody knows" },
] as const;
const severeOf = (value: string | null) => (value === "yes" ? true : value === "no" ? false : null);

function Severe({ value, onChange }: { value: string | null; onChange: (value: string) => void }) {
  return (
    <div>
      <Choice label="Swelling, blisters or trouble breathing?" value={value ?? ""} options={[...SEVERE]} onChange={onChange} />
      <p className="mt-1 text-sm text-ink-2">After any of these, or where nobody knows, a reaction is never lifted.</p>
    </div>
  );
}

export function ReadSheet({ test, now, close }: { test: ShownTest; now: Sheet["now"]; close: () => void }) {
  const [id] = useState(newId);
  const form = useStudioForm({
    values: { result: null as "clear" | "reaction" | null, severe: null as string | null, day: now.day, time: now.time },
    input: ({ severe, ...typed }) => ({ id, testId: test.id, ...typed, severe: severeOf(severe) }),
    schema: () => schemas().then(({ testReading }) => testReading),
    send: readPatchTest,
    onKept: close,
  });
  const [result, severe] = [form.now.result, form.now.severe];
  const early = result === "clear" ? mayRead(test, "clear", now.ms) : null;
  const isUnsaid = result === null || (result === "reaction" && severe === null);
  return (
    <FormSheet title={`Patch test of ${test.placed}`} form={form} submit="Keep" disabled={isUnsaid} onClose={close}>
      <p className="text-ink-2">
        {familyLabel(test.family)}
        {test.product ? `, ${test.product}` : ""}; read at {test.readAfterHours} h. What is written down is never changed, only added to.
      </p>
      <Choice
        label="Seen"
        value={result ?? ""}
        options={[
          { value: "clear", label: "clear: no redness, no itch" },
          { value: "reaction", label: "a reaction" },
        ]}
        onChange={(value) => form.set("result", value as "clear" | "reaction")}
      />
      {result === "reaction" ? <Severe value={severe} onChange={(value) => form.set("severe", value)} /> : null}
      <Moment now={now} field={form.field} label="Read" />
      {early ? <Notice tone="look" title={early} /> : null}
    </FormSheet>
  );
}

export function ReactionSheet({ clientId, products, now, close }: Sheet) {
  const [ids] = useState(() => ({ id: newId(), readingId: newId() }));
  const form = useStudioForm({
    values: { family: "adhesive" as PatchFamily, productId: "", severe: null as string | null, day: now.day, time: now.time },
    input: ({ severe, ...typed }) => ({ ...ids, clientId, ...typed, severe: severeOf(severe) }),
    schema: () => schemas().then(({ reactionNote }) => reactionNote),
    send: noteReaction,
    onKept: close,
  });
  const severe = form.now.severe;
  return (
    <FormSheet title="Note a reaction" form={form} submit="Keep" disabled={severe === null} onClose={close}>
      <FamilyAndProduct products={products} form={form} />
      <Severe value={severe} onChange={(value) => form.set("severe", value)} />
      <Moment now={now} field={form.field} label="Seen" />
      <p className="text-sm text-ink-2">It stands for good: nothing of that family on this client, whatever is tested later.</p>
    </FormSheet>
  );
}

export function LiftSheet({ reading, products, close }: { reading: ShownReading; products: Products; close: () => void }) {
  const [id] = useState(newId);
  const form = useStudioForm({
    values: { productId: "", finding: "" },
    input: (typed) => ({ id, readingId: reading.id, ...typed }),
    schema: () => schemas().then(({ lifting }) => lifting),
    send: liftReaction,
    onKept: close,
  });
  return (
    <FormSheet title="Lift a reaction for one product" form={form} submit="Lift it for this product" tone="stop" onClose={close}>
      <p className="text-ink-2">
        Only by a dermatologist’s written finding, for one product, in your name. It is shown ever after, and every other product of the
        family stays stopped.
      </p>
      <SelectField label="Product" {...form.field("productId")}>
        <option value="">choose</option>
        {products.map(({ id: productId, name }) => (
          <option key={productId} value={productId}>
            {name}
          </option>
        ))}
      </SelectField>
      <TextArea label="What the dermatologist wrote, who and when" maxLength={2000} {...form.field("finding")} />
    </FormSheet>
  );
}
