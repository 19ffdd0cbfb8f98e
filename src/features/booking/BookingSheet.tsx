"use client";
import { useEffect, useRef, useState } from "react";
import type { CareFinding } from "@/core/care";
import { stopsOf } from "@/core/care";
import { CLIENT_SERVICES, SERVICES, type ServiceId, type VisitMinutes } from "@/core/service";
import { sentence } from "@/core/units";
import { Findings } from "@/features/care/CareCheck";
import { useAsk } from "@/features/tablet/useAsk";
import { book, lookAtBooking, move } from "@/features/visit/actions";
import { Button, Dialog, Notice, SelectField, TextField } from "@/ui";
import { newId } from "@/ui/newId";
import { readNumber } from "@/ui/readNumber";
import { proposeMinutes } from "./actions";
import { ClientChoice, type Person } from "./ClientChoice";
import type { BookingOptions } from "./data";
import { answered } from "@/ui/answered";

export type BookingStart = {
  readonly client?: Person | undefined;
  readonly service?: ServiceId | undefined;
  readonly technicianId?: string | undefined;
  readonly chairId?: string | undefined;
  readonly day: string;
  readonly time: string;
  readonly minutes?: number | undefined;
  /** The visit that is moved; null for a new one. */
  readonly moves?: { readonly id: string; readonly revision: number; readonly begun: boolean } | undefined;
};

const FROM: Record<VisitMinutes["from"], string> = {
  client: "from this client’s visits",
  technician: "from this technician’s visits",
  map: "from the map, at this technician’s pace",
  usual: "usual; nothing is known yet",
};
const LOOK_AFTER_MS = 300;
/** "28 November" */
const dayWords = (day: string) =>
  new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", timeZone: "UTC" }).format(new Date(day));

/** Books a visit, or moves one: with whom, where, when, how long, and what would stand against it, said before it is kept. */
export function BookingSheet({
  start,
  options,
  findClients,
  onClose,
  onBooked,
}: {
  start: BookingStart;
  options: BookingOptions;
  /** Finds clients by name; not needed where the client is known. */
  findClients?: (search: string) => Promise<readonly Person[]>;
  onClose: () => void;
  onBooked?: (visitId: string) => void;
}) {
  const [id] = useState(newId);
  const ask = useAsk();
  const [client, setClient] = useState<Person | null>(start.client ?? null);
  const [form, setForm] = useState({
    service: start.service ?? ("fill" as ServiceId),
    technicianId: start.technicianId ?? options.me,
    chairId: start.chairId ?? options.chairs[0]?.id ?? "",
    day: start.day,
    time: start.time,
  });
  const [typedMinutes, setTypedMinutes] = useState<string | null>(start.minutes === undefined ? null : String(start.minutes));
  const [proposed, setProposed] = useState<VisitMinutes | null>(null);
  const [findings, setFindings] = useState<readonly CareFinding[] | null>(null);
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const [busy, setBusy] = useState(false);
  const asked = useRef(0);
  const { service, technicianId, day, time } = form;
  const movesId = start.moves?.id;
  const minutes = typedMinutes ?? String(proposed?.minutes ?? SERVICES[service].usualMinutes);
  const change = (part: Partial<typeof form>) => {
    setForm({ ...form, ...part });
    setProblem(null);
  };

  useEffect(() => {
    const turn = ++asked.current;
    const clientId = client?.id ?? null;
    const timer = setTimeout(() => {
      void proposeMinutes({ service, clientId, technicianId }).then(
        (result) => turn === asked.current && setProposed(result.ok ? result.data : null),
        () => undefined,
      );
      if (clientId && day && time)
        void lookAtBooking({ clientId, service, day, time, ...(movesId ? { visitId: movesId } : {}) }).then(
          (result) => turn === asked.current && setFindings(result.ok ? result.data.findings : null),
          () => undefined,
        );
    }, LOOK_AFTER_MS);
    return () => clearTimeout(timer);
  }, [service, client, technicianId, day, time, movesId]);

  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (!client) return setProblem({ message: "Choose a client.", fields: { clientId: "Choose a client." } });
    setBusy(true);
    const place = { ...form, minutes: readNumber(minutes) ?? Number.NaN };
    if (start.moves) {
      const moved = await answered(
        move({ id: start.moves.id, revision: start.moves.revision, ...place }),
        "What you chose is still here; try again.",
      );
      setBusy(false);
      if (!moved.ok) return setProblem(moved);
    } else {
      const asked = await ask(
        {
          kind: "book",
          about: `booking ${id}`,
          draft: null,
          words: `The booking of ${dayWords(day)}, ${time}`,
          path: `/?day=${day}`,
          input: { id, clientId: client.id, ...place },
        },
        book,
      );
      setBusy(false);
      if (asked.waits) return onClose();
      if (!asked.result.ok) return setProblem(asked.result);
    }
    onBooked?.(start.moves?.id ?? id);
    onClose();
  };
  const stopped = findings !== null && stopsOf(findings).length > 0;
  const begun = start.moves?.begun ?? false;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={start.moves ? "Move the visit" : "Book a visit"}>
      <form onSubmit={(event) => void send(event)} noValidate className="space-y-4">
        {client && (start.client || !findClients) ? (
          <p className="font-serif text-xl">
            <bdi>{client.name}</bdi>
          </p>
        ) : (
          <ClientChoice client={client} error={problem?.fields.clientId} find={findClients!} onChoose={setClient} />
        )}
        <SelectField
          label="Service"
          value={service}
          disabled={begun}
          onChange={(event) => {
            setTypedMinutes(null);
            change({ service: event.target.value as ServiceId });
          }}
        >
          {CLIENT_SERVICES.map((one) => (
            <option key={one} value={one}>
              {sentence(SERVICES[one].label)}
            </option>
          ))}
        </SelectField>
        <div className="grid grid-cols-3 gap-4">
          <TextField
            label="Day"
            type="date"
            value={day}
            disabled={begun}
            error={problem?.fields.day}
            onChange={(event) => change({ day: event.target.value })}
          />
          <TextField
            label="From"
            type="time"
            step={300}
            value={time}
            disabled={begun}
            error={problem?.fields.time ?? problem?.fields.startsAt}
            onChange={(event) => change({ time: event.target.value })}
          />
          <TextField
            label="Minutes"
            inputMode="numeric"
            value={minutes}
            hint={typedMinutes === null && proposed ? FROM[proposed.from] : undefined}
            error={problem?.fields.minutes}
            onChange={(event) => setTypedMinutes(event.target.value)}
          />
        </div>
        <div className="grid grid-cols-2 gap-4">
          <SelectField
            label="With"
            value={technicianId}
            error={problem?.fields.technicianId}
            onChange={(event) => change({ technicianId: event.target.value })}
          >
            {options.people.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="Chair"
            value={form.chairId}
            error={problem?.fields.chairId}
            onChange={(event) => change({ chairId: event.target.value })}
          >
            {options.chairs.map((one) => (
              <option key={one.id} value={one.id}>
                {one.roomName}, {one.name}
              </option>
            ))}
          </SelectField>
        </div>
        {client && findings ? (
          findings.length > 0 ? (
            <Findings findings={findings} />
          ) : (
            <p className="text-[0.9375rem] text-ink-2">Nothing stands against it.</p>
          )
        ) : null}
        {problem ? <Notice tone="stop" title={problem.message} /> : null}
        <div className="flex gap-3">
          <Button type="submit" disabled={busy || (stopped && !begun)}>
            {busy ? "Keeping…" : start.moves ? "Move it" : "Book"}
          </Button>
          <Button tone="plain" onClick={onClose}>
            Not now
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
