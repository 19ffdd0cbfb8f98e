"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { lashCount, otherSide, SIDES, SPACINGS, type Side, type Survey } from "@/core/eye";
import { useDraft } from "@/features/visit/useDraft";
import { Button, Choice, Notice } from "@/ui";
import { saveSurvey } from "./actions";
import { EyeFields } from "./EyeFields";
import { optionsOf } from "./optionsOf";
import { SurveyDrawing } from "./SurveyDrawing";
import { formOf, readForm, type EyeForm, type SurveyForm } from "./surveyForm";

const SPREAD_MM = 0.7;

/** The quick three-part survey of both eyes; the drawing answers as one types. */
export function SurveyWorkspace({
  clientId,
  clientName,
  start,
  before,
}: {
  clientId: string;
  clientName: string;
  start: Survey;
  before: string | null;
}) {
  const router = useRouter();
  const [form, setForm] = useState<SurveyForm>(() => formOf(start));
  const [shown, setShown] = useState<Survey>(start);
  const [fields, setFields] = useState<Readonly<Record<string, string>>>({});
  const [message, setMessage] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { found, keep, drop } = useDraft(`survey ${clientId}`);
  const read = useMemo(() => readForm(form, SPREAD_MM), [form]);
  const stale = "fields" in read;

  const change = (next: SurveyForm) => {
    setForm(next);
    keep(next, null);
    const result = readForm(next, SPREAD_MM);
    if ("survey" in result) {
      setShown(result.survey);
      setFields({});
    } else setFields((old) => Object.fromEntries(Object.entries(result.fields).filter(([key]) => key in old)));
  };
  const changeEye = (side: Side, eye: EyeForm) => change({ ...form, eyes: { ...form.eyes, [side]: eye } });
  const check = () => "fields" in read && setFields(read.fields);

  const save = async (then: "client" | "map") => {
    if ("fields" in read) {
      setFields(read.fields);
      setMessage("Some figures cannot be right; they are marked.");
      return;
    }
    setBusy(true);
    const result = await saveSurvey({ clientId, survey: read.survey }).catch(() => null);
    if (result?.ok) {
      await drop();
      router.push(then === "map" ? `/clients/${clientId}/map` : `/clients/${clientId}`);
      router.refresh();
      return;
    }
    setMessage(result?.message ?? "The server did not answer. The survey is kept on this tablet; try again.");
    setBusy(false);
  };

  return (
    <div className="pt-5">
      <h1 className="text-3xl break-words">
        <bdi>{clientName}</bdi> <span className="text-ink-2">natural lashes</span>
      </h1>
      <p className="mt-1 text-[0.9375rem] text-ink-2">
        Landmarks are taken with the eyes open.{" "}
        {before ? `Starts from the survey of ${before}; keeping makes a new one.` : "Starts from an ordinary eye; change what differs."}
      </p>
      {found ? (
        <Notice tone="note" title="A survey begun here was not kept" className="mt-4">
          <Button tone="line" className="mt-1 mr-2" onClick={() => (change(found.document as SurveyForm), void drop())}>
            Take it up
          </Button>
          <Button tone="plain" onClick={() => void drop()}>
            Drop it
          </Button>
        </Notice>
      ) : null}
      <div className="mt-5 grid gap-x-10 gap-y-8 xl:grid-cols-[minmax(0,1fr)_34rem]">
        <div className="order-1 min-w-0 xl:sticky xl:top-4 xl:order-none xl:self-start">
          <SurveyDrawing survey={shown} stale={stale} />
          <div className="mt-2 flex flex-wrap gap-x-8 gap-y-3 border-t border-line pt-4">
            <Choice
              label="Eyes stand"
              value={form.spacing}
              options={optionsOf(SPACINGS)}
              onChange={(spacing) => change({ ...form, spacing })}
            />
            <Choice
              label="Lids"
              value={form.oilyLids ? "oily" : "usual"}
              options={[
                { value: "usual", label: "usual" },
                { value: "oily", label: "oily" },
              ]}
              onChange={(lids) => change({ ...form, oilyLids: lids === "oily" })}
            />
          </div>
          <p className="mt-3 text-[0.9375rem] text-ink-2">
            About {lashCount(shown.eyes.right)} lashes on the right lid and {lashCount(shown.eyes.left)} on the left. An upper lid usually
            carries 90 to 160.
          </p>
        </div>
        <div className="space-y-8" onBlur={check}>
          {SIDES.map((side) => (
            <EyeFields
              key={side}
              side={side}
              eye={form.eyes[side]}
              fields={fields}
              onChange={(eye) => changeEye(side, eye)}
              onCopy={() => changeEye(otherSide(side), form.eyes[side])}
            />
          ))}
          {message ? <Notice tone="stop" title={message} /> : null}
          <div className="flex flex-wrap gap-3">
            <Button disabled={busy} onClick={() => void save("map")}>
              Keep and plan a map
            </Button>
            <Button tone="line" disabled={busy} onClick={() => void save("client")}>
              Keep
            </Button>
            <Button tone="plain" onClick={() => router.push(`/clients/${clientId}`)}>
              Back
            </Button>
          </div>
        </div>
      </div>
    </div>
  );
}
