"use client";
import Link from "next/link";
import { sideLabel } from "@/core/eye";
import { effectWords, ratioWords, silenceWords, type AcrossClients, type Told } from "@/core/retention";
import { counted, formatPercent, sentence } from "@/core/units";
import { EffectsChart, type DrawnEffect } from "./EffectsChart";
import { SurvivalPanel } from "./SurvivalPanel";
import type { Found } from "./useRetention";

/** What holds, where it is lost, and how many are on by each day: drawn, and in words. */
export function RetentionFindings({ found }: { found: Found }) {
  const { holds, data } = found;
  const told = holds.factors.filter((one): one is Told => one.kind === "told");
  const silent = holds.factors.flatMap((one) => (one.kind === "silent" ? [one] : []));
  const effects = told
    .flatMap((one) =>
      one.effects.map((effect): DrawnEffect => ({ told: one, effect, isFound: one.isFound && (effect.low > 1 || effect.high < 1) })),
    )
    .sort((a, b) => Number(b.isFound) - Number(a.isFound) || Math.abs(Math.log(b.effect.ratio)) - Math.abs(Math.log(a.effect.ratio)));
  const named = effects.filter(({ isFound }) => isFound);
  const { hazardPerDay, behind } = holds;
  return (
    <>
      <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <section aria-labelledby="holds">
          <h2 id="holds" className="text-2xl">
            What holds, and what costs
          </h2>
          <p className="mt-1 mb-3 text-[0.9375rem] text-ink-2">
            Bonds lost a day beside the ordinary way, from {counted(behind.fills, "fill")} of {counted(behind.clients, "client")}, season
            allowed for. A line is where it lies in 95 of 100.
          </p>
          {effects.length > 0 ? <EffectsChart effects={effects} /> : <p>Nothing can be told yet.</p>}
        </section>
        <section aria-labelledby="in-words">
          <h2 id="in-words" className="text-2xl">
            In words
          </h2>
          <ul className="mt-2 space-y-2.5">
            {named.map(({ told: one, effect }) => (
              <li key={`${one.factor.id} ${effect.level.id}`}>{effectWords(one, effect)}</li>
            ))}
            {named.length === 0 ? <li>Nothing that was asked makes a difference that can be told from chance.</li> : null}
          </ul>
          <p className="mt-3 text-[0.9375rem] text-ink-2">
            {hazardPerDay
              ? `An ordinary set loses ${formatPercent(hazardPerDay.mid, 1)} of its bonds a day (${formatPercent(hazardPerDay.low, 1)} to ${formatPercent(hazardPerDay.high, 1)}), what nature sheds left out. `
              : "How many bonds an ordinary set loses cannot be told from what nature sheds. "}
            Clients differ by {ratioWords(holds.clientsDifferBy)} times one way or the other.
            {holds.leftAside > 0
              ? ` ${counted(holds.leftAside, "fill")} left aside: too early or too late to tell, or more left than had been on.`
              : ""}
          </p>
          <details className="mt-4 border-t border-line pt-2">
            <summary className="cursor-pointer py-1 font-semibold">
              No difference that can be told ({effects.length - named.length}), and what is not known yet ({silent.length})
            </summary>
            <ul className="mt-1 space-y-1.5 text-[0.9375rem]">
              {effects
                .filter(({ isFound }) => !isFound)
                .map(({ told: one, effect }) => (
                  <li key={`${one.factor.id} ${effect.level.id}`}>{effectWords({ ...one, isFound: false }, effect)}</li>
                ))}
              {silent.map((one) => (
                <li key={one.factor.id}>
                  <span className="inline-block first-letter:uppercase">{one.factor.label}</span>: {silenceWords(one)}
                </li>
              ))}
            </ul>
          </details>
        </section>
      </div>
      <WherePanel found={found} />
      <SurvivalPanel data={data} />
    </>
  );
}

/** Sides and corners, compared within each fill. */
function WherePanel({ found: { where, data } }: { found: Found }) {
  const clients = where.clients.filter(({ isFound }) => isFound).sort((a, b) => b.ratio - a.ratio);
  const hands = where.technicians.filter(({ isFound }) => isFound);
  const sleptOn = (clientId: string) =>
    data.fills.findLast((fill) => fill.clientId === clientId && fill.sleepsOn !== null)?.sleepsOn ?? null;
  return (
    <section aria-labelledby="where" className="mt-10 border-t border-line pt-5">
      <h2 id="where" className="text-2xl">
        Where they went
      </h2>
      <p className="mt-1 text-[0.9375rem] text-ink-2">Compared within each fill, so that only the place differs.</p>
      <div className="mt-3 space-y-6">
        <div>
          <h3 className="font-sans text-lg font-semibold">One side of one client</h3>
          {clients.length === 0 ? (
            <p className="mt-1">No client loses more on one side than chance would.</p>
          ) : (
            <ul className="mt-1 grid gap-x-14 lg:grid-cols-2">
              {clients.map(({ clientId, side, ratio, low, high, fills }) => {
                const slept = sleptOn(clientId);
                return (
                  <li key={clientId} className="border-b border-line py-2">
                    <Link href={`/clients/${clientId}`} className="font-semibold underline-offset-4 hover:underline">
                      <bdi>{data.names[clientId] ?? "A client"}</bdi>
                    </Link>
                    <span className="ml-2">
                      {sideLabel(side)}: {ratioWords(ratio)} times the other ({ratioWords(low)} to {ratioWords(high)}),{" "}
                      {counted(fills, "fill")}.{slept === side ? " The side slept on." : slept ? "" : " Ask which side they sleep on."}
                    </span>
                  </li>
                );
              })}
            </ul>
          )}
        </div>
        <div className="grid gap-x-14 gap-y-4 lg:grid-cols-2">
          <div>
            <h3 className="font-sans text-lg font-semibold">One side of all clients of one hand</h3>
            {hands.length === 0 ? (
              <p className="mt-1">
                {where.technicians.length === 0 ? "Eight clients of one technician would tell." : "No technician’s off hand shows."}
              </p>
            ) : (
              <ul className="mt-1">
                {hands.map((one) => (
                  <li key={one.technicianId}>
                    <bdi>{data.names[one.technicianId] ?? "A technician"}</bdi>:{" "}
                    {acrossWords(`the ${sideLabel(one.side)}`, "the other", one)} The off hand?
                  </li>
                ))}
              </ul>
            )}
          </div>
          <div>
            <h3 className="font-sans text-lg font-semibold">Corners</h3>
            <p className="mt-1">
              {where.corners === null
                ? "Eight clients would tell."
                : where.corners.isFound
                  ? `${acrossWords("corners", "the rest of the line", where.corners)}${where.corners.ratio > 1 ? " Tape and isolation are looked at there first." : ""}`
                  : `Corners lose neither more nor less than the rest that can be told (${ratioWords(where.corners.low)} to ${ratioWords(where.corners.high)} times).`}
            </p>
          </div>
        </div>
      </div>
    </section>
  );
}

const acrossWords = (place: string, other: string, { ratio, low, high, clients }: AcrossClients) =>
  sentence(
    `${place} lost ${ratioWords(ratio)} times as many as ${other} (${ratioWords(low)} to ${ratioWords(high)}), over ${counted(clients, "client")}.`,
  );
