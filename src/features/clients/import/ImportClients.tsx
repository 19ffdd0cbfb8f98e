"use client";
import { useRef, useState } from "react";
import type { ClientField, ClientTableReading, DayOrder } from "@/core/formats";
import { ENCODINGS, type Encoding } from "@/features/tables/encodings";
import { Button, Notice, SelectField } from "@/ui";
import { noAnswer } from "@/ui/answered";
import { FileButton, TABLE_FILES } from "@/ui/FileButton";
import { newId } from "@/ui/newId";
import { ImportedFiles } from "./ImportedFiles";
import { ImportRows } from "./ImportRows";
import type { ImportPreview } from "./readClientFile";

const MAX_FILE_BYTES = 4 * 1024 * 1024;

const FIELD_LABELS: Readonly<Record<ClientField, string>> = {
  name: "Name, whole",
  firstName: "First name",
  lastName: "Last name",
  phone: "Telephone",
  email: "E-mail",
  bornOn: "Date of birth",
  contact: "Other ways to reach",
  notes: "Note",
};

const FIELDS = Object.keys(FIELD_LABELS) as ClientField[];

type Step = { readonly file: File; readonly preview: ImportPreview };
type Answer = ImportPreview & { readonly message?: string; readonly kept?: number; readonly doubles?: number; readonly leftOut?: number };

const many = (count: number) => `${count.toLocaleString("en-GB")} ${count === 1 ? "client" : "clients"}`;

/** A list of clients out of another program: how it is read is guessed, shown, put right by hand; then kept in one go, or not at all. */
export function ImportClients() {
  const [step, setStep] = useState<Step | null>(null);
  const [importId, setImportId] = useState(newId);
  const [add, setAdd] = useState<ReadonlySet<number>>(new Set());
  const [told, setTold] = useState<{ readonly tone: "good" | "stop"; readonly words: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState(0);

  // Asked again before the last answer came, only the newest is wanted.
  const asked = useRef<AbortController | null>(null);
  const ask = async (file: File, how: { readonly reading?: ClientTableReading; readonly encoding?: Encoding }, keep: boolean) => {
    asked.current?.abort();
    if (file.size > MAX_FILE_BYTES)
      return setTold({ tone: "stop", words: `${file.name} has ${Math.ceil(file.size / 1e6)} MB; up to 4 are taken. Cut it in two.` });
    const mine = new AbortController();
    asked.current = mine;
    setBusy(true);
    setTold(null);
    try {
      const query = new URLSearchParams({
        ...(how.reading ? { reading: JSON.stringify(how.reading) } : {}),
        ...(how.encoding ? { encoding: how.encoding } : {}),
        ...(keep ? { keep: importId, name: file.name.slice(0, 200), ...(add.size > 0 ? { add: [...add].join(",") } : {}) } : {}),
      });
      const response = await fetch(`/api/clients/import?${query}`, { method: "POST", body: file, signal: mine.signal });
      const body = (await response.json()) as Answer;
      if (!response.ok) setTold({ tone: "stop", words: body.message ?? "This file could not be read." });
      else if (keep) {
        const left = [
          ...(body.doubles ? [`${body.doubles} likely ${body.doubles === 1 ? "double" : "doubles"} left out`] : []),
          ...(body.leftOut ? [`${body.leftOut} ${body.leftOut === 1 ? "row" : "rows"} without a name left out`] : []),
        ];
        setStep(null);
        setAdd(new Set());
        setImportId(newId());
        setKept((count) => count + 1);
        setTold({ tone: "good", words: [`${many(body.kept ?? 0)} added`, ...left].join(", ").concat(".") });
      } else {
        if (!how.reading) setAdd(new Set());
        setStep({ file, preview: body });
      }
    } catch {
      if (!mine.signal.aborted) setTold({ tone: "stop", words: noAnswer("Nothing was kept; the file is still chosen.") });
    } finally {
      if (asked.current === mine) setBusy(false);
    }
  };

  const preview = step?.preview;
  const change = (part: Partial<ClientTableReading>) =>
    step && preview && void ask(step.file, { reading: { ...preview.reading, ...part }, encoding: preview.encoding }, false);
  const setColumn = (field: ClientField, column: string) => {
    if (!preview) return;
    const { [field]: _, ...others } = preview.reading.columns;
    change({ columns: column === "" ? others : { ...others, [field]: Number(column) } });
  };
  const added = preview ? preview.good - preview.doublesInAll + add.size : 0;
  return (
    <div className="max-w-4xl" aria-busy={busy}>
      <p className="mb-4 max-w-2xl text-ink-2">
        A CSV file as your address book, spreadsheet or booking program exports it, up to 4 MB and 10,000 clients. How it is read is guessed
        and shown; nothing is kept before you say so, and the whole file can be taken back afterwards.
      </p>
      <FileButton
        accept={TABLE_FILES}
        onFile={(file) => {
          setAdd(new Set());
          void ask(file, {}, false);
        }}
      />
      {busy ? (
        <p role="status" className="mt-3 text-ink-2">
          Reading the file
        </p>
      ) : null}
      {told ? <Notice tone={told.tone} title={told.words} className="mt-4" /> : null}
      {step && preview ? (
        <div className="mt-5 space-y-5">
          <p>
            <b className="break-all">{step.file.name}</b>: {many(preview.good)}
            {preview.doublesInAll > 0 ? `, ${preview.doublesInAll} of them likely here already` : ""}
            {preview.wrong > 0 ? `, ${preview.wrong} ${preview.wrong === 1 ? "row" : "rows"} wrong` : ""}. Nothing is kept yet.
          </p>
          {preview.doubts.map((doubt) => (
            <Notice key={doubt} tone="look" title={doubt} />
          ))}
          <fieldset disabled={busy} className="grid grid-cols-2 gap-x-4 gap-y-3 md:grid-cols-4">
            <legend className="mb-2 font-semibold">Which column says what</legend>
            {FIELDS.map((field) => (
              <SelectField
                key={field}
                label={FIELD_LABELS[field]}
                value={preview.reading.columns[field] ?? ""}
                onChange={({ target }) => setColumn(field, target.value)}
              >
                <option value="">in no column</option>
                {preview.columns.map((name, i) => (
                  <option key={i} value={i}>
                    {name}
                  </option>
                ))}
              </SelectField>
            ))}
            <SelectField
              label="Dates are written"
              value={preview.reading.dayOrder}
              onChange={({ target }) => change({ dayOrder: target.value as DayOrder })}
            >
              <option value="iso">year-month-day</option>
              <option value="dmy">day, month, year</option>
              <option value="mdy">month, day, year</option>
            </SelectField>
            <SelectField
              label="Letters are"
              value={preview.encoding}
              onChange={({ target }) => void ask(step.file, { reading: preview.reading, encoding: target.value as Encoding }, false)}
            >
              {Object.entries(ENCODINGS).map(([encoding, label]) => (
                <option key={encoding} value={encoding}>
                  {label}
                </option>
              ))}
            </SelectField>
            <SelectField
              label="Other columns"
              value={preview.reading.othersToNotes ? "notes" : "left"}
              onChange={({ target }) => change({ othersToNotes: target.value === "notes" })}
            >
              <option value="notes">into the note</option>
              <option value="left">left out</option>
            </SelectField>
            <SelectField
              label="Clients begin in"
              value={preview.reading.skip}
              onChange={({ target }) => change({ skip: Number(target.value) })}
            >
              {Array.from({ length: 12 }, (_, skip) => (
                <option key={skip} value={skip}>
                  row {skip + 1}
                </option>
              ))}
            </SelectField>
          </fieldset>
          <ImportRows preview={preview} add={add} onAdd={setAdd} />
          <div className="flex flex-wrap gap-3">
            <Button
              disabled={busy || added === 0}
              onClick={() => void ask(step.file, { reading: preview.reading, encoding: preview.encoding }, true)}
            >
              Add {many(added)}
            </Button>
            <Button tone="line" onClick={() => setStep(null)}>
              Not this file
            </Button>
          </div>
        </div>
      ) : null}
      <ImportedFiles key={kept} />
    </div>
  );
}
