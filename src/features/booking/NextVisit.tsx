"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { ServiceId } from "@/core/service";
import { Button, LinkButton } from "@/ui";
import { dayWords } from "@/ui/dayWords";
import type { BookingOptions } from "./data";

const BookingSheet = dynamic(() => import("./BookingSheet").then((module) => module.BookingSheet), { ssr: false });

/** When the client comes again: what is booked, or a day proposed and one tap to book it. */
export function NextVisit({
  client,
  service,
  next,
  proposed,
  options,
  after = "this one",
}: {
  client: { readonly id: string; readonly name: string };
  /** What is proposed to be done then. */
  service: ServiceId;
  next: { readonly id: string; readonly words: string } | null;
  proposed: {
    readonly afterDays: number;
    readonly why: string | null;
    readonly day: string;
    readonly time: string;
    readonly technicianId: string;
    readonly chairId: string;
  } | null;
  options: BookingOptions;
  /** What the days are counted from. */
  after?: string;
}) {
  const router = useRouter();
  const [asking, setAsking] = useState(false);
  return (
    <section aria-label="Next visit">
      <h3 className="text-2xl">Next visit</h3>
      {next ? (
        <p className="mt-1 flex flex-wrap items-center gap-x-4">
          <b>{next.words}</b>
          <LinkButton tone="plain" href={`/visits/${next.id}`}>
            Look at it
          </LinkButton>
        </p>
      ) : proposed ? (
        <>
          <p className="mt-1 text-[0.9375rem]">
            Proposed: <b>{dayWords(proposed.day)}</b>, {proposed.time}{" "}
            <span className="text-ink-2">
              {proposed.day > options.today
                ? `(${proposed.afterDays} days after ${after})`
                : `(day ${proposed.afterDays} is here, or past)`}
            </span>
          </p>
          {proposed.why ? <p className="mt-1 max-w-xl text-[0.9375rem] text-ink-2">{proposed.why}</p> : null}
          <Button tone="line" className="mt-2 min-h-11" onClick={() => setAsking(true)}>
            Book the next visit
          </Button>
        </>
      ) : null}
      {asking && proposed ? (
        <BookingSheet
          start={{
            client: { id: client.id, name: client.name, mannequin: false },
            service,
            technicianId: proposed.technicianId,
            chairId: proposed.chairId,
            day: proposed.day,
            time: proposed.time,
          }}
          options={options}
          onClose={() => setAsking(false)}
          onBooked={() => router.refresh()}
        />
      ) : null}
    </section>
  );
}
