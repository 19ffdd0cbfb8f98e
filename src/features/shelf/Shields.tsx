"use client";
import { useState } from "react";
import { rawTurnDeg } from "@/core/lift";
import { Button, Notice, SelectField, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { readNumber } from "@/ui/readNumber";
import { addShield, removeShield } from "./stockActions";
import type { StockedShield } from "./stock";
import { answered } from "@/ui/answered";

/** Shields and rods in stock, drawn as large as they are to each other, with what they do to a 9 mm lash. */
export function Shields({ shields, mayChange }: { shields: readonly StockedShield[]; mayChange: boolean }) {
  const [problem, setProblem] = useState<string | null>(null);
  const form = useStudioForm({
    values: { name: "", kind: "shield" as "shield" | "rod", radiusMm: "" },
    input: (typed) => ({ version: 1, ...typed, radiusMm: readNumber(typed.radiusMm) ?? NaN }),
    schema: () => import("@/core/lift").then(({ shieldSchema }) => shieldSchema),
    send: addShield,
    restarts: true,
  });
  const takeOut = async (id: string) => {
    const result = await answered(removeShield({ id }), "Nothing was changed.");
    setProblem(result.ok ? null : result.message);
  };
  return (
    <section aria-label="Shields and rods" className="min-w-0">
      <h2 className="text-2xl">Shields and rods</h2>
      <ul className="mt-2 border-t border-line">
        {shields.map(({ id, document }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line py-1.5">
            <svg width="56" height="40" viewBox="-30 -36 60 44" aria-hidden="true" className="shrink-0">
              <path
                d={
                  document.kind === "rod"
                    ? `M${-document.radiusMm * 4} ${-document.radiusMm * 4}a${document.radiusMm * 4} ${document.radiusMm * 4} 0 1 1 ${document.radiusMm * 8} 0a${document.radiusMm * 4} ${document.radiusMm * 4} 0 1 1 ${-document.radiusMm * 8} 0`
                    : `M${-document.radiusMm * 4.6} 2A${document.radiusMm * 4.6} ${document.radiusMm * 4.6} 0 0 1 ${document.radiusMm * 4.6} 2`
                }
                fill="none"
                stroke="var(--ivy)"
                strokeWidth="2"
              />
            </svg>
            <span className="w-28 font-semibold break-words">{document.name}</span>
            <span className="text-ink-2">
              {document.kind}, r {document.radiusMm} mm; turns 9 mm by {Math.round(rawTurnDeg(9, document.radiusMm))}°
            </span>
            {mayChange ? (
              <Button tone="plain" className="ml-auto" onClick={() => void takeOut(id)}>
                Take out
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      {mayChange ? (
        <FormBody form={form} submit="Add" working="Adding…" tone="line" aria-label="Add a shield or rod" className="mt-3">
          <div className="flex flex-wrap items-start gap-3">
            <div className="w-36">
              <TextField label="Name" {...form.field("name")} />
            </div>
            <div className="w-28">
              <SelectField label="Kind" {...form.field("kind")}>
                <option value="shield">shield</option>
                <option value="rod">rod</option>
              </SelectField>
            </div>
            <div className="w-32">
              <TextField label="Radius" unit="mm" inputMode="decimal" {...form.field("radiusMm")} />
            </div>
          </div>
        </FormBody>
      ) : null}
    </section>
  );
}
