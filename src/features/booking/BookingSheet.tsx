"use client";
import { useEffect, useRef, useState } from "react";
import type { CareFinding } from "@/core/care";
import { stopsOf } from "@/core/care";
import { SERVICES, servicesFor, type ServiceId, type VisitMinutes } from "@/core/service";
import { sentence } from "@/core/units";
import { Findings } from "@/features/care/Findings";
import { useAsk } from "@/features/tablet/useAsk";
import { book, lookAtBooking, move } from "@/features/visit/actions";
import { Button, SelectField, TextField } from "@/ui";
import { FormSheet, useStudioForm, type FormAnswer } from "@/ui/form";
import { newId } from "@/ui/newId";
import { readNumber } from "@/ui/readNumber";
import type { ProposedDay } from "@/features/visit/comeBack";
import { dayWords } from "@/ui/dayWords";
import { proposeDay, proposeMinutes } from "./actions";
import { ClientChoice, type Person } from "./ClientChoice";
import type { BookingOptions } from "./data";

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
/** What is proposed where nothing was chosen. */
const FIRST: ServiceId = "fill";
const LOOK_AFTER_MS = 300;
/** Minutes before anybody typed some. */
const proposedMinutes = (proposed: VisitMinutes | null, service: ServiceId) => String(proposed?.minutes ?? SERVICES[service].usualMinutes);
/** "28 November" */
const dayAndMonth = (day: string) =>
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
  const asked = useRef(0);
  const [proposed, setProposed] = useState<VisitMinutes | null>(null);
  const [answeredDay, setAnsweredDay] = useState<{ readonly clientId: string; readonly best: ProposedDay | null } | null>(null);
  const [findings, setFindings] = useState<readonly CareFinding[] | null>(null);
  const { moves } = start;
  const isHere = (technicianId: string) => options.people.some((one) => one.id === technicianId);
  const form = useStudioForm({
    values: {
      client: start.client ?? (null as Person | null),
      service: start.service ?? FIRST,
      // Who has left is proposed nothing; a visit of theirs that is moved waits for somebody to be chosen.
      technicianId: start.technicianId && (moves || isHere(start.technicianId)) ? start.technicianId : options.me,
      chairId: start.chairId ?? options.chairs[0]?.id ?? "",
      day: start.day,
      time: start.time,
      /** Null while what is proposed stands. */
      minutes: start.minutes === undefined ? null : String(start.minutes),
    },
    input: ({ client: chosen, minutes, ...place }) => ({
      ...(moves ? { id: moves.id, revision: moves.revision } : { id, clientId: chosen?.id ?? "" }),
      ...place,
      minutes: readNumber(minutes ?? proposedMinutes(proposed, place.service)) ?? Number.NaN,
    }),
    schema: () => import("@/features/visit/schema").then(({ bookingForm, moveForm }) => (moves ? moveForm : bookingForm)),
    send: async (input: { readonly day: string; readonly time: string }): Promise<FormAnswer<{ readonly isWaiting: boolean }>> => {
      if (moves) {
        const moved = await move(input);
        return moved.ok ? { ok: true, data: { isWaiting: false } } : moved;
      }
      const words = `The booking of ${dayAndMonth(input.day)}, ${input.time}`;
      const booked = await ask({ kind: "book", about: `booking ${id}`, draft: null, words, path: `/?day=${input.day}`, input }, book);
      if (booked.waits) return { ok: true, data: { isWaiting: true } };
      return booked.result.ok ? { ok: true, data: { isWaiting: false } } : booked.result;
    },
    onKept: ({ isWaiting }) => {
      if (!isWaiting) onBooked?.(moves?.id ?? id);
      onClose();
    },
    fieldOf: (path) => ({ clientId: "client", startsAt: "time" })[path] ?? path,
    still: "What you chose is still here; try again.",
  });
  const { client, service, technicianId, day, time } = form.now;
  /** A mannequin head takes practice alone, a client everything else. */
  const choose = (one: Person | null) => {
    form.set("client", one);
    const offered = servicesFor(one?.mannequin ?? false);
    if (!offered.includes(service)) form.set("service", one?.mannequin ? offered[0]! : FIRST);
  };
  const movesId = moves?.id;
  const minutes = form.now.minutes ?? proposedMinutes(proposed, service);

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

  const clientId = client?.id ?? null;
  const wantsDay = service === "fill" && !moves?.begun && clientId !== null;
  useEffect(() => {
    if (!wantsDay) return;
    let isWanted = true;
    void proposeDay({ clientId, technicianId }).then(
      (result) => isWanted && setAnsweredDay({ clientId, best: result.ok ? result.data : null }),
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [wantsDay, clientId, technicianId]);

  // What was answered for somebody else is not theirs.
  const best = answeredDay?.clientId === clientId ? answeredDay.best : null;

  const stopped = findings !== null && stopsOf(findings).length > 0;
  const begun = moves?.begun ?? false;
  return (
    <FormSheet
      title={moves ? "Move the visit" : "Book a visit"}
      form={form}
      submit={moves ? "Move it" : "Book"}
      disabled={stopped && !begun}
      onClose={onClose}
      more={
        <Button tone="plain" onClick={onClose}>
          Not now
        </Button>
      }
    >
      {client && (start.client || !findClients) ? (
        <p className="font-serif text-xl">
          <bdi>{client.name}</bdi>
        </p>
      ) : (
        <ClientChoice client={client} error={form.said("client")} find={findClients!} onChoose={choose} />
      )}
      <SelectField label="Service" disabled={begun} {...form.field("service", () => form.set("minutes", null))}>
        {servicesFor(client?.mannequin ?? false).map((one) => (
          <option key={one} value={one}>
            {sentence(SERVICES[one].label)}
          </option>
        ))}
      </SelectField>
      <div className="grid grid-cols-3 gap-4">
        <TextField label="Day" type="date" disabled={begun} {...form.field("day")} />
        <TextField label="From" type="time" step={300} disabled={begun} {...form.field("time")} />
        <TextField
          label="Minutes"
          inputMode="numeric"
          value={minutes}
          hint={form.now.minutes === null && proposed ? FROM[proposed.from] : undefined}
          error={form.said("minutes")}
          onChange={(event) => form.set("minutes", event.target.value)}
        />
      </div>
      {wantsDay && best ? (
        <div className="text-[0.9375rem]">
          <p>
            Best on <b>{dayWords(best.day)}</b>. {best.why ? <span className="text-ink-2">{best.why}</span> : null}
          </p>
          {day === best.day ? null : (
            <Button tone="plain" className="-ml-4" onClick={() => form.set("day", best.day)}>
              Take that day
            </Button>
          )}
        </div>
      ) : null}
      <div className="grid grid-cols-2 gap-4">
        <SelectField label="With" {...form.field("technicianId")}>
          {isHere(technicianId) ? null : (
            <option value={technicianId} disabled>
              somebody who has left
            </option>
          )}
          {options.people.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </SelectField>
        <SelectField label="Chair" {...form.field("chairId")}>
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
    </FormSheet>
  );
}
