"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { familyLabel, mayLift } from "@/core/care";
import type { PatchFamily } from "@/core/mixing";
import { Button, Verdict, type Tone } from "@/ui";
import type { Products, ShownReading, ShownTest } from "./PatchTestSheets";

// Sheets are fetched when they are first opened.
const sheets = () => import("./PatchTestSheets");
const LiftSheet = dynamic(() => sheets().then((module) => module.LiftSheet));
const PlaceSheet = dynamic(() => sheets().then((module) => module.PlaceSheet));
const ReactionSheet = dynamic(() => sheets().then((module) => module.ReactionSheet));
const ReadSheet = dynamic(() => sheets().then((module) => module.ReadSheet));

export type ShownStanding = { readonly family: PatchFamily; readonly tone: Tone; readonly title: string; readonly says: string };
type Asking =
  | { readonly what: "place" | "reaction" }
  | { readonly what: "read"; readonly test: ShownTest }
  | { readonly what: "lift"; readonly reading: ShownReading; readonly family: PatchFamily };

const SHOWN = 5;

/** Where a client stands with patch tests, and every test and look on record; they are only added to. */
export function PatchTests({
  clientId,
  standings,
  tests,
  products,
  now,
  mayLiftReactions,
}: {
  clientId: string;
  standings: readonly ShownStanding[];
  tests: readonly ShownTest[];
  products: Products;
  /** The studio's day and hour now, and the same moment, ms. */
  now: { readonly day: string; readonly time: string; readonly ms: number };
  mayLiftReactions: boolean;
}) {
  const [asking, setAsking] = useState<Asking | null>(null);
  const [all, setAll] = useState(false);
  const newestFirst = [...tests].reverse();
  const close = () => setAsking(null);
  return (
    <div>
      {standings.map(({ family, tone, title, says }) => (
        <div key={family} className="mb-1">
          <Verdict tone={tone}>{title}</Verdict>
          <p className="mt-0.5 text-[0.9375rem] text-ink-2">{says}</p>
        </div>
      ))}
      {tests.length > 0 ? (
        <ul className="mt-2 space-y-1.5 text-sm text-ink-2">
          {newestFirst.slice(0, all ? undefined : SHOWN).map((test) => (
            <li key={test.id}>
              {familyLabel(test.family)}
              {test.product ? `, ${test.product}` : ""}: placed {test.placed}
              {test.readings.length === 0 ? ", not read yet" : ""}
              {test.readings.map((reading) => (
                <span key={reading.id} className="block pl-3">
                  {reading.result === "reaction" ? <Verdict tone="stop">reaction{reading.severe ? ", grave" : ""}</Verdict> : "clear"},{" "}
                  {reading.when}
                  {reading.liftings.map(({ product, finding, when }) => (
                    <span key={product} className="block">
                      Lifted by the owner for {product} only, {when}: {finding}
                    </span>
                  ))}
                  {mayLiftReactions && reading.result === "reaction" && mayLift(reading) === null ? (
                    <Button
                      tone="plain"
                      className="min-h-8 px-2 text-sm"
                      onClick={() => setAsking({ what: "lift", reading, family: test.family })}
                    >
                      Lift for one product
                    </Button>
                  ) : null}
                </span>
              ))}
              <Button tone="plain" className="min-h-8 px-2 text-sm" onClick={() => setAsking({ what: "read", test })}>
                {test.readings.length === 0 ? "Read it" : "Read it again"}
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      {tests.length > SHOWN ? (
        <Button tone="plain" className="-ml-4" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `All ${tests.length} tests`}
        </Button>
      ) : null}
      <div className="mt-1 -ml-4 flex flex-wrap">
        <Button tone="plain" onClick={() => setAsking({ what: "place" })}>
          Place a patch test
        </Button>
        <Button tone="plain" onClick={() => setAsking({ what: "reaction" })}>
          Note a reaction
        </Button>
      </div>
      {asking?.what === "place" ? <PlaceSheet {...{ clientId, products, now, close }} /> : null}
      {asking?.what === "reaction" ? <ReactionSheet {...{ clientId, products, now, close }} /> : null}
      {asking?.what === "read" ? <ReadSheet test={asking.test} now={now} close={close} /> : null}
      {asking?.what === "lift" ? (
        <LiftSheet reading={asking.reading} products={products.filter(({ family }) => family === asking.family)} close={close} />
      ) : null}
    </div>
  );
}
