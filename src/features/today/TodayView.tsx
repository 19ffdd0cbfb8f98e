"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { asksOf, stopsOf } from "@/core/care";
import { SERVICES } from "@/core/service";
import { sentence } from "@/core/units";
import type { BookingStart } from "@/features/booking/BookingSheet";
import type { BookingOptions } from "@/features/booking/data";
import { findClients } from "@/features/clients/actions";
import { cancel, lookAtBooking, move, withdraw } from "@/features/visit/actions";
import { LastMap } from "@/features/visit/LastMap";
import { Button, Empty, LinkButton, Verdict } from "@/ui";
import { useKey } from "@/ui/keys";
import { clockOf, gravestOf, type CancelledLine, type DayLine } from "./dayLine";
import { DayList } from "./DayList";
import { DayThreads, type DayPerson, type Target } from "./DayThreads";
import { answered } from "@/ui/answered";

const VisitSheet = dynamic(() => import("./VisitSheet").then((module) => module.VisitSheet));
const BookingSheet = dynamic(() => import("@/features/booking/BookingSheet").then((module) => module.BookingSheet));

/** A visit that is picked up takes the arrows for itself. */
const isOnVisit = ({ target }: KeyboardEvent) => target instanceof HTMLElement && target.getAttribute("aria-roledescription") === "visit";

export type TodayProps = {
  readonly title: string;
  readonly day: string;
  readonly isToday: boolean;
  readonly days: { readonly before: string; readonly after: string; readonly today: string };
  readonly summary: string;
  readonly people: readonly DayPerson[];
  readonly lines: readonly DayLine[];
  readonly cancelled: readonly CancelledLine[];
  readonly nextId: string | null;
  readonly nowMin: number | null;
  readonly options: BookingOptions;
  /** A visit to open at once; one that was just taken back. */
  readonly openId: string | null;
  readonly withdrawnId: string | null;
  /** Opened to book a visit. */
  readonly isBooking: boolean;
};

type Said = { readonly tone: "good" | "stop" | "look"; readonly words: string; readonly back?: () => Promise<void> };
const LOOK_AFTER_MS = 200;
const STILL = "Nothing was changed.";

/** A day of the studio as threads in time; on a narrow screen as a list. */
export function TodayView(props: TodayProps) {
  const { title, day, isToday, days, people, lines, cancelled, nowMin, options } = props;
  const router = useRouter();
  const [openId, setOpenId] = useState(props.openId);
  const [told, setTold] = useState<Said | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const looking = useRef<{ turn: number; timer: ReturnType<typeof setTimeout> | null }>({ turn: 0, timer: null });
  const open = lines.find(({ id }) => id === openId) ?? null;
  const next = lines.find(({ id }) => id === props.nextId) ?? null;
  const to = (iso: string) => router.push(iso === days.today ? "/" : `/?day=${iso}`);
  const start = (part: Partial<BookingStart> = {}): BookingStart => ({
    day,
    time: isToday ? quarterAfter(options.time) : "09:00",
    technicianId: options.me,
    chairId: people.find(({ id }) => id === options.me)?.chairId ?? undefined,
    ...part,
  });

  const [booking, setBooking] = useState<BookingStart | null>(() => (props.isBooking ? start() : null));

  useKey("n", () => setBooking(start()));
  useKey("arrowleft", () => to(days.before), { unless: isOnVisit, repeats: true, gentle: true });
  useKey("arrowright", () => to(days.after), { unless: isOnVisit, repeats: true, gentle: true });

  /** While a visit is dragged, what would stand against it there is asked a little after it stands still. */
  const look = (target: Target | null) => {
    const turn = ++looking.current.turn;
    if (looking.current.timer) clearTimeout(looking.current.timer);
    setSaid(null);
    if (!target) return;
    looking.current.timer = setTimeout(() => {
      void lookAtBooking({
        clientId: target.line.clientId,
        service: target.line.service,
        day,
        time: clockOf(target.fromMin),
        visitId: target.line.id,
      }).then(
        (result) => {
          if (turn !== looking.current.turn || !result.ok) return;
          const [stop] = stopsOf(result.data.findings);
          const [ask] = asksOf(result.data.findings);
          setSaid(stop ? { tone: "stop", words: stop.words } : ask ? { tone: "look", words: ask.words } : { tone: "good", words: "" });
        },
        () => undefined,
      );
    }, LOOK_AFTER_MS);
  };
  const placeOf = (line: DayLine) => ({
    technicianId: line.technicianId,
    chairId: line.chairId,
    day,
    time: clockOf(line.fromMin),
    minutes: line.minutes,
  });
  const drop = async ({ line, fromMin, technicianId, chairId }: Target) => {
    const result = await answered(
      move({
        id: line.id,
        revision: line.revision,
        ...placeOf(line),
        technicianId,
        chairId,
        time: clockOf(fromMin),
      }),
      STILL,
    );
    if (!result.ok) return setTold({ tone: "stop", words: result.message });
    const who = people.find(({ id }) => id === technicianId)?.name ?? "";
    const { revision } = result.data;
    setTold({
      tone: "good",
      words: `${line.clientName}: moved to ${clockOf(fromMin)}, ${who}.`,
      back: async () => {
        const undone = await answered(move({ id: line.id, revision, ...placeOf(line) }), STILL);
        setTold(undone.ok ? null : { tone: "stop", words: undone.message });
      },
    });
  };
  const bringBack = async (id: string) => {
    const result = await answered(withdraw({ id, back: true }), STILL);
    setTold(result.ok ? null : { tone: "stop", words: result.message });
    if (result.ok && props.withdrawnId) to(day);
  };
  const takeUp = async (id: string) => {
    const result = await answered(cancel({ id, why: "", back: true }), STILL);
    setTold(result.ok ? null : { tone: "stop", words: result.message });
  };
  const withdrawn: Said | null =
    props.withdrawnId && told === null
      ? { tone: "good", words: "The visit is taken back.", back: () => bringBack(props.withdrawnId!) }
      : null;
  const notice = told ?? withdrawn;

  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="text-[2.5rem]">{title}</h1>
          <p className="text-ink-2">{props.summary}</p>
        </div>
        <div className="flex flex-wrap items-center gap-1">
          <Button tone="plain" onClick={() => to(days.before)} aria-label="The day before">
            ←
          </Button>
          <input
            type="date"
            aria-label="Day"
            value={day}
            onChange={(event) => event.target.value && to(event.target.value)}
            className="min-h-9 rounded-md border border-line-strong bg-leaf px-2"
          />
          <Button tone="plain" onClick={() => to(days.after)} aria-label="The day after">
            →
          </Button>
          {isToday ? null : (
            <Button tone="plain" onClick={() => to(days.today)}>
              Today
            </Button>
          )}
          <Button className="ml-2" onClick={() => setBooking(start())}>
            Book
          </Button>
        </div>
      </div>

      {notice ? (
        <div role={notice.tone === "stop" ? "alert" : "status"} className="mt-2 flex flex-wrap items-baseline gap-x-3">
          <Verdict tone={notice.tone}>{notice.words}</Verdict>
          {notice.back ? (
            <Button tone="plain" className="min-h-8 px-3" onClick={() => void notice.back!()}>
              Undo
            </Button>
          ) : null}
        </div>
      ) : null}

      {isToday && next ? <Next line={next} /> : null}

      {lines.length === 0 ? (
        <div className="mt-4">
          <Empty title={isToday ? "Nothing is booked for today" : "Nothing is booked for this day"}>
            <p>Book a visit, or begin one from a client&rsquo;s page.</p>
          </Empty>
        </div>
      ) : null}
      <div className="hidden md:block">
        <DayThreads
          people={people}
          lines={lines}
          nowMin={nowMin}
          said={said ? { tone: said.tone, words: said.words } : null}
          onOpen={({ id }) => setOpenId(id)}
          onFree={(person, fromMin) =>
            setBooking(start({ technicianId: person.id, chairId: person.chairId ?? undefined, time: clockOf(fromMin) }))
          }
          onTarget={look}
          onDrop={(target) => void drop(target)}
        />
      </div>
      <div className="mt-4 md:hidden">
        <DayList lines={lines} onOpen={({ id }) => setOpenId(id)} />
      </div>

      {cancelled.length > 0 ? (
        <section aria-label="Cancelled" className="mt-8 border-t border-line pt-3 text-[0.9375rem]">
          <h2 className="text-xl">Cancelled</h2>
          <ul>
            {cancelled.map(({ id, clientName, from, service, why }) => (
              <li key={id} className="flex flex-wrap items-baseline gap-x-3 py-1 text-ink-2">
                <span>
                  {from}, <bdi className="text-ink">{clientName}</bdi>, {SERVICES[service].label}: {why}
                </span>
                <Button tone="plain" className="min-h-8" onClick={() => void takeUp(id)}>
                  Take it up again
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}

      {open ? (
        <VisitSheet
          line={open}
          onClose={() => setOpenId(null)}
          onMove={() => {
            setOpenId(null);
            setBooking({
              client: { id: open.clientId, name: open.clientName, mannequin: !SERVICES[open.service].onClient },
              service: open.service,
              ...placeOf(open),
              moves: { id: open.id, revision: open.revision, begun: open.state !== "ahead" },
            });
          }}
          onGone={(id) => {
            setOpenId(null);
            setTold({ tone: "good", words: `${open.clientName}: taken back.`, back: () => bringBack(id) });
          }}
        />
      ) : null}
      {booking ? (
        <BookingSheet
          start={booking}
          options={options}
          findClients={async (search) => {
            const result = await findClients({ search });
            return result.ok ? result.data : [];
          }}
          onClose={() => {
            setBooking(null);
            // Read again, the page does not open it anew.
            if (props.isBooking) to(day);
          }}
          onBooked={() => setTold(null)}
        />
      ) : null}
    </div>
  );
}

/** Who is next for you, and the shortest way to the chair. */
function Next({ line }: { line: DayLine }) {
  const running = line.state === "running";
  const gravest = gravestOf(line);
  return (
    <section aria-label="Next for you" className="mt-4 flex flex-wrap items-center gap-x-5 gap-y-2 border-y border-line py-3">
      <p className="text-ink-2">{running ? "In your chair" : "Next for you"}</p>
      <p>
        <bdi className="font-serif text-[1.5rem] break-words">{line.clientName}</bdi>{" "}
        <span className="text-ink-2">
          {clockOf(line.fromMin)}, {SERVICES[line.service].label}, {line.place}
        </span>
      </p>
      {gravest ? <Verdict tone={gravest.tone}>{sentence(gravest.words)}</Verdict> : null}
      <span className="flex flex-wrap gap-2">
        {line.mayTakeLastMap ? <LastMap visitId={line.id} /> : null}
        <LinkButton href={`/visits/${line.id}`} tone={line.mayTakeLastMap ? "line" : "ivy"}>
          {running ? "To the chair" : "Open the visit"}
        </LinkButton>
        <LinkButton href={`/clients/${line.clientId}`} tone="line">
          The client
        </LinkButton>
      </span>
    </section>
  );
}

/** The next quarter of an hour. `quarterAfter("10:07")` → "10:15" */
function quarterAfter(time: string): string {
  const [hour, minute] = time.split(":").map(Number) as [number, number];
  return clockOf(Math.min(23 * 60 + 45, Math.ceil((hour * 60 + minute) / 15) * 15));
}
