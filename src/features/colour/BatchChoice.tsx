"use client";
import Link from "next/link";
import { Button } from "@/ui";
import type { StockedProduct } from "./stock";

/** Which tube or bottle a step's product comes from: one tap each. */
export function BatchChoice({
  products,
  onChoose,
}: {
  products: readonly StockedProduct[];
  onChoose: (productId: string, batchId: string) => void;
}) {
  const open = products.flatMap(({ id, document, batches }) => batches.map((batch) => ({ productId: id, name: document.name, ...batch })));
  if (open.length === 0)
    return (
      <p className="mt-3 text-xl">
        No open batch of it on the shelf.{" "}
        <Link href="/colour" className="text-ivy underline">
          Open one
        </Link>{" "}
        with its lot first.
      </p>
    );
  return (
    <div className="mt-1 flex flex-wrap gap-3">
      {open.map(({ id, productId, name, lot }, i) => (
        <Button key={id} size="bedNarrow" tone={i === 0 ? "ivy" : "line"} onClick={() => onChoose(productId, id)}>
          {name}, lot {lot}
        </Button>
      ))}
    </div>
  );
}
