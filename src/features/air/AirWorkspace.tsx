"use client";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useState } from "react";
import { windowTarget } from "@/core/adhesive";
import { isOfNow, PEOPLE_AT_WORK, type Air, type RoomAir } from "@/core/air";
import type { Technique } from "@/core/lash";
import { useNews, useRooms } from "@/features/live/LiveProvider";
import { useTrail } from "@/features/live/useTrail";
import { useNow } from "@/features/tablet/TabletProvider";
import { rateBottles } from "@/features/shelf/ratedBottles";
import { Button, Choice, cx } from "@/ui";
import type { LiveNews } from "@/workers/live/messages";
import { AirNow } from "./AirNow";
import { AirPlane } from "./plane/AirPlane";
import { BottleList } from "./BottleList";
import type { AirPage } from "./data";

// What is not shown is not fetched: sheets not looked at, advice where the air is right, the form where a hygrometer stands.
const AirHistory = dynamic(() => import("./AirHistory").then((module) => module.AirHistory));
const GlueSheet = dynamic(() => import("@/features/shelf/GlueSheet").then((module) => module.GlueSheet));
const RoomAdvice = dynamic(() => import("./RoomAdvice").then((module) => module.RoomAdvice));
const RoomSheet = dynamic(() => import("./RoomSheet").then((module) => module.RoomSheet));
const SensorSheet = dynamic(() => import("./SensorSheet").then((module) => module.SensorSheet));
const TypedReading = dynamic(() => import("./TypedReading").then((module) => module.TypedReading));
const TakenBack = dynamic(() => import("./takenBack/TakenBack").then((module) => module.TakenBack));
const TableSheet = dynamic(() => import("./table/TableSheet").then((module) => module.TableSheet));

const SHEETS = [
  { value: "now", label: "now" },
  { value: "history", label: "history" },
  { value: "glue", label: "set times" },
  { value: "room", label: "room" },
] as const;
export type AirSheet = (typeof SHEETS)[number]["value"];

/** Roll-ups, gaps and the hours ahead are read anew so often; the air itself comes by the live stream. */
const LOOK_AGAIN_MS = 30_000;
const ANEW_MS = 120_000;

export type AirProps = Pick<
  AirPage,
  "rooms" | "room" | "sensors" | "air" | "trail" | "faults" | "drifts" | "ahead" | "bottles" | "knowledge"
> & {
  readonly today: string;
  readonly timeZone: string;
  readonly takenAgo: string | null;
  /** The server's time when the page was made, ms. */
  readonly loadedMs: number;
  readonly mayCalibrate: boolean;
  readonly sheet: AirSheet;
};

/** The room and its bottles: where the air is and was, which bottle for this hand, what would bring the room where it is wanted. */
export function AirWorkspace(props: AirProps) {
  const { rooms, room, bottles, knowledge, today, timeZone } = props;
  const router = useRouter();
  useEffect(() => {
    const every = setInterval(() => router.refresh(), ANEW_MS);
    return () => clearInterval(every);
  }, [router]);
  useNews(useCallback((news: LiveNews) => news.kind === "missed" && router.refresh(), [router]));
  const { air, trail, ago, isNow } = useAirAndTrail(props);
  // What was read too long ago is shown as that, and nothing is rated or advised by it.
  const plainAir = useMemo<Air | null>(
    () => (air && isNow ? { temperatureC: air.temperatureC, relativeHumidity: air.relativeHumidity } : null),
    [air, isNow],
  );

  const [sheet, setSheet] = useState<AirSheet>(props.sheet);
  /** Where no hygrometer stands, a reading by hand is what the page waits for; else it is one tap away. */
  const [typing, setTyping] = useState(() => !props.sensors.some(({ kind }) => kind === "device"));
  const [technique, setTechnique] = useState<Technique>("single");
  const [picked, setPicked] = useState<string | null>(null);
  const [ownTarget, setOwnTarget] = useState<Air | null>(null);
  const rated = useMemo(
    () => rateBottles(bottles, knowledge, plainAir, room.volumeM3, technique, today),
    [bottles, knowledge, plainAir, room.volumeM3, technique, today],
  );
  const chosen = rated.find(({ bottle }) => bottle.id === picked) ?? rated[0];
  const wanted = plainAir && chosen ? windowTarget(chosen.bottle.adhesive, plainAir, room.volumeM3) : plainAir;
  const target = ownTarget ?? wanted;
  const isThere = plainAir !== null && target !== null && ownTarget === null && chosen?.fitness.verdict?.inWindow;
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });
  const names = Object.fromEntries(props.sensors.map(({ id, name }) => [id, name]));

  return (
    <div className="grid gap-x-10 gap-y-8 pt-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="min-w-0">
        <div className="mb-2 flex flex-wrap items-baseline gap-x-5 gap-y-1">
          {rooms.map((one) => (
            <Link
              key={one.id}
              href={`/air?room=${one.id}&sheet=${sheet}`}
              aria-current={one.id === room.id ? "page" : undefined}
              className={cx(
                "border-b-2 py-1 font-serif text-xl",
                one.id === room.id ? "border-ivy" : "border-transparent text-ink-2 hover:text-ink",
              )}
            >
              {one.name}
            </Link>
          ))}
          <span className="text-sm text-ink-2">{air ? `${air.by}, ${ago}` : "no reading yet"}</span>
          <Choice label="Sheet" showLabel={false} value={sheet} options={SHEETS} onChange={setSheet} className="ml-auto" />
        </div>
        {sheet === "now" ? (
          <>
            <AirPlane
              air={air}
              isNow={isNow}
              trail={trail}
              windows={bottles.map(({ id, adhesive }) => ({ id, ...adhesive }))}
              chosenId={chosen?.bottle.id ?? null}
              target={target}
              onTarget={setOwnTarget}
              room={room}
              people={PEOPLE_AT_WORK}
              label={(ms) => clock.format(new Date(ms))}
            />
            <p className="text-sm text-ink-2">
              Drag the ring to ask what it takes to get there. Curves join air with the same water, dotted ones the same dew point; dashed
              ways are where this room&rsquo;s machines lead. Sensor air is not lash air: breath, a mask taped at the nose and a fan change
              it.
            </p>
          </>
        ) : null}
        {sheet === "history" ? (
          <AirHistory
            key={room.id}
            roomId={room.id}
            today={today}
            timeZone={timeZone}
            air={air}
            ahead={props.ahead}
            faults={props.faults}
            names={names}
          />
        ) : null}
        {sheet === "glue" ? (
          <GlueSheet
            rated={rated}
            chosen={chosen}
            onChoose={setPicked}
            tests={knowledge.tests}
            hand={knowledge.hand}
            air={plainAir}
            timeZone={timeZone}
          />
        ) : null}
        {sheet === "room" ? (
          <div className="space-y-9">
            <RoomSheet key={room.id} room={room} />
            <SensorSheet sensors={props.sensors} drifts={props.drifts} timeZone={timeZone} mayCalibrate={props.mayCalibrate} />
            <TableSheet key={room.id} roomId={room.id} roomName={room.name} timeZone={timeZone} />
            {props.mayCalibrate ? <TakenBack key={`back ${room.id}`} roomId={room.id} today={props.today} renewed={props.sensors} /> : null}
          </div>
        ) : null}
      </div>
      <div className="min-w-0 space-y-7">
        <section aria-label="Air now">
          <AirNow air={air} ago={isNow ? null : ago} sensors={props.sensors} faults={props.faults} best={rated[0]} />
          {air && isNow && target && !isThere ? (
            <RoomAdvice
              room={room}
              air={air}
              target={target}
              people={PEOPLE_AT_WORK}
              isOwn={ownTarget !== null}
              onBack={() => setOwnTarget(null)}
            />
          ) : null}
        </section>
        <BottleList
          rated={rated}
          chosen={chosen}
          onChoose={(id) => (setPicked(id), setOwnTarget(null))}
          technique={technique}
          onTechnique={setTechnique}
        />
        {typing ? (
          <TypedReading room={room} />
        ) : (
          <div>
            <Button tone="line" onClick={() => setTyping(true)}>
              Type a reading
            </Button>
          </div>
        )}
      </div>
    </div>
  );
}

/** The page's air and trail, with what has been heard since. */
function useAirAndTrail({ room, air: first, trail: since, takenAgo, loadedMs }: AirProps) {
  const heard = useRooms().find(({ id }) => id === room.id)?.air ?? null;
  const air: RoomAir | null = heard && (!first || heard.takenAt > first.takenAt) ? heard : first;
  const trail = useTrail(since, heard);
  const nowMs = useNow(LOOK_AGAIN_MS) ?? loadedMs;
  return { air, trail, ago: air === first ? takenAgo : "just now", isNow: air !== null && isOfNow(air, nowMs) };
}
