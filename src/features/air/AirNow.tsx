import { airWord, dewPointC, standingFault, vapourDensityGm3, type RoomAir } from "@/core/air";
import type { RatedBottle } from "@/features/shelf/ratedBottles";
import { Verdict } from "@/ui";
import type { AirPage } from "./data";

/** The room's air in a sentence and in numbers, and what its hygrometers do wrong right now. */
export function AirNow({
  air,
  ago,
  sensors,
  faults,
  best,
}: Pick<AirPage, "sensors" | "faults"> & {
  air: RoomAir | null;
  /** How long ago it was read, where that is too long to be the room's air now. */
  ago: string | null;
  best: RatedBottle | undefined;
}) {
  return (
    <>
      <h1 className="text-4xl">{headline(air, ago, best)}</h1>
      {air ? (
        <dl className="mt-3 grid grid-cols-2 gap-x-6 gap-y-1 text-[0.9375rem]">
          {(
            [
              ["Temperature", `${air.temperatureC.toFixed(1)} °C`],
              ["Humidity", `${Math.round(air.relativeHumidity * 100)} %`],
              ["Water in the air", `${vapourDensityGm3(air).toFixed(2)} g/m³`],
              ["Dew point", `${dewPointC(air).toFixed(1)} °C`],
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
      <FaultNow sensors={sensors} faults={faults} />
    </>
  );
}

/** What a person should know of the readings right now. */
function FaultNow({ faults, sensors }: Pick<AirPage, "faults" | "sensors">) {
  const words = sensors.flatMap(({ id, name, last }) => {
    const fault = standingFault(faults.find(({ sensorId }) => sensorId === id)?.faults ?? [], last?.takenAtMs ?? 0);
    return fault ? [fault.kind === "gap" ? `${name} is silent` : `${name} seems stuck`] : [];
  });
  if (words.length === 0) return null;
  return (
    <p className="mt-2 text-[0.9375rem]">
      {words.map((word) => (
        <Verdict key={word} tone="look" className="block">
          {word}
        </Verdict>
      ))}
    </p>
  );
}

function headline(air: RoomAir | null, ago: string | null, best: RatedBottle | undefined): string {
  if (!air) return "No reading yet";
  if (ago !== null) return `Last read ${ago}: nothing is judged by it`;
  const word = airWord(air);
  const airIs = `${word[0]!.toUpperCase()}${word.slice(1)} air`;
  if (!best) return `${airIs}, and no bottle open`;
  if (best.fitness.fits) return `${airIs}, a bottle fits`;
  return best.fitness.verdict?.inWindow ? `${airIs}, no bottle fits the hand` : `${airIs}, no bottle fits`;
}
