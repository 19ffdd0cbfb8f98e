"use client";
import { careCard, careText, type CaredFor } from "@/core/care";
import { Button, LinkButton } from "@/ui";

/** What the client takes home, with its dates; as a page to print, a PDF, or plain text to send. */
export function CareCardView({
  visit,
  studioName,
  cared,
}: {
  visit: { readonly id: string; readonly clientName: string; readonly timeZone: string };
  studioName: string;
  cared: CaredFor;
}) {
  const at = (options: Intl.DateTimeFormatOptions) => {
    const format = new Intl.DateTimeFormat("en-GB", { ...options, timeZone: visit.timeZone });
    return (ms: number) => format.format(ms);
  };
  const card = careCard(cared, {
    moment: at({ weekday: "long", hour: "2-digit", minute: "2-digit" }),
    day: at({ day: "numeric", month: "long", year: "numeric" }),
  });
  return (
    <section aria-label="Aftercare card" data-print-card className="self-start rounded-md border border-line bg-leaf p-5">
      <h3 className="text-2xl">{card.title}</h3>
      <p className="text-[0.9375rem] text-ink-2">
        For <bdi>{visit.clientName}</bdi>
      </p>
      <ul className="mt-2 list-disc space-y-1 pl-5">
        {card.lines.map((line) => (
          <li key={line} dir="auto">
            {line}
          </li>
        ))}
      </ul>
      {card.again ? <p className="mt-2 font-semibold">{card.again}</p> : null}
      <div className="mt-4 flex flex-wrap gap-2 print:hidden">
        <Button tone="line" onClick={() => window.print()}>
          Print the card
        </Button>
        <LinkButton tone="line" href={`/api/visits/${visit.id}/care.pdf`} prefetch={false}>
          PDF
        </LinkButton>
        <Button tone="line" onClick={() => void navigator.clipboard?.writeText(careText(card, studioName, visit.clientName))}>
          Copy as text
        </Button>
        <LinkButton tone="plain" href={`/api/visits/${visit.id}/care.txt`} prefetch={false}>
          Text file
        </LinkButton>
      </div>
    </section>
  );
}
