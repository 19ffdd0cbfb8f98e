"use client";
import { SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { addAdhesive } from "./actions";

const NOTHING_SAID = {
  name: "",
  setTimeS: "",
  humidityLow: "",
  humidityHigh: "",
  temperatureLowC: "",
  temperatureHighC: "",
  lifeAfterOpeningDays: "42",
  shakeSeconds: "",
  dropsIn: "",
  waterHours: "",
  keptIn: "",
};

/** An adhesive, as its leaflet describes it. */
export function AdhesiveSheet({ onClose }: { onClose: () => void }) {
  const form = useStudioForm({
    values: NOTHING_SAID,
    schema: () => import("./schema").then(({ adhesiveForm }) => adhesiveForm),
    send: addAdhesive,
    onKept: onClose,
  });
  return (
    <FormSheet title="An adhesive, from its leaflet" form={form} submit="Keep" onClose={onClose}>
      <TextField label="Name" {...form.field("name")} />
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Set time" unit="s" inputMode="decimal" {...form.field("setTimeS")} />
        <TextField label="Good for, once opened" unit="days" inputMode="numeric" {...form.field("lifeAfterOpeningDays")} />
        <TextField label="Humidity from" unit="%" inputMode="decimal" {...form.field("humidityLow")} />
        <TextField label="to" unit="%" inputMode="decimal" {...form.field("humidityHigh")} />
        <TextField label="Warmth from" unit="°C" inputMode="decimal" {...form.field("temperatureLowC")} />
        <TextField label="to" unit="°C" inputMode="decimal" {...form.field("temperatureHighC")} />
        <TextField label="Shake, if it says" unit="s" inputMode="numeric" {...form.field("shakeSeconds")} />
        <TextField label="Drops in a bottle, if known" inputMode="numeric" {...form.field("dropsIn")} />
        <TextField label="No water for, if it says" unit="h" inputMode="decimal" {...form.field("waterHours")} />
        <SelectField label="Kept" {...form.field("keptIn")}>
          <option value="">as the leaflet says</option>
          <option value="fridge until opened">fridge until opened</option>
          <option value="fridge always">fridge always</option>
          <option value="cool and dry">cool and dry</option>
        </SelectField>
      </div>
    </FormSheet>
  );
}
