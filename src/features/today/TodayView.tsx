import Link from "next/link";
import type { LashMap } from "@/core/map";
import { MiniSkyline } from "@/features/clients/MiniSkyline";
import type { FamilyStanding } from "@/features/clients/standing";
import { KIND_OF } from "@/features/colour/services";
import { patchTestWords } from "@/features/clients/patchTestWords";
import type { VisitRow } from "@/features/visit/data";
import type { RoomWish } from "./startTheRoom";
import { bottleWords, roomWords } from "./wishWords";
import { Empty, LinkButton, Verdict, cx } from "@/ui";

export type TodayLine = {
  readonly visit: VisitRow;
  readonly from: string;
  readonly to: string;
  /** With the patch tests that the service asks for; null where it asks for none. */
  readonly standing: FamilyStanding | null;
  readonly map: LashMap | null;
  /** What it wants of room and shelf; null once begun, or where no air is known. */
  readonly wish: RoomWish | null;
};

/** The day as one line of knots, and at its head who is next. */
export function TodayView({
  title,
  lines,
  nextId,
  nowHour,
}: {
  title: string;
  lines: readonly TodayLine[];
  nextId: string | null;
  nowHour: number;
}) {
  const next = lines.find((line) => line.visit.id === nextId);
  return (
    <div className="grid gap-x-16 gap-y-10 pt-5 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div>
        <h1 className="text-[2.5rem]">{title}</h1>
        {next ? (
          <Next line={next} nowHour={nowHour} />
        ) : lines.length > 0 ? (
          <p className="mt-3 text-ink-2">Nobody else is expected of you today.</p>
        ) : null}
      </div>
      <div className="min-w-0">
        <h2 className="sr-only">Visits</h2>
        {lines.length === 0 ? (
          <Empty title="Nothing is agreed for today">
            <p>Start a visit from a client&rsquo;s map.</p>
            <LinkButton href="/clients" tone="line" className="mt-4">
              To the clients
            </LinkButton>
          </Empty>
        ) : (
          <ol className="relative">
            {lines.map((line, i) => (
              <Knot key={line.visit.id} line={line} last={i === lines.length - 1} nowHour={nowHour} />
            ))}
          </ol>
        )}
      </div>
    </div>
  );
}

function Next({ line: { visit, from, standing, wish }, nowHour }: { line: TodayLine; nowHour: number }) {
  const running = visit.state.startedAtMs !== null;
  const words = standing && patchTestWords(standing);
  return (
    <div className="mt-5 border-t border-line pt-4">
      <p className="text-ink-2">{running ? "In your chair" : "Next for you"}</p>
      <p className="mt-1 font-serif text-[1.75rem] leading-tight break-words">
        <bdi>{visit.clientName}</bdi>
      </p>
      <p className="mt-1 text-ink-2">
        {from}, {visit.service}, chair {visit.chair}
      </p>
      {words && words.tone !== "good" ? (
        <p className="mt-3 text-[0.9375rem]">
          <Verdict tone={words.tone}>{words.title}</Verdict>
          <span className="block text-ink-2">{words.says}</span>
        </p>
      ) : null}
      {wish ? <Wish wish={wish} nowHour={nowHour} className="mt-3 space-y-0.5" /> : null}
      <div className="mt-4 flex flex-wrap gap-2">
        <LinkButton href={`/visits/${visit.id}`}>{running ? "To the chair" : "Open the visit"}</LinkButton>
        <LinkButton href={`/clients/${visit.clientId}`} tone="line">
          The client
        </LinkButton>
      </div>
    </div>
  );
}

/** Which bottle to take, and what to switch on when. */
function Wish({ wish, nowHour, className }: { wish: RoomWish; nowHour: number; className?: string }) {
  const bottle = bottleWords(wish);
  const room = roomWords(wish, nowHour);
  return (
    <span className={cx("block text-[0.9375rem]", className)} data-testid="wish">
      <span className="block text-ink-2">{bottle.tone === "good" ? bottle.says : <Verdict tone={bottle.tone}>{bottle.says}</Verdict>}</span>
      {room ? (
        <span className="block text-ink-2">
          <Verdict tone={room.tone}>{room.word}</Verdict> {room.says}
        </span>
      ) : null}
    </span>
  );
}

function Knot({ line: { visit, from, to, standing, map, wish }, last, nowHour }: { line: TodayLine; last: boolean; nowHour: number }) {
  const { state } = visit;
  const done = state.finishedAtMs !== null;
  const running = state.startedAtMs !== null && !done;
  const words = standing && patchTestWords(standing);
  return (
    <li className="relative grid grid-cols-[3.5rem_1.75rem_minmax(0,1fr)_auto] items-start">
      <span className="pt-3 text-right font-semibold">{from}</span>
      <span aria-hidden="true" className="relative h-full">
        {last ? null : <span className="absolute top-5 left-1/2 h-full -translate-x-1/2 border-l-2 border-dashed border-ivy" />}
        <span
          className={cx(
            "absolute top-[0.95rem] left-1/2 size-3.5 -translate-x-1/2 rounded-full border-2 border-ivy",
            done ? "bg-ivy" : running ? "bg-moss" : "bg-paper",
          )}
        />
      </span>
      <Link href={`/visits/${visit.id}`} className="mb-1 block rounded-lg px-3 py-2.5 hover:bg-moss-soft">
        <span className="flex flex-wrap items-baseline gap-x-3">
          <bdi className="min-w-0 font-serif text-xl break-words">{visit.clientName}</bdi>
          {running ? <Verdict tone="good">under way</Verdict> : done ? <Verdict tone="good">done</Verdict> : null}
          {!done && words && words.tone !== "good" ? (
            <Verdict tone={words.tone} className="text-[0.9375rem]">
              {words.title}
            </Verdict>
          ) : null}
        </span>
        <span className="mt-0.5 flex flex-wrap items-center gap-x-3 text-[0.9375rem] text-ink-2">
          <span>
            until {to}, {visit.service}
          </span>
          <span>
            {visit.technicianName}, {visit.roomName.toLowerCase()}, chair {visit.chair}
          </span>
        </span>
        {wish ? <Wish wish={wish} nowHour={nowHour} className="mt-0.5" /> : null}
      </Link>
      <span className="hidden pt-4 text-right sm:block">
        {KIND_OF[visit.service] ? null : map ? (
          <MiniSkyline map={map} width={112} height={34} />
        ) : (
          <span className="text-sm text-ink-2">no map yet</span>
        )}
      </span>
    </li>
  );
}
