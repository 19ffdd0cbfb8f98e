"use client";
import { useState } from "react";
import { familyLabel, mayRead } from "@/core/care";
import { PATCH_FAMILIES, type PatchFamily } from "@/core/mixing";
import { Button, Choice, Dialog, Notice, SelectField, TextArea, TextField } from "@/ui";
import { newId } from "@/ui/newId";
import { liftReaction, noteReaction, placePatchTest, readPatchTest } from "./patchTestActions";
import { answered } from "@/ui/answered";

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
type Told = { readonly message: string; readonly fields: Readonly<Record<string, string>> } | null;

type Sheet = {
  readonly clientId: string;
  readonly products: Products;
  readonly now: { readonly day: string; readonly time: string; readonly ms: number };
  readonly close: () => void;
};

/** Sends a form once, whatever is tapped; keeps what was typed where it does not go through. */
function useSending(close: () => void) {
  const [told, setTold] = useState<Told>(null);
  const [busy, setBusy] = useState(false);
  const [ids] = useState(() => [newId(), newId()] as const);
  const send = async (
    work: (
      ids: readonly [string, string],
    ) => Promise<{ ok: true } | { ok: false; message: string; fields: Readonly<Record<string, string>> }>,
  ) => {
    setBusy(true);
    const result = await answered(work(ids), "What you typed is still here.");
    setBusy(false);
    if (result.ok) close();
    else setTold(result);
  };
  return { told, busy, send };
}

function Moment({ now, told, label }: { now: Sheet["now"]; told: Told; label: string }) {
  return (
    <div className="grid grid-cols-2 gap-4">
      <TextField label={`${label}, day`} name="day" type="date" max={now.day} defaultValue={now.day} error={told?.fields.day} />
      <TextField label="hour" name="time" type="time" defaultValue={now.time} error={told?.fields.time} />
    </div>
  );
}

function FamilyAndProduct({ products, told }: { products: Products; told: Told }) {
  const [family, setFamily] = useState<PatchFamily>("adhesive");
  return (
    <>
      <SelectField
        label="Of"
        name="family"
        value={family}
        onChange={(event) => setFamily(event.target.value as PatchFamily)}
        error={told?.fields.family}
      >
        {PATCH_FAMILIES.map((id) => (
          <option key={id} value={id}>
            {familyLabel(id)}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Product"
        name="productId"
        defaultValue=""
        error={told?.fields.productId}
        hint="A new product of the same family is asked about again."
      >
        <option value="">not noted</option>
        {products
          .filter((one) => one.family === family)
          .map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
      </SelectField>
    </>
  );
}

const read = (event: React.FormEvent<HTMLFormElement>) => {
  event.preventDefault();
  return Object.fromEntries(new FormData(event.currentTarget)) as Record<string, string>;
};

export function PlaceSheet({ clientId, products, now, close }: Sheet) {
  const { told, busy, send } = useSending(close);
  return (
    <Dialog open onOpenChange={(open) => !open && close()} title="Place a patch test">
      <form
        className="space-y-4"
        onSubmit={(event) => {
          const { leaflet24, ...form } = read(event);
          void send(([id]) => placePatchTest({ id, clientId, ...form, leaflet24: leaflet24 === "on" }));
        }}
      >
        <FamilyAndProduct products={products} told={told} />
        <Moment now={now} told={told} label="Placed" />
        <label className="flex min-h-9 items-center gap-3">
          <input type="checkbox" name="leaflet24" className="size-5 accent-[var(--ivy)]" />
          The leaflet has it read at 24 h; else it is read at 48 h
        </label>
        {told ? <Notice tone="stop" title={told.message} /> : null}
        <Button type="submit" disabled={busy}>
          Keep
        </Button>
      </form>
    </Dialog>
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
  const { told, busy, send } = useSending(close);
  const [result, setResult] = useState<"clear" | "reaction" | null>(null);
  const [severe, setSevere] = useState<string | null>(null);
  const early = result === "clear" ? mayRead(test, "clear", now.ms) : null;
  return (
    <Dialog open onOpenChange={(open) => !open && close()} title={`Patch test of ${test.placed}`}>
      <form
        className="space-y-4"
        onSubmit={(event) => {
          const form = read(event);
          void send(([id]) => readPatchTest({ id, testId: test.id, result, severe: severeOf(severe), ...form }));
        }}
      >
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
          onChange={(value) => setResult(value as "clear" | "reaction")}
        />
        {result === "reaction" ? <Severe value={severe} onChange={setSevere} /> : null}
        <Moment now={now} told={told} label="Read" />
        {early ? <Notice tone="look" title={early} /> : null}
        {told ? <Notice tone="stop" title={told.message} /> : null}
        <Button type="submit" disabled={busy || result === null || (result === "reaction" && severe === null)}>
          Keep
        </Button>
      </form>
    </Dialog>
  );
}

export function ReactionSheet({ clientId, products, now, close }: Sheet) {
  const { told, busy, send } = useSending(close);
  const [severe, setSevere] = useState<string | null>(null);
  return (
    <Dialog open onOpenChange={(open) => !open && close()} title="Note a reaction">
      <form
        className="space-y-4"
        onSubmit={(event) => {
          const form = read(event);
          void send(([id, readingId]) => noteReaction({ id, readingId, clientId, severe: severeOf(severe), ...form }));
        }}
      >
        <FamilyAndProduct products={products} told={told} />
        <Severe value={severe} onChange={setSevere} />
        <Moment now={now} told={told} label="Seen" />
        <p className="text-sm text-ink-2">It stands for good: nothing of that family on this client, whatever is tested later.</p>
        {told ? <Notice tone="stop" title={told.message} /> : null}
        <Button type="submit" disabled={busy || severe === null}>
          Keep
        </Button>
      </form>
    </Dialog>
  );
}

export function LiftSheet({ reading, products, close }: { reading: ShownReading; products: Products; close: () => void }) {
  const { told, busy, send } = useSending(close);
  return (
    <Dialog open onOpenChange={(open) => !open && close()} title="Lift a reaction for one product">
      <form
        className="space-y-4"
        onSubmit={(event) => {
          const form = read(event);
          void send(([id]) => liftReaction({ id, readingId: reading.id, ...form }));
        }}
      >
        <p className="text-ink-2">
          Only by a dermatologist’s written finding, for one product, in your name. It is shown ever after, and every other product of the
          family stays stopped.
        </p>
        <SelectField label="Product" name="productId" defaultValue="" error={told?.fields.productId}>
          <option value="">choose</option>
          {products.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <TextArea label="What the dermatologist wrote, who and when" name="finding" error={told?.fields.finding} maxLength={2000} />
        {told ? <Notice tone="stop" title={told.message} /> : null}
        <Button type="submit" tone="stop" disabled={busy}>
          Lift it for this product
        </Button>
      </form>
    </Dialog>
  );
}
