"use client";
import Link from "next/link";
import { useEffect, useMemo, useState } from "react";
import { beadLifeS, setTime, windowVerdict } from "@/core/adhesive";
import type { Air } from "@/core/air";
import type { LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { formatClock } from "@/core/units";
import { visitClocks, visitState, type KeptEvent, type VisitState } from "@/core/visit";
import { Button, LinkButton, Notice, SelectField, Verdict, cx } from "@/ui";
import type { OpenBottle } from "./data";
import { Knots, type Knot } from "./Knots";
import { LengthRows } from "./LengthRows";
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
    visit.air && now !== null && now - Date.parse(visit.air.takenAt) < FRESH_AIR_MS ? { temperatureC: visit.air.temperatureC, relativeHumidity: visit.air.relativeHumidity } : null;
  const [picked, setPicked] = useState<string | null>(null);
  const bottleId = state.bottleId ?? picked ?? bestBottle(visit.bottles, air, visit.roomVolumeM3);

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
      <Knots knots={knotsOf(visit, state)} />
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
              <p className="mt-4 text-ink-2">Anything in the eye? Lower lashes all under the pad? Look with the mirror before the first lash.</p>
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
              {visit.bottleNames[state.bottleId ?? ""] ?? "No bottle written down"}. {air ? `Air ${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %: a bead keeps ${formatClock(beadLifeS(visit.policy.beadMinutes, air))}.` : "No fresh reading of the air: a bead is given the studio's full time."}
            </p>
            <p className="mt-1 text-[0.9375rem] text-ink-2">At every new bead: brush through, and see with the mirror that both eyes are closed.</p>
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
          <Kept visit={visit} state={state} />
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

const PEDALS = [
  ["S", "shake"],
  ["N", "new bead"],
  ["Backspace", "take back"],
  ["Shift L", "paper or lamp"],
] as const;

/** What a key or a foot pedal does here. */
function Pedals() {
  return (
    <dl className="hidden flex-wrap gap-x-12 gap-y-2 border-t border-line pt-5 text-xl lg:col-span-2 lg:flex">
      {PEDALS.map(([key, does]) => (
        <div key={key} className="flex items-center gap-3">
          <dt>
            <kbd className="rounded-md border border-line-strong px-3 py-1 font-sans font-semibold">{key}</kbd>
          </dt>
          <dd className="text-ink-2">{does}</dd>
        </div>
      ))}
    </dl>
  );
}

function BigClock({ state, nowMs }: { state: VisitState; nowMs: number | null }) {
  const clocks = nowMs === null ? [] : visitClocks(state, nowMs);
  const clock = clocks.find(({ kind }) => kind === "shake") ?? clocks[0];
  if (!clock) return <p className="py-8 font-serif text-3xl">{state.beads.length === 0 ? "Shake, then the first bead" : "No bead is out"}</p>;
  const words =
    clock.kind === "shake"
      ? clock.state === "over"
        ? "Shaken. Put the bead out now."
        : "Shake upright, steadily."
      : clock.state === "over"
        ? "This bead is spent. Wipe it and put out a new one."
        : clock.state === "soon"
          ? "Nearly spent: shake for 15 to 20 s and change it."
          : "Good to work from.";
  return (
    <div data-testid="big-clock" data-state={clock.state}>
      <p className={cx("text-5xl leading-tight", clock.state === "running" ? "text-ink-2" : clock.state === "soon" ? "text-brass" : clock.kind === "shake" ? "text-ivy" : "text-rosehip")}>{clock.label}</p>
      <p className={cx("text-[clamp(5.5rem,13vw,11rem)] leading-[0.95] font-semibold tracking-tight", clock.state === "over" && clock.kind === "bead" && "text-rosehip", clock.state === "soon" && "text-brass")}>
        {formatClock(clock.kind === "shake" ? Math.max(0, clock.leftS) : clock.leftS)}
      </p>
      <p className="mt-2 text-[2rem] leading-tight">
        <Verdict tone={clock.state === "running" ? "note" : clock.state === "soon" ? "look" : clock.kind === "shake" ? "good" : "stop"} className="font-normal">
          {words}
        </Verdict>
      </p>
    </div>
  );
}

/** The bottle that fits this air best: inside its window, else the nearest to it. */
function bestBottle(bottles: readonly OpenBottle[], air: Air | null, volumeM3: number): string | null {
  if (!air) return bottles[0]?.id ?? null;
  const off = ({ adhesive }: OpenBottle) => {
    const verdict = windowVerdict(adhesive, air, volumeM3);
    return Math.abs(verdict.humidityOff) * 10 + Math.abs(verdict.temperatureOffC);
  };
  return [...bottles].sort((a, b) => off(a) - off(b))[0]?.id ?? null;
}

function BottleChoice({ bottles, air, volumeM3, value, onChange }: { bottles: readonly OpenBottle[]; air: Air | null; volumeM3: number; value: string; onChange: (id: string) => void }) {
  const chosen = bottles.find((bottle) => bottle.id === value);
  const verdict = chosen && air ? windowVerdict(chosen.adhesive, air, volumeM3) : null;
  const expected = chosen && air ? setTime(chosen.adhesive.setTimeS, air) : null;
  return (
    <SelectField
      label="Adhesive"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      hint={
        verdict ? (
          <>
            {verdict.inWindow ? <Verdict tone="good">fits this air</Verdict> : <Verdict tone="look">{[verdict.humidity, verdict.temperature].filter((word) => word !== "fits").join(", ")} for it</Verdict>}
            {expected?.known ? `, sets in about ${expected.setTimeS.toFixed(1)} s` : ""}
          </>
        ) : (
          "No fresh reading of the air to judge it by."
        )
      }
    >
      {bottles.length === 0 ? <option value="">no bottle is open</option> : null}
      {bottles.map((bottle) => (
        <option key={bottle.id} value={bottle.id}>
          {bottle.adhesive.name}, lot {bottle.lot}
        </option>
      ))}
    </SelectField>
  );
}

function Kept({ visit, state }: { visit: VisitProps; state: VisitState }) {
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone: visit.timeZone });
  const airWords = (air: Air | null) => (air ? `${air.temperatureC.toFixed(1)} °C, ${Math.round(air.relativeHumidity * 100)} %` : "no reading");
  return (
    <section aria-label="The visit as it was kept">
      <h2 className="text-3xl">Done and kept</h2>
      <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
        <dt className="text-ink-2">From, to</dt>
        <dd>
          {clock.format(state.startedAtMs!)} to {clock.format(state.finishedAtMs!)}, {Math.round((state.finishedAtMs! - state.startedAtMs!) / 60_000)} minutes
        </dd>
        <dt className="text-ink-2">Air at the start</dt>
        <dd>{airWords(state.startAir)}</dd>
        <dt className="text-ink-2">Bottle</dt>
        <dd>{visit.bottleNames[state.bottleId ?? ""] ?? <Verdict tone="look">not written down</Verdict>}</dd>
      </dl>
      <h3 className="mt-6 text-xl">
        {state.beads.length === 0 ? "No bead was put out" : `${state.beads.length} ${state.beads.length === 1 ? "bead" : "beads"}`}
      </h3>
      {state.beads.length > 0 ? (
        <table className="mt-1 w-full text-[0.9375rem]">
          <thead>
            <tr className="text-left text-sm text-ink-2">
              {["", "put out", "used for", "of", "air"].map((head) => (
                <th key={head} scope="col" className="py-1 font-normal">
                  {head || <span className="sr-only">bead</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {state.beads.map((bead) => {
              const used = ((bead.endedAtMs ?? bead.placedAtMs) - bead.placedAtMs) / 1000;
              return (
                <tr key={bead.eventId} className="border-t border-line">
                  <th scope="row" className="py-1.5 text-left font-semibold">
                    {bead.number}
                  </th>
                  <td>{clock.format(bead.placedAtMs)}</td>
                  <td className={cx(used > bead.lifeS + 30 && "font-semibold text-rosehip")}>{formatClock(used)}</td>
                  <td>{formatClock(bead.lifeS)}</td>
                  <td>{airWords(bead.air)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ) : null}
    </section>
  );
}

function knotsOf(visit: VisitProps, state: VisitState): Knot[] {
  const done: readonly (readonly [string, boolean, boolean])[] = [
    ["Consult", visit.patch.held, !visit.patch.held],
    ["Survey", visit.map !== null, false],
    ["Map", visit.map !== null, false],
    ["Room", state.startAir !== null, state.startedAtMs !== null && state.startAir === null],
    ["Prepare", state.beads.length > 0 || state.shake !== null, false],
    ["Place", state.finishedAtMs !== null && state.beads.length > 0, false],
    ["Finish", state.finishedAtMs !== null, false],
  ];
  let hereGiven = false;
  return done.map(([name, tied, open]) => {
    if (tied) return { name, state: "tied" };
    if (open) return { name, state: "open" };
    if (hereGiven || state.finishedAtMs !== null) return { name, state: "ahead" };
    hereGiven = true;
    return { name, state: "here" };
  });
}
