"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { DENSITIES, lashCount, OWN_CURLS, otherSide, SHAPES, SIDES, sideLabel, SPACINGS, type Side, type Survey } from "@/core/eye";
import { DIRECTIONS } from "@/core/curl";
import { DIAMETER_CLASSES } from "@/core/lash";
import { useDraft } from "@/features/visit/useDraft";
import { Button, Choice, Notice, SelectField, TextField } from "@/ui";
import { saveSurvey } from "./actions";
import { SurveyDrawing } from "./SurveyDrawing";
import { formOf, LANDMARKS, PLACES, readForm, type EyeForm, type SurveyForm } from "./surveyForm";

const SPREAD_MM = 0.7;
const optionsOf = <K extends string>(classes: Readonly<Record<K, { label: string } | string>>) =>
  (Object.entries(classes) as [K, { label: string } | string][]).map(([value, of]) => ({ value, label: typeof of === "string" ? of : of.label }));

const CLASSES = [
  { key: "diameter", label: "Thickness", options: optionsOf(DIAMETER_CLASSES) },
  { key: "density", label: "Density", options: optionsOf(DENSITIES) },
  { key: "direction", label: "Direction", options: optionsOf(DIRECTIONS) },
  { key: "ownCurl", label: "Own curl", options: optionsOf(OWN_CURLS) },
] as const;

/** The quick three-part survey of both eyes; the drawing answers as one types. */
export function SurveyWorkspace({ clientId, clientName, start, before }: { clientId: string; clientName: string; start: Survey; before: string | null }) {
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
        Landmarks are taken with the eyes open. {before ? `Starts from the survey of ${before}; keeping makes a new one.` : "Starts from an ordinary eye; change what differs."}
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
            <Choice label="Eyes stand" value={form.spacing} options={optionsOf(SPACINGS)} onChange={(spacing) => change({ ...form, spacing })} />
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
            About {lashCount(shown.eyes.right)} lashes on the right lid and {lashCount(shown.eyes.left)} on the left. An upper lid usually carries 90 to 160.
          </p>
        </div>
        <div className="space-y-8" onBlur={check}>
          {SIDES.map((side) => (
            <EyeFields key={side} side={side} eye={form.eyes[side]} fields={fields} onChange={(eye) => changeEye(side, eye)} onCopy={() => changeEye(otherSide(side), form.eyes[side])} />
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

function EyeFields({ side, eye, fields, onChange, onCopy }: { side: Side; eye: EyeForm; fields: Readonly<Record<string, string>>; onChange: (eye: EyeForm) => void; onCopy: () => void }) {
  const name = sideLabel(side);
  const setPlace = (i: number, change: Partial<EyeForm["places"][number]>) => onChange({ ...eye, places: eye.places.map((place, k) => (k === i ? { ...place, ...change } : place)) });
  return (
    <section aria-label={name}>
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl first-letter:uppercase">{name}</h2>
        <Button tone="plain" className="-mr-4" onClick={onCopy}>
          Copy to the other eye
        </Button>
      </div>
      <div className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
        <TextField label="Lash line" unit="mm" inputMode="decimal" value={eye.lashLine} error={fields[`${side}.lashLine`]} onChange={(e) => onChange({ ...eye, lashLine: e.target.value })} />
        <SelectField label="Eye shape" value={eye.shape} onChange={(e) => onChange({ ...eye, shape: e.target.value as EyeForm["shape"] })}>
          {optionsOf(SHAPES).map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </SelectField>
      </div>
      <table className="mt-3 w-full table-fixed border-separate border-spacing-x-1 border-spacing-y-1 sm:border-spacing-x-1.5">
        <caption className="sr-only">Lashes of {name} in three places</caption>
        <thead>
          <tr className="text-left text-sm text-ink-2">
            <th scope="col" className="w-[4.75rem] font-normal sm:w-[5.25rem]">
              <span className="sr-only">What</span>
            </th>
            {PLACES.map((place) => (
              <th key={place} scope="col" className="font-normal">
                {place}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="align-top">
            <th scope="row" className="pt-2.5 text-left text-sm font-normal text-ink-2">
              Length, mm
            </th>
            {PLACES.map((place, i) => (
              <td key={place}>
                <TextField hideLabel label={`${name}, ${place}, natural length in mm`} inputMode="decimal" value={eye.places[i]!.length} error={fields[`${side}.places.${i}.length`]} onChange={(e) => setPlace(i, { length: e.target.value })} />
              </td>
            ))}
          </tr>
          {CLASSES.map(({ key, label, options }) => (
            <tr key={key}>
              <th scope="row" className="text-left text-sm font-normal text-ink-2">
                {label}
              </th>
              {PLACES.map((place, i) => (
                <td key={place}>
                  <SelectField hideLabel label={`${name}, ${place}, ${label.toLowerCase()}`} className="px-2 max-sm:appearance-none max-sm:px-1.5 max-sm:text-[0.9375rem]" value={eye.places[i]![key]} onChange={(e) => setPlace(i, { [key]: e.target.value })}>
                    {options.map((option) => (
                      <option key={option.value} value={option.value}>
                        {option.label}
                      </option>
                    ))}
                  </SelectField>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <fieldset className="mt-3">
        <legend className="text-sm text-ink-2">Landmarks, mm from the inner corner</legend>
        <div className="mt-1 grid grid-cols-2 gap-3 sm:grid-cols-4">
          {LANDMARKS.map(({ key, label }) => (
            <TextField key={key} label={label} inputMode="decimal" value={eye.landmarks[key]} error={fields[`${side}.landmarks.${key}`]} onChange={(e) => onChange({ ...eye, landmarks: { ...eye.landmarks, [key]: e.target.value } })} />
          ))}
        </div>
      </fieldset>
    </section>
  );
}
