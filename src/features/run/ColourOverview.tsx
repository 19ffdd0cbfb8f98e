"use client";
import { SERVICES, type ServiceId } from "@/core/service";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useEffect } from "react";
import { coatsOn, isRunDone, lanesOf, nextTap } from "@/core/processing";
import { visitState, type KeptEvent } from "@/core/visit";
import { useNow, useTabletState, useTabletStore } from "@/features/tablet/TabletProvider";
import { Empty, LinkButton } from "@/ui";
import { Products } from "@/features/shelf/Products";
import { soonWords } from "./runWords";
import { Shields } from "@/features/shelf/Shields";
import type { OfferedProtocol } from "@/features/protocols/data";
import type { StockedProduct, StockedShield } from "@/features/shelf/stock";

// Drawn while something is processed.
const RunLanes = dynamic(() => import("@/features/drawing/RunLanes").then((module) => module.RunLanes));

export type OverviewVisit = {
  readonly id: string;
  readonly clientName: string;
  readonly service: ServiceId;
  readonly where: string;
  readonly time: string;
  readonly events: readonly KeptEvent[];
};

/** Everything that is processed in the studio now, each client by name and place, and what it is worked with. */
export function ColourOverview({
  visits,
  protocols,
  products,
  shields,
  timeZone,
  today,
  mayChange,
}: {
  visits: readonly OverviewVisit[];
  protocols: readonly OfferedProtocol[];
  products: readonly StockedProduct[];
  shields: readonly StockedShield[];
  timeZone: string;
  today: string;
  mayChange: boolean;
}) {
  const store = useTabletStore();
  const folds = useTabletState((state) => state.folds);
  const now = useNow();
  useEffect(() => visits.forEach((visit) => store.adopt(visit.events)), [store, visits]);
  const seen = visits.map((visit) => ({ ...visit, state: folds.get(visit.id)?.state ?? visitState(visit.events) }));
  const running = seen.filter(({ state }) => state.head.finishedAtMs === null && state.run.plan !== null);
  const agreed = seen.filter(({ state }) => state.head.finishedAtMs === null && state.run.plan === null);
  return (
    <div className="pt-4">
      <h1 className="text-[2.25rem]">Colour and lift</h1>
      <section aria-label="Now" className="mt-3 space-y-6">
        {running.map(({ id, clientName, service, where, state }) => (
          <div key={id} className="border-t-2 border-ivy pt-2">
            <div className="flex flex-wrap items-baseline gap-x-4">
              <h2 className="text-2xl">
                <Link href={`/visits/${id}`} className="hover:underline">
                  <bdi>{clientName}</bdi>
                </Link>
              </h2>
              <p className="text-lg font-semibold text-ink-2">{where}</p>
              <p className="text-ink-2">{SERVICES[service].label}</p>
              {now === null ? null : (
                <p className="ml-auto text-lg">
                  {state.run.stop ? "Stopped" : isRunDone(state.run) ? "to be judged" : soonWords(state.run, nextTap(state.run, now))}
                  {coatsOn(state.run).length > 0 ? `, ${coatsOn(state.run).length} on` : ""}
                </p>
              )}
            </div>
            {now === null ? null : (
              <RunLanes lanes={lanesOf(state.run, now)} nowMs={now} timeZone={timeZone} begun={state.run.coats.length > 0} />
            )}
          </div>
        ))}
        {running.length === 0 && agreed.length === 0 ? (
          <Empty title="Nothing is being processed">Begin from a client’s page: colour or lift, then the plan.</Empty>
        ) : null}
        {agreed.length > 0 ? (
          <ul className="border-t border-line">
            {agreed.map(({ id, clientName, service, where, time }) => (
              <li key={id} className="border-b border-line">
                <Link href={`/visits/${id}`} className="flex min-h-11 flex-wrap items-center gap-x-5 px-2 hover:bg-moss-soft">
                  <span className="w-14 font-semibold">{time}</span>
                  <bdi className="min-w-48 font-semibold">{clientName}</bdi>
                  <span className="text-ink-2">
                    {SERVICES[service].label}, {where}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        ) : null}
      </section>

      <div className="mt-10 grid gap-x-14 gap-y-10 lg:grid-cols-2">
        <section aria-label="Protocols" className="min-w-0">
          <div className="flex items-baseline justify-between">
            <h2 className="text-2xl">Protocols</h2>
            {mayChange ? (
              <LinkButton tone="plain" href="/colour/protocols/read">
                Read one from a file
              </LinkButton>
            ) : null}
          </div>
          <ul className="mt-2 border-t border-line">
            {protocols.map(({ id, revision, document }) => (
              <li key={id ?? document.service} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-1.5">
                <Link href={`/colour/protocols/${id ?? document.service}`} className="min-h-9 min-w-0 py-1.5 hover:underline">
                  <b className="break-words">{document.name}</b>{" "}
                  <span className="ml-2 text-sm text-ink-2">
                    {SERVICES[document.service].label}, {id === null ? "generic" : `own, ${revision} ${revision === 1 ? "save" : "saves"}`}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        <Shields shields={shields} mayChange={mayChange} />
      </div>
      <Products products={products} today={today} mayChange={mayChange} />
      <p className="mt-8 text-sm text-ink-2">What a leaflet says comes before every default here, and your local code before both.</p>
    </div>
  );
}
