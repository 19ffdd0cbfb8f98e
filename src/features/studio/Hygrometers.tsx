"use client";
import { useState, useTransition } from "react";
import { Button, Dialog, Notice, SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm } from "@/ui/form";
import { addSensor, renewToken } from "./actions";
import { answered } from "@/ui/answered";

type Sensor = { id: string; name: string; room: string; last: string | null };

/** Hygrometers and their tokens. A token is shown once; only its hash is kept. */
export function Hygrometers({
  sensors,
  rooms,
  mayChange,
}: {
  sensors: readonly Sensor[];
  rooms: readonly { id: string; name: string }[];
  mayChange: boolean;
}) {
  const [asking, setAsking] = useState(false);
  const [token, setToken] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  const renew = (id: string) =>
    begin(async () => {
      const result = await answered(renewToken({ id }), "Nothing was changed.");
      setProblem(result.ok ? null : result.message);
      if (result.ok) setToken(result.data.token);
    });
  return (
    <section aria-label="Hygrometers">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">Hygrometers</h2>
        {mayChange ? (
          <Button tone="plain" onClick={() => setAsking(true)}>
            Add one
          </Button>
        ) : null}
      </div>
      {sensors.length === 0 ? <p className="py-3 text-ink-2">None yet; readings can be typed by hand on the air page.</p> : null}
      <ul>
        {sensors.map((sensor) => (
          <li key={sensor.id} className="border-b border-line py-2">
            <span className="block">{sensor.name}</span>
            <span className="text-sm text-ink-2">
              {sensor.room}, {sensor.last ? `last heard ${sensor.last}` : "not heard yet"}
            </span>
            {mayChange ? (
              <Button tone="plain" disabled={busy} onClick={() => renew(sensor.id)}>
                New token
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      {asking ? (
        <SensorForm
          rooms={rooms}
          onClose={() => setAsking(false)}
          onAdded={(made) => {
            setAsking(false);
            setToken(made);
          }}
        />
      ) : null}
      <Dialog open={token !== null} onOpenChange={() => setToken(null)} title="Its token, shown this once">
        <p className="rounded-md border border-line bg-leaf p-3 font-mono text-sm break-all select-all">{token}</p>
        <p className="mt-3 text-[0.9375rem] text-ink-2">
          The device sends it with every batch as “authorization: Bearer …”. A new token ends the old one at once.
        </p>
      </Dialog>
    </section>
  );
}

function SensorForm({
  rooms,
  onClose,
  onAdded,
}: {
  rooms: readonly { id: string; name: string }[];
  onClose: () => void;
  onAdded: (token: string) => void;
}) {
  const form = useStudioForm({
    values: { name: "", roomId: rooms[0]?.id ?? "" },
    schema: () => import("./schema").then(({ sensorForm }) => sensorForm),
    send: addSensor,
    onKept: ({ token }) => onAdded(token),
  });
  return (
    <FormSheet title="A hygrometer" form={form} submit="Add" working="Adding…" onClose={onClose}>
      <TextField
        label="Where it stands"
        hint="Sensor air is not lash air: keep it near the bed, away from breath and mist."
        {...form.field("name")}
      />
      <SelectField label="Room" {...form.field("roomId")}>
        {rooms.map((room) => (
          <option key={room.id} value={room.id}>
            {room.name}
          </option>
        ))}
      </SelectField>
    </FormSheet>
  );
}
