"use client";
import Link from "next/link";
import { useEffect, useMemo, useState } from "react";
import { beadLifeS, fitsBest } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { formatClock } from "@/core/units";
import { visitState, type KeptEvent } from "@/core/visit";
import { Button, LinkButton, Notice, Verdict } from "@/ui";
import { BigClock } from "./BigClock";
import { BottleChoice } from "./BottleChoice";
import type { OpenBottle } from "./data";
import { KeptVisit } from "./KeptVisit";
import { Knots } from "./Knots";
import { knotsOf } from "./knotsOf";
import { LengthRows } from "./LengthRows";
import { Pedals } from "./Pedals";
import { useNow, useVisits, useVisitStore } from "./VisitProvider";

export type VisitProps = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly service: string;
  readonly chair: number;
  readonly roomName: string;
  readonly roomVolumeM3: number;
  readonly technicianName: string;
  readonly day: string;
  readonly time: string;
  readonly timeZone: string;
  readonly map: LashMap | null;
  readonly mapId: string | null;
  readonly patch: { readonly held: boolean; readonly words: string; readonly reason: string };
  readonly events: readonly KeptEvent[];
  readonly bottles: readonly OpenBottle[];
  readonly bottleNames: Readonly<Record<string, string>>;
  readonly air: (Air & { readonly takenAt: string }) | null;
  readonly policy: Policy;
};

const FRESH_AIR_MS = 30 * 60_000;
const isTyping = (target: EventTarget | null) => target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

/** The visit at the chair: one clock that fills the eye, the next tap, the map in large figures. */
export function VisitWorkspace(visit: VisitProps) {
  const store = useVisitStore();
  const { events } = useVisits();
  const now = useNow();
  useEffect(() => store.adopt(visit.events), [store, visit.events]);
  const own = events.get(visit.id) ?? visit.events;
  const state = useMemo(() => visitState(own), [own]);
  const running = state.startedAtMs !== null && state.finishedAtMs === null;

  // Air long past is not the air of this bead.
  const air: Air | null =
    visit.air && now !== null && now - Date.parse(visit.air.takenAt) < FRESH_AIR_MS
      ? { temperatureC: visit.air.temperatureC, relativeHumidity: visit.air.relativeHumidity }
      : null;
  const [picked, setPicked] = useState<string | null>(null);
  const bottleId = state.bottleId ?? picked ?? fitsBest(visit.bottles, air)?.id ?? null;

  const begin = () => store.tap(visit.id, "started", { bottleId, air });
  const shake = () => store.tap(visit.id, "shakeStarted", { durationS: visit.policy.shakeSeconds });
  const bead = () => store.tap(visit.id, "beadPlaced", { lifeS: beadLifeS(visit.policy.beadMinutes, air), air, bottleId: state.bottleId });
  const undo = () => state.lastUndoable && store.tap(visit.id, "undone", { eventId: state.lastUndoable.id });
  const [ending, setEnding] = useState(false);

  useEffect(() => {
    if (!running) return;
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || document.querySelector('[role="dialog"]')) return;
      if (isTyping(event.target)) return;
      const key = event.key.toLowerCase();
      if (key === "s") void shake();
      else if (key === "n") void bead();
      else if (key === "backspace") {
        event.preventDefault();
        void undo();
      }
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  });

  return (
    <div className="pt-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[1.75rem] break-words">
          <Link href={`/clients/${visit.clientId}`} className="hover:underline">
            <bdi>{visit.clientName}</bdi>
          </Link>
        </h1>
        <p className="text-ink-2">
          {visit.service}, {visit.day} {visit.time}, {visit.technicianName}, {visit.roomName.toLowerCase()}, chair {visit.chair}
        </p>
      </div>
      <Knots knots={knotsOf({ hasMap: visit.map !== null, patchTestHeld: visit.patch.held }, state)} />
      {!visit.patch.held && visit.patch.reason ? (
        <p className="text-[0.9375rem] text-ink-2">
          <Verdict tone="look">{visit.patch.words}</Verdict>, goes ahead because: <bdi>{visit.patch.reason}</bdi>
        </p>
      ) : null}

      {state.startedAtMs === null ? (
        visit.map ? (
          <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-2">
            <div>
              <h2 className="text-3xl">Ready to begin</h2>
              <div className="mt-4 max-w-md">
                <BottleChoice bottles={visit.bottles} air={air} volumeM3={visit.roomVolumeM3} value={bottleId ?? ""} onChange={setPicked} />
              </div>
              <p className="mt-4 text-ink-2">
                Anything in the eye? Lower lashes all under the pad? Look with the mirror before the first lash.
              </p>
              <Button size="bed" className="mt-5" onClick={() => void begin()}>
                Begin the visit
              </Button>
            </div>
            <LengthRows map={visit.map} />
          </div>
        ) : (
          <div className="mt-8">
            <Notice tone="note" title="No map is chosen for this visit yet" className="max-w-xl">
              A visit begins from a map. Open one of the client&rsquo;s maps, or plan a new one, and go “to the chair” from it.
            </Notice>
            <div className="mt-4 flex gap-3">
              <LinkButton href={`/clients/${visit.clientId}`}>To the client&rsquo;s maps</LinkButton>
              <LinkButton href={`/clients/${visit.clientId}/map`} tone="line">
                Plan a new one
              </LinkButton>
            </div>
          </div>
        )
      ) : running ? (
        <div className="mt-4 grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
          <div>
            <BigClock state={state} nowMs={now} />
            <div className="mt-6 flex flex-wrap gap-3">
              <Button tone={state.beads.length === 0 && !state.shake ? "ivy" : "line"} size="bed" onClick={() => void shake()}>
                Shake {visit.policy.shakeSeconds} s
              </Button>
              <Button tone={state.beads.length > 0 || state.shake ? "ivy" : "line"} size="bed" onClick={() => void bead()}>
                {state.beads.length === 0 ? "First bead" : "New bead"}
              </Button>
              <Button tone="plain" size="bed" disabled={!state.lastUndoable} onClick={() => void undo()}>
                Take back
              </Button>
            </div>
            <p className="mt-4 text-[0.9375rem] text-ink-2">
              {visit.bottleNames[state.bottleId ?? ""] ?? "No bottle written down"}.{" "}
              {air
                ? `Air ${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %: a bead keeps ${formatClock(beadLifeS(visit.policy.beadMinutes, air))}.`
                : "No fresh reading of the air: a bead is given the studio's full time."}
            </p>
            <p className="mt-1 text-[0.9375rem] text-ink-2">
              At every new bead: brush through, and see with the mirror that both eyes are closed.
            </p>
            <div className="mt-5 border-t border-line pt-4">
              {ending ? (
                <div className="flex flex-wrap items-center gap-3">
                  <span className="w-full text-xl">Dry, lashes free of the pad, eyes open without a sting?</span>
                  <Button size="bed" onClick={() => void store.tap(visit.id, "finished", {})}>
                    Yes, finish the visit
                  </Button>
                  <Button tone="line" size="bed" onClick={() => setEnding(false)}>
                    Not yet
                  </Button>
                </div>
              ) : (
                <Button tone="line" size="bed" onClick={() => setEnding(true)}>
                  Finish
                </Button>
              )}
            </div>
          </div>
          {visit.map ? <LengthRows map={visit.map} /> : null}
          <Pedals />
        </div>
      ) : (
        <div className="mt-6 grid gap-x-14 gap-y-8 lg:grid-cols-2">
          <KeptVisit state={state} timeZone={visit.timeZone} bottleNames={visit.bottleNames} />
          {visit.map ? (
            <div>
              <LengthRows map={visit.map} />
              {visit.mapId ? (
                <LinkButton href={`/clients/${visit.clientId}/map/${visit.mapId}`} tone="line" className="mt-4">
                  Open the map
                </LinkButton>
              ) : null}
            </div>
          ) : null}
        </div>
      )}
    </div>
  );
}
