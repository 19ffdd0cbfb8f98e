"use client";
import { useState } from "react";
import type { Consultation } from "@/core/care";
import { serviceOf, type ServiceId } from "@/core/service";
import { ownAnswers } from "@/features/care/answersWords";
import { ConsultationForm } from "@/features/care/ConsultationForm";
import { Button, Notice, TextField } from "@/ui";
import { FormBody, useStudioForm } from "@/ui/form";
import { loadAfresh } from "@/ui/loadAfresh";
import { newId } from "@/ui/newId";
import { confirmOwnAnswers, keepOwnAnswers, takeTabletBack } from "./actions";
import { answered } from "@/ui/answered";

/** The consultation in the client's own hands: large and plain, nobody else in reach, and back only by the technician's password. */
export function ClientConsult({
  name,
  studioName,
  technicianName,
  service,
  known,
  answeredOn,
  mayConfirm,
  bornOn,
  today,
}: {
  name: string;
  studioName: string;
  technicianName: string;
  service: ServiceId;
  known: Consultation | null;
  answeredOn: string | null;
  mayConfirm: boolean;
  bornOn: string | null;
  today: string;
}) {
  const [stage, setStage] = useState<"last" | "form" | "done">(mayConfirm ? "last" : "form");
  const [problem, setProblem] = useState<string | null>(null);
  const [id] = useState(newId);
  const same = async () => {
    const result = await answered(confirmOwnAnswers({ id }));
    if (result.ok) return setStage("done");
    setProblem(result.message);
  };
  return (
    <main className="mx-auto max-w-3xl px-5 py-8">
      <p className="font-serif text-xl text-ink-2">{studioName}</p>
      {stage === "done" ? (
        <>
          <h1 className="mt-2 text-[2.75rem]">Thank you</h1>
          <p className="mt-3 text-2xl">Please give the tablet back to {technicianName}.</p>
        </>
      ) : (
        <>
          <h1 className="mt-2 text-[2.75rem] break-words">
            <bdi>{name}</bdi>
          </h1>
          <p className="mt-1 text-xl text-ink-2">Before your {serviceOf(service).label}. Only this studio reads your answers.</p>
        </>
      )}
      {stage === "last" && known ? (
        <section className="mt-6">
          <p className="text-2xl">On {answeredOn} you told us:</p>
          <dl className="mt-3 border-l-4 border-ivy pl-5 text-xl">
            {ownAnswers(known, serviceOf(service).parts).map(({ asked, words }) => (
              <div key={asked} className="grid gap-x-4 py-1 sm:grid-cols-[16rem_minmax(0,1fr)]">
                <dt className="text-ink-2">{asked}</dt>
                <dd className="min-w-0 break-words">{words}</dd>
              </div>
            ))}
          </dl>
          {problem ? <Notice tone="stop" title={problem} className="mt-4" /> : null}
          <div className="mt-6 flex flex-wrap gap-4">
            <Button size="bed" onClick={() => void same()}>
              Nothing has changed
            </Button>
            <Button size="bed" tone="line" onClick={() => setStage("form")}>
              Something has changed
            </Button>
          </div>
        </section>
      ) : null}
      {stage === "form" ? (
        <div className="mt-6">
          <ConsultationForm
            who="client"
            service={service}
            known={known}
            bornOn={bornOn}
            today={today}
            onKeep={async (document, born) => {
              const result = await keepOwnAnswers({ id, document, bornOn: born });
              if (result.ok) setStage("done");
              return result;
            }}
          />
        </div>
      ) : null}
      <Back technicianName={technicianName} />
    </main>
  );
}

/** Only who signed in takes the tablet back. */
function Back({ technicianName }: { technicianName: string }) {
  const form = useStudioForm({
    values: { password: "" },
    send: takeTabletBack,
    onKept: ({ visitId }) => loadAfresh(`/visits/${visitId}`),
  });
  return (
    <details className="mt-14 border-t border-line pt-4">
      <summary className="text-ink-2">For {technicianName}: take the tablet back</summary>
      <FormBody form={form} submit="Take it back" working="Taking it back…" className="mt-3 max-w-sm space-y-3">
        <TextField label="Your password" type="password" autoComplete="off" {...form.field("password")} />
      </FormBody>
    </details>
  );
}
