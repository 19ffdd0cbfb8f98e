"use client";
import dynamic from "next/dynamic";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { CareFinding } from "@/core/care";
import { NO_LASH_LIGHTENING, SERVICE_IDS, SERVICES, type ServiceId } from "@/core/service";
import { sentence } from "@/core/units";
import type { BookingStart } from "@/features/booking/BookingSheet";
import type { Person } from "@/features/booking/ClientChoice";
import type { BookingOptions } from "@/features/booking/data";
import { nextQuarter } from "@/features/booking/nextQuarter";
import { openVisit } from "@/features/visit/actions";
import { Button, Notice, Verdict } from "@/ui";
import { newId } from "@/ui/newId";
import { answered } from "@/ui/answered";

// Fetched when they are wanted: most visits are opened without either.
const BookedThen = dynamic(() => import("./BookedThen").then((module) => module.BookedThen));
const BookingSheet = dynamic(() => import("@/features/booking/BookingSheet").then((module) => module.BookingSheet));

export type ServiceStanding = { readonly service: ServiceId; readonly findings: readonly CareFinding[] };

const ON_A_HEAD =
  "The same run as a set, with nobody to mind: lengths to 25 mm are fine here, never on a client. What would be a stop on a client is only told.";

const TONES = { stop: "stop", ask: "look", note: "note" } as const;

/** Every service, what stands against it today, and the two ways on: begin it now, or book it. */
export function Services({
  client,
  standings,
  options,
  fillOn,
}: {
  client: Person;
  standings: readonly ServiceStanding[];
  options: BookingOptions;
  /** The day proposed for a fill; null where nothing is worn, or one is booked. */
  fillOn: string | null;
}) {
  const router = useRouter();
  const [booking, setBooking] = useState<BookingStart | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [warning, setWarning] = useState<{ readonly visitId: string; readonly words: string } | null>(null);
  const [busy, setBusy] = useState(false);
  // One id a service and page: a second tap is the same visit.
  const [ids] = useState(() => Object.fromEntries(SERVICE_IDS.map((service) => [service, newId()])) as Record<ServiceId, string>);

  const begin = async (service: ServiceId) => {
    setBusy(true);
    const result = await answered(openVisit({ visitId: ids[service], clientId: client.id, service }));
    setBusy(false);
    if (!result.ok) return setProblem(result.message);
    const { visitId, warning: words } = result.data;
    if (words) setWarning({ visitId, words });
    else router.push(`/visits/${visitId}`);
  };
  return (
    <section aria-label="Services" className="mt-8">
      <h2 className="text-2xl">{client.mannequin ? "Practice" : "Services, and what stands against them today"}</h2>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      <ul className="mt-2 border-t border-line">
        {standings.map(({ service, findings }) => (
          <li
            key={service}
            className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-4 border-b border-line py-1.5 sm:grid-cols-[11rem_minmax(0,1fr)_auto]"
          >
            <span className="pt-1 font-semibold">{sentence(SERVICES[service].label)}</span>
            <span className="order-last col-span-2 text-[0.9375rem] sm:order-none sm:col-span-1 sm:pt-1">
              {client.mannequin ? null : <Gravest findings={findings} />}
            </span>
            <span className="-mr-4 flex justify-end whitespace-nowrap">
              <Button tone="plain" disabled={busy || findings.some(({ weight }) => weight === "stop")} onClick={() => void begin(service)}>
                Begin
              </Button>
              <Button
                tone="plain"
                onClick={() =>
                  setBooking({
                    client,
                    service,
                    day: (service === "fill" && fillOn) || options.today,
                    time: nextQuarter(options.time),
                    technicianId: options.me,
                  })
                }
              >
                Book
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-ink-2">{client.mannequin ? ON_A_HEAD : NO_LASH_LIGHTENING}</p>
      {booking ? (
        <BookingSheet start={booking} options={options} onClose={() => setBooking(null)} onBooked={() => router.refresh()} />
      ) : null}
      {warning ? <BookedThen warning={warning} onClose={() => setWarning(null)} /> : null}
    </section>
  );
}

/** What weighs most, whole; how much more there is, opened by a touch. What is only asked on the day is not counted. */
function Gravest({ findings }: { findings: readonly CareFinding[] }) {
  const [first, ...rest] = findings;
  if (!first) return <Verdict tone="good">nothing</Verdict>;
  return (
    <>
      <Verdict tone={TONES[first.weight]}>{first.words}</Verdict>
      {rest.length > 0 ? (
        <details>
          <summary className="text-sm text-ink-2">{rest.length} more</summary>
          <ul>
            {rest.map(({ key, weight, words }) => (
              <li key={key}>
                <Verdict tone={TONES[weight]}>{words}</Verdict>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </>
  );
}
