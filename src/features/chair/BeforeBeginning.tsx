"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Air } from "@/core/air";
import { asksOf, isCovered, stopsOf, withProducts } from "@/core/care";
import { serviceOf } from "@/core/service";
import { CareCheck } from "@/features/care/CareCheck";
import { Findings } from "@/features/care/Findings";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { Button, Notice } from "@/ui";
import { newId } from "@/ui/newId";
import { begin } from "@/features/visit/actions";
import { BottleChoice } from "./BottleChoice";
import { LengthRows } from "./LengthRows";

import { PlaceOfVisit } from "@/features/visit/PlaceOfVisit";
import { reasonDraft } from "./LateReason";
import { readWords, useDraft } from "@/features/tablet/useDraft";
import type { VisitProps } from "./visitProps";
import { EMPTY_VISIT } from "@/core/visit";
import { useFill } from "@/features/fill/useFill";
import { useNow, useTabletStore } from "@/features/tablet/TabletProvider";

/** The drawing is fetched once the page stands. */
const EyesPicture = dynamic(() => import("@/features/drawing/EyesPicture").then((module) => module.EyesPicture), {
  ssr: false,
  loading: () => <div className="h-64" aria-hidden="true" />,
});

const FillSummary = dynamic(() => import("@/features/fill/FillPanel").then((module) => module.FillSummary));
const MINUTE_MS = 60_000;

/** The bottle that is chosen, as care judges it: here at once, and by the server once more. */
const asUsed = ({ bottle }: RatedBottle) => ({
  productId: bottle.adhesiveId,
  name: `${bottle.adhesive.name}, lot ${bottle.lot}`,
  family: "adhesive" as const,
  openedOn: bottle.openedOn,
  lifeAfterOpeningDays: bottle.adhesive.lifeAfterOpeningDays,
  expiresOn: bottle.expiresOn,
});

/** A set or fill that has its map and is to begin: what stands against it, the bottle, and the one door. */
export function BeforeBeginning({
  visit,
  rated,
  bottleId,
  air,
  onBottle,
}: {
  visit: VisitProps;
  rated: readonly RatedBottle[];
  bottleId: string | null;
  air: Air | null;
  onBottle: (id: string) => void;
}) {
  const store = useTabletStore();
  const { keep } = useDraft(reasonDraft(visit.id), readWords);
  const [reason, setReason] = useState(visit.reason);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<{ message: string; field?: string | undefined } | null>(null);
  const { onClient } = serviceOf(visit.service);
  const fill = useFill(visit, EMPTY_VISIT, useNow(MINUTE_MS));
  const chosen = rated.filter(({ bottle }) => bottle.id === bottleId).map(asUsed);
  const findings = withProducts(visit.service, visit.care.findings, chosen, visit.today);
  const stopped = stopsOf(findings).length > 0;
  const keys = asksOf(findings).map(({ key }) => key);

  const go = async () => {
    setBusy(true);
    const eventId = newId();
    const result = await begin({ visitId: visit.id, eventId, bottleId, air, reason }).catch(() => null);
    setBusy(false);
    if (result?.ok) return void store.refresh();
    if (result) return setProblem({ message: result.message, field: result.fields.reason });
    // No server in reach: the standing this tablet last got decides. The tap is kept and rated when it arrives, the reason after it.
    if (!isCovered(findings, reason, keys) && keys.length > 0)
      return setProblem({
        message: "The server does not answer. Write why it goes ahead; it is sent when it does.",
        field: "A reason is needed.",
      });
    if (keys.length > 0) keep(reason, null);
    await store.tap(visit.id, "started", { bottleId, air });
  };
  return (
    <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-2">
      <div>
        <h2 className="text-3xl">Ready to begin</h2>
        {onClient ? (
          <div className="mt-4">
            <CareCheck
              care={visit.care}
              findings={findings}
              reason={reason}
              error={problem?.field}
              onReason={(words) => {
                setReason(words);
                setProblem(null);
              }}
            />
          </div>
        ) : (
          <Findings findings={findings} />
        )}
        {fill && visit.found ? (
          <p className="mt-4 max-w-xl text-[1.0625rem]">
            <FillSummary outlook={fill} found={visit.found} />
          </p>
        ) : null}
        <div className="mt-4 max-w-md">
          <BottleChoice rated={rated} value={bottleId ?? ""} onChange={onBottle} />
        </div>
        <p className="mt-4 max-w-xl text-ink-2">
          {onClient
            ? "Anything in the eye? Lower lashes all under the pad? Look with the mirror before the first lash. Leaflets, local code and your licence come before all of this."
            : "Adhesive is adhesive here too: gloves, an aired room, none on skin."}
        </p>
        {problem ? <Notice tone="stop" title={problem.message} className="mt-4 max-w-xl" /> : null}
        <Button size="bed" className="mt-5" disabled={busy || stopped} onClick={() => void go()}>
          {busy ? "Beginning…" : "Begin the visit"}
        </Button>
        {stopped ? <p className="mt-2 text-ink-2">A stop is not passed at the chair.</p> : null}
        <PlaceOfVisit visit={visit} />
      </div>
      {visit.map ? (
        <div className="min-w-0 space-y-6">
          {visit.ground ? (
            <EyesPicture
              of={{ ...visit.ground, map: visit.map, policy: visit.policy }}
              view="pad"
              label={`${visit.map.title} on the pads, from the bed head: client's left on your left`}
              guess={560}
            />
          ) : null}
          <LengthRows map={visit.map} />
        </div>
      ) : null}
    </div>
  );
}
