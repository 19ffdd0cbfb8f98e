"use client";
import { useState, useTransition } from "react";
import type { RoomTraits } from "@/core/air";
import { Button, Notice, SelectField, TextField, Verdict } from "@/ui";
import { addRoom, changeRoom } from "./actions";

type Typed = {
  name: string;
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
const typedOf = (name: string, volumeM3: number, traits: RoomTraits): Typed => ({
  name,
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
export function RoomSheet({ room }: { room: { id: string; name: string; volumeM3: number; traits: RoomTraits; traitsTold: boolean } }) {
  const [typed, setTyped] = useState(() => typedOf(room.name, room.volumeM3, room.traits));
  const [told, setTold] = useState<{ tone: "good" | "stop"; message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, begin] = useTransition();
  const send = (work: () => ReturnType<typeof changeRoom> | ReturnType<typeof addRoom>, kept: string) =>
    begin(async () => {
      const result = await work().catch(() => ({
        ok: false as const,
        message: "The server did not answer. What you typed is still here.",
        fields: {} as Readonly<Record<string, string>>,
      }));
      setTold(result.ok ? { tone: "good", message: kept, fields: {} } : { tone: "stop", ...result });
    });
  const field = (key: Exclude<keyof Typed, "humidifierWarm" | "glazing">, label: string, unit = "", hint?: string) => (
    <TextField
      label={label}
      unit={unit}
      hint={hint}
      inputMode={key === "name" ? undefined : "decimal"}
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
        send(() => changeRoom({ roomId: room.id, form: typed }), "Kept. Advice follows it from now on.");
      }}
    >
      {room.traitsTold ? null : (
        <Notice tone="note" title="These are usual figures; this room has not been described yet." className="mb-4">
          What you know of it makes grams and minutes truer.
        </Notice>
      )}
      <div className="grid grid-cols-2 gap-x-5 gap-y-4 md:grid-cols-3">
        {field("name", "Name")}
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
        <Button
          tone="line"
          disabled={busy || typed.name.trim() === room.name}
          onClick={() => send(() => addRoom({ form: typed }), `${typed.name.trim()} is added.`)}
          title="Give it another name first"
        >
          Keep as another room
        </Button>
        {typed.name.trim() === room.name ? null : <Verdict tone="note">“Keep” renames {room.name}</Verdict>}
      </div>
    </form>
  );
}
