"use client";
import Link from "next/link";
import { Button, Verdict } from "@/ui";
import type { StockedProduct } from "@/features/shelf/stock";

/** Which tube or bottle a step's product comes from: one tap each. */
export function BatchChoice({
  products,
  onChoose,
}: {
  products: readonly StockedProduct[];
  onChoose: (productId: string, batchId: string) => void;
}) {
  const open = products.flatMap(({ id, document, batches }) => batches.map((batch) => ({ productId: id, name: document.name, ...batch })));
  const first = open.find(({ past }) => past?.weight !== "stop");
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
      {open.map(({ id, productId, name, lot, past }) => (
        <Button
          key={id}
          size="bedNarrow"
          tone={id === first?.id ? "ivy" : "line"}
          disabled={past?.weight === "stop"}
          onClick={() => onChoose(productId, id)}
        >
          {name}, lot {lot}
        </Button>
      ))}
      {open.map(({ id, past }) =>
        past ? (
          <p key={id} className="w-full text-lg">
            <Verdict tone="stop">{past.words} Not on eyes or skin.</Verdict>
          </p>
        ) : null,
      )}
    </div>
  );
}
