"use client";
import { useState } from "react";
import { saltHumidity, type SensorDrift } from "@/core/air";
import { formatHours } from "@/core/units";
import { Button, Choice, Notice, TextField, Verdict } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { calibrate } from "./actions";
import type { AirPage } from "./data";

type Sensor = AirPage["sensors"][number];

/** The room's hygrometers: what each shows, whether they agree, how each was set right. */
export function SensorSheet({
  sensors,
  drifts,
  timeZone,
  mayCalibrate,
}: {
  sensors: readonly Sensor[];
  drifts: readonly { a: string; b: string; drift: SensorDrift }[];
  timeZone: string;
  mayCalibrate: boolean;
}) {
  const [asking, setAsking] = useState<Sensor | null>(null);
  const clock = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit", timeZone });
  return (
    <section aria-label="Hygrometers of this room">
      <h3 className="text-xl">Hygrometers</h3>
      {sensors.length === 0 ? (
        <p className="text-ink-2">None in this room. An owner adds them under Studio; readings can be typed or taken in meanwhile.</p>
      ) : null}
      <ul className="mt-1">
        {sensors.map((sensor) => {
          const offset = sensor.calibrations.at(-1);
          return (
            <li key={sensor.id} className="border-t border-line py-2">
              <span className="flex flex-wrap items-baseline justify-between gap-x-3">
                <b>{sensor.name}</b>
                <span className="text-[0.9375rem]">
                  {sensor.last
                    ? `${sensor.last.temperatureC.toFixed(1)} °C, ${(sensor.last.relativeHumidity * 100).toFixed(1)} %, ${clock.format(new Date(sensor.last.takenAtMs))}`
                    : "not heard yet"}
                </span>
              </span>
              <span className="block text-sm text-ink-2">
                {offset
                  ? `Put right by ${signed(offset.humidityOffset * 100)} points since ${clock.format(new Date(offset.fromMs))}.`
                  : sensor.kind === "device"
                    ? "As it comes; never tested over salt."
                    : "Not a device."}
              </span>
              {sensor.clockOffS !== 0 ? (
                <Verdict tone="look" className="block text-[0.9375rem]">
                  Its clock is {formatHours(Math.abs(sensor.clockOffS))} {sensor.clockOffS > 0 ? "ahead" : "behind"}; its readings are put
                  right as they come.
                </Verdict>
              ) : null}
              {mayCalibrate && sensor.kind === "device" ? (
                <Button tone="plain" className="-ml-4" onClick={() => setAsking(sensor)}>
                  Set it right
                </Button>
              ) : null}
            </li>
          );
        })}
      </ul>
      {drifts
        .filter(({ drift }) => drift.worthTelling)
        .map(({ a, b, drift }) => (
          <Notice
            key={`${a} ${b}`}
            tone="look"
            title={`${b} shows ${signed(drift.humidityApart * 100)} points beside ${a}`}
            className="mt-3"
          >
            Mean of the last day; {signed(drift.humidityPerMonth * 100)} points a month over {drift.hours} hours in common. Test both over
            salt to learn which is wrong.
          </Notice>
        ))}
      {asking ? <Calibrate sensor={asking} onClose={() => setAsking(null)} /> : null}
    </section>
  );
}
const signed = (value: number) => `${value < 0 ? "−" : "+"}${Math.abs(value).toFixed(1)}`;

function Calibrate({ sensor, onClose }: { sensor: Sensor; onClose: () => void }) {
  const form = useStudioForm({
    values: { how: "salt" as "salt" | "typed", temperature: "", humidity: "", humidityOffset: "0", temperatureOffset: "0" },
    input: ({ how, temperature, humidity, humidityOffset, temperatureOffset }) => ({
      sensorId: sensor.id,
      how,
      ...(how === "salt" ? { temperature, humidity } : { humidityOffset, temperatureOffset }),
    }),
    schema: () => import("./schema").then(({ calibrationForm }) => calibrationForm),
    send: calibrate,
    onKept: onClose,
    still: "Nothing was changed.",
  });
  const how = form.now.how;
  const t = sensor.last?.temperatureC ?? 22;
  return (
    <FormSheet title={`Set ${sensor.name} right`} form={form} submit="Keep" onClose={onClose}>
      <Choice
        label="How"
        showLabel={false}
        value={how}
        options={[
          { value: "salt", label: "over salt" },
          { value: "typed", label: "beside a better one" },
        ]}
        onChange={(next) => form.set("how", next)}
      />
      {how === "salt" ? (
        <div key="salt" className="space-y-4">
          <p className="text-[0.9375rem] text-ink-2">
            A cap of table salt made damp, not wet, in a tight bag with the hygrometer, eight hours at an even warmth. A true one then shows{" "}
            {(saltHumidity(t) * 100).toFixed(1)} % at {t.toFixed(0)} °C.
          </p>
          <div className="grid grid-cols-2 gap-4">
            <TextField label="It shows, warmth" unit="°C" inputMode="decimal" {...form.field("temperature")} />
            <TextField label="It shows, humidity" unit="%" inputMode="decimal" {...form.field("humidity")} />
          </div>
        </div>
      ) : (
        <div key="typed" className="grid grid-cols-2 gap-4">
          <TextField label="Add to humidity" unit="points" inputMode="decimal" {...form.field("humidityOffset")} />
          <TextField label="Add to temperature" unit="°C" inputMode="decimal" {...form.field("temperatureOffset")} />
        </div>
      )}
      <p className="text-sm text-ink-2">What it read stays as it was read; from now on it is shown and reckoned with this added.</p>
    </FormSheet>
  );
}
