"use client";
import { useState, useTransition } from "react";
import type { RoomTraits } from "@/core/air";
import { Button, Notice, SelectField, TextField } from "@/ui";
import { changeRoom } from "./actions";
import { answered } from "@/ui/answered";

type Typed = {
  volume: string;
  airChange: string;
  humidifier: string;
  humidifierWarm: boolean;
  dehumidifier: string;
  heater: string;
  altitude: string;
  glazing: RoomTraits["glazing"];
  outsideTemperature: string;
  outsideHumidity: string;
};
const tidy = (value: number) => String(Math.round(value * 100) / 100);
const typedOf = (volumeM3: number, traits: RoomTraits): Typed => ({
  volume: tidy(volumeM3),
  airChange: tidy(traits.airChangePerH),
  humidifier: tidy(traits.humidifierGPerH),
  humidifierWarm: traits.humidifierWarm,
  dehumidifier: tidy(traits.dehumidifierGPerH),
  heater: tidy(traits.heaterCPerH),
  altitude: tidy(traits.altitudeM),
  glazing: traits.glazing,
  outsideTemperature: tidy(traits.outside.temperatureC),
  outsideHumidity: tidy(traits.outside.relativeHumidity * 100),
});

/** What this room does to its air: size, air change, machines, glass, outside. */
export function RoomSheet({
  room,
}: {
  room: { id: string; name: string; volumeM3: number; traits: RoomTraits; traitsTold: boolean; revision: number };
}) {
  const [typed, setTyped] = useState(() => typedOf(room.volumeM3, room.traits));
  const [told, setTold] = useState<{ tone: "good" | "stop"; message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, begin] = useTransition();
  const [base, setBase] = useState(room.revision);
  const send = () =>
    begin(async () => {
      const result = await answered(changeRoom({ roomId: room.id, base, form: typed }), "What you typed is still here.");
      if (result.ok) setBase(result.data.revision);
      setTold(
        result.ok
          ? { tone: "good", message: "Kept. Advice follows it from now on.", fields: {} }
          : {
              tone: "stop",
              message: result.message,
              fields: result?.fields ?? {},
            },
      );
    });
  const field = (key: Exclude<keyof Typed, "humidifierWarm" | "glazing">, label: string, unit = "", hint?: string) => (
    <TextField
      label={label}
      unit={unit}
      hint={hint}
      inputMode="decimal"
      value={typed[key]}
      error={told?.fields[`form.${key}`]}
      onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
    />
  );
  return (
    <form
      aria-label="The room"
      noValidate
      aria-busy={busy}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      {room.traitsTold ? null : (
        <Notice tone="note" title="These are usual figures; this room has not been described yet." className="mb-4">
          What you know of it makes grams and minutes truer.
        </Notice>
      )}
      <div className="grid grid-cols-2 gap-x-5 gap-y-4 md:grid-cols-3">
        {field("volume", "Volume", "m³", "length × width × height")}
        {field("airChange", "Air changes", "a hour", "0.3 shut tight, 0.6 usual, 3 ventilated")}
        {field("humidifier", "Humidifier gives", "g/h", "on its label; 0 for none")}
        <SelectField
          label="Its mist is"
          value={typed.humidifierWarm ? "warm" : "cool"}
          onChange={(event) => setTyped({ ...typed, humidifierWarm: event.target.value === "warm" })}
        >
          <option value="cool">cool: takes heat from the air</option>
          <option value="warm">boiled: takes none</option>
        </SelectField>
        {field("dehumidifier", "Dehumidifier takes", "g/h", "0 for none")}
        {field("heater", "Heater warms by", "°C/h", "read it off the history; 0 for none")}
        {field("altitude", "Above the sea", "m")}
        <SelectField
          label="Windows"
          value={typed.glazing}
          onChange={(event) => setTyped({ ...typed, glazing: event.target.value as RoomTraits["glazing"] })}
        >
          <option value="double">double glass</option>
          <option value="single">single glass</option>
        </SelectField>
        {field("outsideTemperature", "Outside today", "°C")}
        {field("outsideHumidity", "Outside humidity", "%")}
      </div>
      {told ? <Notice tone={told.tone} title={told.message} className="mt-4" /> : null}
      <div className="mt-4 flex flex-wrap gap-3">
        <Button type="submit" disabled={busy}>
          Keep
        </Button>
      </div>
    </form>
  );
}
