"use client";
import { Button } from "@/ui";

/** What the client takes home. Water by finish, leaflet or policy; the rest common practice. */
export function AftercareCard({ clientName, waterWords }: { clientName: string; waterWords: string | null }) {
  return (
    <section aria-label="Aftercare card" data-print-card className="rounded-md border border-line bg-leaf p-5">
      <h3 className="text-2xl">Aftercare</h3>
      <p className="text-[0.9375rem] text-ink-2">
        For <bdi>{clientName}</bdi>
      </p>
      <ul className="mt-2 list-disc space-y-1 pl-5">
        <li>{waterWords ? <b>No water, steam or oil before {waterWords}.</b> : "No water, steam or oil for a day."}</li>
        <li>Then wash them four to six times a week, and after crying, steam or oil; rinse fully, let them dry.</li>
        <li>Do not rub or pull; sleep off your face where you can.</li>
        <li>Sting, redness or swelling: rinse with clean water, call us, and see a doctor.</li>
      </ul>
      <Button tone="line" className="mt-4 print:hidden" onClick={() => window.print()}>
        Print the card
      </Button>
    </section>
  );
}
