"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { PRODUCT_KINDS } from "@/core/mixing";
import { Button, Notice, Verdict } from "@/ui";
import { dayWords } from "@/ui/dayWords";
import { answered } from "@/ui/answered";
import { emptyLot } from "./lotActions";
import type { StockedProduct } from "./stock";

// Sheets are fetched when they are first opened.
const LotSheet = dynamic(() => import("./LotSheet").then((sheet) => sheet.LotSheet));
const CalibrateSheet = dynamic(() => import("./CalibrateSheet").then((sheet) => sheet.CalibrateSheet));
const DilutionSheet = dynamic(() => import("./DilutionSheet").then((sheet) => sheet.DilutionSheet));
const ProductSheet = dynamic(() => import("./ProductSheet").then((sheet) => sheet.ProductSheet));

type Sheet =
  | { readonly kind: "product" | "batch" | "calibrate"; readonly product: StockedProduct | null }
  | { readonly kind: "dilute"; readonly product: null };

const doseKnown = ({ document }: StockedProduct) => {
  const known = [
    document.dropsPerGram === null ? "" : `${document.dropsPerGram} drops/g`,
    document.nozzleMm === null ? "" : `nozzle ${document.nozzleMm} mm`,
  ].filter(Boolean);
  return known.length > 0 ? known.join(", ") : null;
};

/** Lotions, tints, developers: what they are, the lots in use, whether their doses are known. */
export function Products({ products, today, mayChange }: { products: readonly StockedProduct[]; today: string; mayChange: boolean }) {
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [emptied, setEmptied] = useState<{ readonly id: string; readonly name: string } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  /** One tap empties a lot, and one takes it back. */
  const mark = async (lot: { readonly id: string; readonly name: string }, isEmpty: boolean) => {
    const result = await answered(emptyLot({ id: lot.id, emptied: isEmpty }), "Nothing was changed.");
    setProblem(result.ok ? null : result.message);
    if (result.ok) setEmptied(isEmpty ? lot : null);
  };
  return (
    <section aria-label="Products" className="mt-10">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-2xl">Products</h2>
        {mayChange ? (
          <Button tone="plain" onClick={() => setSheet({ kind: "product", product: null })}>
            Add a product
          </Button>
        ) : null}
        <Button tone="plain" onClick={() => setSheet({ kind: "dilute", product: null })}>
          Dilute or blend
        </Button>
      </div>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      {emptied ? (
        <Notice tone="note" title={`${emptied.name} is empty`} className="mt-3">
          <Button tone="line" className="mt-1" onClick={() => void mark(emptied, false)}>
            Not empty after all
          </Button>
        </Notice>
      ) : null}
      <div className="relative overflow-x-auto">
        <table className="mt-2 w-full min-w-[46rem] text-[0.9375rem]">
          <thead>
            <tr className="text-left text-sm text-ink-2">
              {["product", "what it is", "doses", "lots in use", ""].map((head, i) => (
                <th key={i} scope="col" className="py-1 font-normal">
                  {head || <span className="sr-only">what may be done</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {products.map((product) => {
              const { id, document, batches } = product;
              const known = doseKnown(product);
              const dosed = document.kind === "tint" || document.kind === "developer" || document.kind === "lightener";
              return (
                <tr key={id} className="border-t border-line align-top">
                  <th scope="row" className="py-2 pr-4 text-left font-semibold">
                    <span className="inline-flex items-center gap-2">
                      {document.colour ? (
                        <span
                          aria-hidden="true"
                          className="size-5 rounded-full border border-line-strong"
                          style={{ background: document.colour }}
                        />
                      ) : null}
                      {document.name}
                    </span>
                  </th>
                  <td className="py-2 pr-4">
                    {PRODUCT_KINDS[document.kind].label}
                    {document.peroxide === null
                      ? ""
                      : ` ${(document.peroxide * 100).toFixed(document.peroxide * 100 === Math.round(document.peroxide * 100) ? 0 : 1)} %`}
                    , {document.consistency}
                  </td>
                  <td className="py-2 pr-4">
                    {known ?? (dosed ? <Verdict tone="look">not measured yet</Verdict> : <span className="text-ink-2">ready</span>)}
                  </td>
                  <td className="py-2 pr-4">
                    {batches.length === 0 ? <Verdict tone="look">none open</Verdict> : null}
                    {batches.map(({ id: batchId, lot, openedOn, expiresOn, past }) => (
                      <span key={batchId} id={`lot-${batchId}`} className="flex scroll-mt-24 items-center gap-2">
                        {lot}, opened {dayWords(openedOn)}
                        {expiresOn ? `, good until ${dayWords(expiresOn)}` : ""}
                        {past ? <Verdict tone={past.weight === "stop" ? "stop" : "look"}>past</Verdict> : null}
                        <button
                          type="button"
                          className="text-sm text-ivy underline"
                          onClick={() => void mark({ id: batchId, name: `${document.name}, lot ${lot}` }, true)}
                        >
                          empty
                        </button>
                      </span>
                    ))}
                  </td>
                  <td className="py-1 text-right whitespace-nowrap">
                    <Button tone="plain" onClick={() => setSheet({ kind: "batch", product })}>
                      Open a lot
                    </Button>
                    {mayChange && dosed ? (
                      <Button tone="plain" onClick={() => setSheet({ kind: "calibrate", product })}>
                        Measure
                      </Button>
                    ) : null}
                    {mayChange ? (
                      <Button tone="plain" onClick={() => setSheet({ kind: "product", product })}>
                        Edit
                      </Button>
                    ) : null}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {products.length === 0 ? (
        <p className="mt-2 text-ink-2">No product yet. Add the lotions, tints and developers you use, each from its leaflet.</p>
      ) : null}
      {sheet?.kind === "product" ? <ProductSheet product={sheet.product} onClose={() => setSheet(null)} /> : null}
      {sheet?.kind === "batch" ? (
        <LotSheet
          title={`${sheet.product!.document.name}: open a lot`}
          products={[{ id: sheet.product!.id, name: sheet.product!.document.name }]}
          today={today}
          onClose={() => setSheet(null)}
        />
      ) : null}
      {sheet?.kind === "calibrate" ? <CalibrateSheet product={sheet.product!} onClose={() => setSheet(null)} /> : null}
      {sheet?.kind === "dilute" ? <DilutionSheet onClose={() => setSheet(null)} /> : null}
    </section>
  );
}
