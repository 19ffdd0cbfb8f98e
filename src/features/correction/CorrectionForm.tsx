"use client";
import { useState } from "react";
import { ClientChoice, type Person } from "@/features/booking/ClientChoice";
import { findClients } from "@/features/clients/actions";
import { Button, Choice, SelectField, TextArea, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { newId } from "@/ui/newId";
import { correct } from "./actions";
import type { CorrectionChoices } from "./data";

type What = "bottle" | "begun" | "finished" | "map" | "client";
const NONE = "none";

type Typed = {
  readonly what: What;
  readonly instead: string;
  readonly bottleId: string;
  readonly begun: CorrectionChoices["begun"];
  readonly finished: CorrectionChoices["finished"];
  readonly map: string;
  readonly client: Person | null;
  readonly why: string;
};

/** What is asked for, of what was typed: only what belongs to it. */
function wishOf({ what, instead, bottleId, map, client, why, ...at }: Typed, maps: CorrectionChoices["maps"]) {
  if (what === "bottle") return { what, bottleId, instead: instead === NONE ? null : instead, why };
  if (what === "client") return { what, clientId: client?.id ?? "", why };
  if (what !== "map") return { what, ...at[what], why };
  const chosen = maps?.find(({ mapId }) => mapId === map);
  // Nothing chosen is not the same as none of them.
  return { what, map: chosen ? { mapId: chosen.mapId, revision: chosen.revision } : map === NONE ? null : undefined, why };
}

/** What was noted wrongly, what it was, and why. */
export function CorrectionForm({ choices, onClose }: { choices: CorrectionChoices; onClose: () => void }) {
  const { visitId, noted, bottles, maps, begun, finished } = choices;
  const options: readonly { value: What; label: string }[] = [
    ...(noted.length > 0 && bottles.length > 0 ? [{ value: "bottle" as const, label: "the bottle" }] : []),
    { value: "begun", label: "when it began" },
    { value: "finished", label: "when it ended" },
    ...(maps ? [{ value: "map" as const, label: "the map" }] : []),
    { value: "client", label: "the client" },
  ];
  /** Made with the form: sent twice, it corrects once. */
  const [eventId] = useState(newId);
  const form = useStudioForm({
    values: {
      what: options[0]!.value,
      instead: (noted.find(({ bottleId }) => bottleId === null) ?? noted[0])?.bottleId ?? NONE,
      bottleId: "",
      begun,
      finished,
      map: "",
      client: null as Person | null,
      why: "",
    },
    input: (typed) => ({ visitId, eventId, wish: wishOf(typed, maps) }),
    schema: () => import("./schema").then(({ correctionForm }) => correctionForm),
    send: correct,
    onKept: onClose,
    fieldOf: (path) =>
      path
        .replace(/^wish\./, "")
        .split(".")[0]!
        .replace("clientId", "client"),
    still: "What you typed is still here; try again.",
  });
  const { what } = form.now;
  const setTime = (part: Partial<typeof begun>) => {
    if (what === "begun" || what === "finished") form.set(what, { ...form.now[what], ...part });
  };
  return (
    <FormSheet
      title="Correct a finished visit"
      form={form}
      submit="Correct it"
      working="Saving…"
      onClose={onClose}
      more={
        <Button tone="plain" onClick={onClose}>
          Not now
        </Button>
      }
    >
      <Choice label="What was noted wrongly" value={what} options={options} onChange={(next) => form.set("what", next)} />
      {what === "bottle" ? (
        <div className="grid gap-4">
          <SelectField label="It says" {...form.field("instead")}>
            {noted.map((one) => (
              <option key={one.bottleId ?? NONE} value={one.bottleId ?? NONE}>
                {one.words}
              </option>
            ))}
          </SelectField>
          <SelectField label="It was" {...form.field("bottleId")}>
            <option value="">choose</option>
            {bottles.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
      ) : null}
      {what === "begun" || what === "finished" ? (
        <div className="grid grid-cols-2 gap-4">
          <TextField
            label="Day"
            type="date"
            value={form.now[what].day}
            error={form.said("day")}
            onChange={(event) => setTime({ day: event.target.value })}
          />
          <TextField
            label="At"
            type="time"
            value={form.now[what].time}
            error={form.said("time")}
            onChange={(event) => setTime({ time: event.target.value })}
          />
        </div>
      ) : null}
      {what === "map" ? (
        <SelectField
          label="The map that was worn"
          hint={maps?.length === 0 ? "This client has no map yet." : undefined}
          {...form.field("map")}
        >
          <option value="">choose</option>
          {maps?.map(({ mapId, words }) => (
            <option key={mapId} value={mapId}>
              {words}
            </option>
          ))}
          {choices.wornMapId ? <option value={NONE}>none of them</option> : null}
        </SelectField>
      ) : null}
      {what === "client" ? (
        <div>
          <ClientChoice
            client={form.now.client}
            error={form.said("client")}
            find={async (search) => {
              const result = await findClients({ search });
              return result.ok ? result.data : [];
            }}
            onChoose={(one) => form.set("client", one)}
          />
          <p className="mt-1 text-sm text-ink-2">
            The visit, its clocks and lots go to them. A map drawn for {choices.clientName} does not; consent and answers stay with whom
            they were given by.
          </p>
        </div>
      ) : null}
      <TextArea label="Why" rows={2} {...form.field("why")} />
    </FormSheet>
  );
}
