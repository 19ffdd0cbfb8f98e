"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { bottleAge, setTime, windowVerdict } from "@/core/adhesive";
import { dewPointC, vapourDensityGm3 } from "@/core/air";
import type { OpenBottle } from "@/features/visit/data";
import { Empty, LinkButton, Verdict, cx } from "@/ui";
import { AirPlane } from "./AirPlane";
import type { RoomAir } from "./data";
import { RoomSize } from "./RoomSize";
import { TypedReading } from "./TypedReading";
import { adviceWords, setTimeWords, standingWords } from "./words";

type Room = { id: string; name: string; volumeM3: number };
const EVERY_MS = 10_000;
const RANK = { good: 0, look: 1, note: 2, stop: 3 };

/** The room and its bottles: where the air is, whether each bottle fits it, what would bring it there. */
export function AirWorkspace({
  rooms,
  room,
  air,
  trail,
  bottles,
  today,
  timeZone,
  takenAgo,
}: {
  rooms: readonly Room[];
  room: Room;
  air: RoomAir | null;
  trail: readonly { takenAt: string; temperatureC: number; relativeHumidity: number }[];
  bottles: readonly OpenBottle[];
  today: string;
  timeZone: string;
  takenAgo: string | null;
}) {
  const router = useRouter();
  useEffect(() => {
    const every = setInterval(() => router.refresh(), EVERY_MS);
    return () => clearInterval(every);
  }, [router]);

  const judged = bottles.map((bottle) => {
    const age = bottleAge(bottle.openedOn, today, bottle.adhesive.lifeAfterOpeningDays);
    const verdict = air ? windowVerdict(bottle.adhesive, plain(air), room.volumeM3) : null;
    return {
      bottle,
      age,
      verdict,
      words: verdict ? standingWords(verdict, age.daysLeft) : null,
      expected: air ? setTime(bottle.adhesive.setTimeS, plain(air)) : null,
    };
  });
  judged.sort((a, b) => (a.words && b.words ? RANK[a.words.tone] - RANK[b.words.tone] : 0));
  const [picked, setPicked] = useState<string | null>(null);
  const chosen = judged.find(({ bottle }) => bottle.id === picked) ?? judged[0];
  const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit", timeZone });

  return (
    <div className="grid gap-x-10 gap-y-8 pt-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
          {rooms.map((one) => (
            <Link
              key={one.id}
              href={`/air?room=${one.id}`}
              aria-current={one.id === room.id ? "page" : undefined}
              className={cx(
                "border-b-2 py-1 font-serif text-xl",
                one.id === room.id ? "border-ivy" : "border-transparent text-ink-2 hover:text-ink",
              )}
            >
              {one.name}
            </Link>
          ))}
          <span className="text-sm text-ink-2">{air ? `${air.by}, ${takenAgo}` : "no reading yet"}</span>
        </div>
        <AirPlane
          air={air}
          trail={trail}
          windows={bottles.map(({ id, adhesive }) => ({ id, ...adhesive }))}
          chosenId={chosen?.bottle.id ?? null}
          advice={chosen?.verdict?.advice[0] ?? null}
          label={(iso) => clock.format(new Date(iso))}
        />
        <p className="text-sm text-ink-2">
          Curves join air with the same water in it. Sensor air is not lash air: breath, a mask taped at the nose and a fan change it.
          Window and set time follow the leaflet; the model between is ours and says how sure it is.
        </p>
      </div>
      <div className="min-w-0 space-y-7">
        <section aria-label="Air now">
          <h1 className="text-4xl">{headline(air, judged[0]?.words?.tone)}</h1>
          {air ? (
            <dl className="mt-3 grid grid-cols-2 gap-x-6 gap-y-1 text-[0.9375rem]">
              {(
                [
                  ["Temperature", `${air.temperatureC.toFixed(1)} °C`],
                  ["Humidity", `${Math.round(air.relativeHumidity * 100)} %`],
                  ["Water in the air", `${vapourDensityGm3(plain(air)).toFixed(2)} g/m³`],
                  ["Dew point", `${dewPointC(plain(air)).toFixed(1)} °C`],
                ] as const
              ).map(([label, value]) => (
                <div key={label} className="flex justify-between border-b border-line py-1">
                  <dt className="text-ink-2">{label}</dt>
                  <dd className="font-semibold" data-testid={`air-${label}`}>
                    {value}
                  </dd>
                </div>
              ))}
            </dl>
          ) : null}
        </section>
        <section aria-label="Bottles">
          <h2 className="text-xl">Bottles, best first</h2>
          {judged.length === 0 ? (
            <Empty title="No bottle is open">
              <LinkButton href="/shelf" tone="line">
                To the shelf
              </LinkButton>
            </Empty>
          ) : null}
          <ul className="mt-2">
            {judged.map(({ bottle, age, verdict, words, expected }) => {
              const isChosen = bottle.id === chosen?.bottle.id;
              return (
                <li key={bottle.id} className="border-t border-line py-2.5" data-bottle={bottle.lot}>
                  <button
                    type="button"
                    aria-pressed={isChosen}
                    onClick={() => setPicked(bottle.id)}
                    className="flex w-full items-baseline justify-between gap-3 rounded px-1 text-left hover:bg-moss-soft"
                  >
                    <span className={cx("font-semibold", isChosen && "underline decoration-ivy decoration-2 underline-offset-4")}>
                      {bottle.adhesive.name}, lot {bottle.lot}
                    </span>
                    {words ? <Verdict tone={words.tone}>{words.word}</Verdict> : null}
                  </button>
                  <div className="mt-0.5 px-1 text-[0.9375rem] text-ink-2">
                    {words && words.tone !== "good" ? <p>{words.says}</p> : null}
                    {expected ? <p>{setTimeWords(expected, bottle.adhesive.setTimeS)}</p> : null}
                    {isChosen && verdict && verdict.advice.length > 0 ? (
                      <ul className="mt-1.5 space-y-1 border-l-2 border-ivy pl-3 text-ink">
                        {verdict.advice.map((advice, i) => (
                          <li key={i}>
                            {i > 0 && verdict.temperature === "fits" ? "Or: " : ""}
                            {adviceWords(advice)}
                          </li>
                        ))}
                      </ul>
                    ) : null}
                    {isChosen ? (
                      <p className="mt-1">
                        Opened {age.daysOpen} days ago, {age.daysLeft >= 0 ? `${age.daysLeft} left` : "over"} of{" "}
                        {bottle.adhesive.lifeAfterOpeningDays}. Window {Math.round(bottle.adhesive.humidityLow * 100)} to{" "}
                        {Math.round(bottle.adhesive.humidityHigh * 100)} %, {bottle.adhesive.temperatureLowC} to{" "}
                        {bottle.adhesive.temperatureHighC} °C.
                      </p>
                    ) : null}
                  </div>
                </li>
              );
            })}
          </ul>
        </section>
        <TypedReading room={room} />
        <RoomSize room={room} />
      </div>
    </div>
  );
}

const plain = ({ temperatureC, relativeHumidity }: RoomAir) => ({ temperatureC, relativeHumidity });

function headline(air: RoomAir | null, best: keyof typeof RANK | undefined): string {
  if (!air) return "No reading yet";
  const feel = air.relativeHumidity < 0.4 ? "Dry" : air.relativeHumidity > 0.6 ? "Damp" : "Fair";
  if (best === undefined) return `${feel} air`;
  return best === "good" ? `${feel} air, a bottle fits` : best === "look" ? `${feel} air, nearly a fit` : `${feel} air, no bottle fits`;
}
