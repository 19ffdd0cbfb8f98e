"use client";
import { useState } from "react";
import type { RoomTraits } from "@/core/air";
import { Notice, SelectField, TextField } from "@/ui";
import { FormBody, UnsavedGuard, useStudioForm } from "@/ui/form";
import { changeRoom } from "./actions";

type Typed = {
  volume: string;
  airChange: string;
  humidifier: string;
  humidifierWarm: "warm" | "cool";
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
  humidifierWarm: traits.humidifierWarm ? "warm" : "cool",
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
  const [base, setBase] = useState(room.revision);
  const [kept, setKept] = useState(false);
  const form = useStudioForm({
    values: typedOf(room.volumeM3, room.traits),
    input: (typed) => ({ roomId: room.id, base, form: { ...typed, humidifierWarm: typed.humidifierWarm === "warm" } }),
    schema: () => import("./schema").then(({ roomChange }) => roomChange),
    send: changeRoom,
    staysAsTyped: true,
    onKept: ({ revision }) => {
      setBase(revision);
      setKept(true);
    },
  });
  const field = (key: keyof Typed, label: string, unit = "", hint?: string) => (
    <TextField label={label} unit={unit} hint={hint} inputMode="decimal" {...form.field(key)} />
  );
  return (
    <FormBody form={form} submit="Keep" aria-label="The room">
      {room.traitsTold ? null : (
        <Notice tone="note" title="These are usual figures; this room has not been described yet." className="mb-4">
          What you know of it makes grams and minutes truer.
        </Notice>
      )}
      <div className="grid grid-cols-2 gap-x-5 gap-y-4 md:grid-cols-3">
        {field("volume", "Volume", "m³", "length × width × height")}
        {field("airChange", "Air changes", "a hour", "0.3 shut tight, 0.6 usual, 3 ventilated")}
        {field("humidifier", "Humidifier gives", "g/h", "on its label; 0 for none")}
        <SelectField label="Its mist is" {...form.field("humidifierWarm")}>
          <option value="cool">cool: takes heat from the air</option>
          <option value="warm">boiled: takes none</option>
        </SelectField>
        {field("dehumidifier", "Dehumidifier takes", "g/h", "0 for none")}
        {field("heater", "Heater warms by", "°C/h", "read it off the history; 0 for none")}
        {field("altitude", "Above the sea", "m")}
        <SelectField label="Windows" {...form.field("glazing")}>
          <option value="double">double glass</option>
          <option value="single">single glass</option>
        </SelectField>
        {field("outsideTemperature", "Outside today", "°C")}
        {field("outsideHumidity", "Outside humidity", "%")}
      </div>
      {kept && !form.isDirty && !form.problem ? <Notice tone="good" title="Kept. Advice follows it from now on." /> : null}
      <UnsavedGuard when={form.isDirty} />
    </FormBody>
  );
}
