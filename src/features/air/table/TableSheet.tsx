"use client";
import { useRouter } from "next/navigation";
import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { TableReading } from "@/core/formats";
import { Button, Notice, SelectField } from "@/ui";
import { FileButton, TABLE_FILES } from "@/ui/FileButton";
import type { TablePreview } from "./readTableFile";
import { noAnswer } from "@/ui/answered";
import { askTable } from "./askTable";

const MAX_FILE_BYTES = 8 * 1024 * 1024;

type Step = { file: File; preview: TablePreview };

/** Readings out of a logger's file: how it is read is guessed, shown, put right by hand; then all good lines or none. */
export function TableSheet({ roomId, roomName, timeZone }: { roomId: string; roomName: string; timeZone: string }) {
  const router = useRouter();
  const [step, setStep] = useState<Step | null>(null);
  const [told, setTold] = useState<{ tone: "good" | "stop"; message: string } | null>(null);
  /** How far the server is with it, 0..1; null while nothing is under way. */
  const [done, setDone] = useState<number | null>(null);
  const busy = done !== null;
  const clock = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "medium", timeZone });

  // Asked again before the last answer came, only the newest is wanted; it may be given up by hand, too.
  const asked = useRef<AbortController | null>(null);
  const ask = async (file: File, reading: TableReading | null, keep: boolean) => {
    asked.current?.abort();
    if (file.size > MAX_FILE_BYTES)
      return setTold({ tone: "stop", message: `${file.name} has ${Math.ceil(file.size / 1e6)} MB; up to 8 are taken. Cut it in two.` });
    const mine = new AbortController();
    asked.current = mine;
    setDone(0);
    setTold(null);
    try {
      const query = new URLSearchParams({
        ...(reading ? { reading: JSON.stringify(reading) } : {}),
        ...(keep ? { keep: "1", leave: "wrong", name: file.name.slice(0, 200) } : {}),
      });
      const { status, body } = await askTable<TablePreview & { kept?: number; known?: number; leftOut?: number }>(
        `/api/rooms/${roomId}/table?${query}`,
        file,
        mine.signal,
        (share) => asked.current === mine && setDone(share),
      );
      if (asked.current !== mine) return;
      if (status !== 200) setTold({ tone: "stop", message: body.message ?? "This file could not be read." });
      else if (keep) {
        setStep(null);
        setTold({
          tone: "good",
          message: `${body.kept} readings are kept in ${roomName}${body.known ? `, ${body.known} were there already` : ""}${body.leftOut ? `, ${body.leftOut} ${body.leftOut === 1 ? "line was" : "lines were"} left out` : ""}.`,
        });
        router.refresh();
      } else setStep({ file, preview: body });
    } catch {
      if (!mine.signal.aborted) setTold({ tone: "stop", message: noAnswer("Nothing was kept; the file is still chosen.") });
    } finally {
      if (asked.current === mine) setDone(null);
    }
  };
  const giveUp = () => {
    asked.current?.abort();
    setDone(null);
    setTold({ tone: "stop", message: "Given up. Nothing was kept." });
  };

  // A file chosen before the page was alive is taken up then.
  const input = useRef<HTMLInputElement>(null);
  const takeUp = useEffectEvent(() => {
    const file = input.current?.files?.[0];
    if (file) void ask(file, null, false);
  });
  useEffect(() => {
    const soon = setTimeout(() => takeUp(), 0);
    return () => clearTimeout(soon);
  }, []);

  const preview = step?.preview;
  const change = (part: Partial<TableReading>) => step && preview && void ask(step.file, { ...preview.reading, ...part }, false);
  const columns = (key: "time" | "temperature" | "humidity", label: string) =>
    preview ? (
      <SelectField label={label} value={preview.reading[key]} onChange={(event) => change({ [key]: Number(event.target.value) })}>
        {preview.columns.map((name, i) => (
          <option key={i} value={i}>
            {name}
          </option>
        ))}
      </SelectField>
    ) : null;
  return (
    <section aria-label="Readings from a file" aria-busy={busy}>
      <h3 className="text-xl">From a logger&rsquo;s file</h3>
      <p className="mt-1 mb-2 text-[0.9375rem] text-ink-2">
        CSV or text, up to 8 MB: comma, semicolon or tab; dates in any usual order, taken for this studio&rsquo;s clock where the file names
        no zone.
      </p>
      <FileButton ref={input} accept={TABLE_FILES} onFile={(file) => void ask(file, null, false)} />
      {busy ? (
        <div className="mt-3 flex items-center gap-4">
          <progress aria-label="How far it is" value={done} max={1} className="h-2 min-w-0 flex-1 accent-ivy" />
          <Button tone="line" onClick={giveUp}>
            Cancel
          </Button>
        </div>
      ) : null}
      {told ? <Notice tone={told.tone} title={told.message} className="mt-3" /> : null}
      {step && preview ? (
        <div className="mt-4 space-y-4">
          <p>
            <b className="break-all">{step.file.name}</b>: {preview.good} readings
            {preview.wrong > 0 ? `, ${preview.wrong} ${preview.wrong === 1 ? "line" : "lines"} wrong` : ""}. Nothing is kept yet.
          </p>
          {preview.doubts.map((doubt) => (
            <Notice key={doubt} tone="look" title={doubt} />
          ))}
          <div className="grid grid-cols-2 gap-4 md:grid-cols-3">
            {columns("time", "Time stands in")}
            {columns("temperature", "Temperature in")}
            {columns("humidity", "Humidity in")}
            <SelectField
              label="Dates are written"
              value={preview.reading.dateOrder}
              onChange={(event) => change({ dateOrder: event.target.value as TableReading["dateOrder"] })}
            >
              <option value="iso">year-month-day</option>
              <option value="dmy">day, month, year</option>
              <option value="mdy">month, day, year</option>
              <option value="unixS">seconds since 1970</option>
              <option value="unixMs">milliseconds since 1970</option>
            </SelectField>
            <SelectField
              label="Degrees"
              value={preview.reading.temperatureUnit}
              onChange={(event) => change({ temperatureUnit: event.target.value as "C" | "F" })}
            >
              <option value="C">Celsius</option>
              <option value="F">Fahrenheit</option>
            </SelectField>
            <SelectField
              label="Humidity"
              value={preview.reading.humidityUnit}
              onChange={(event) => change({ humidityUnit: event.target.value as "percent" | "fraction" })}
            >
              <option value="percent">per cent</option>
              <option value="fraction">a fraction of one</option>
            </SelectField>
          </div>
          <table className="w-full text-[0.9375rem]">
            <caption className="pb-1 text-left text-sm text-ink-2">As they will be kept, first ones and the last</caption>
            <tbody>
              {preview.rows.map((row) => (
                <tr key={row.line} className="border-t border-line">
                  <th scope="row" className="py-1 text-left font-normal text-ink-2">
                    line {row.line}
                  </th>
                  <td>{clock.format(new Date(row.at))}</td>
                  <td className="text-right">{row.temperatureC.toFixed(1)} °C</td>
                  <td className="text-right">{(row.relativeHumidity * 100).toFixed(1)} %</td>
                </tr>
              ))}
            </tbody>
          </table>
          {preview.problems.length > 0 ? (
            <details open={preview.problems.length < 6}>
              <summary className="cursor-pointer">
                Wrong lines{preview.wrong > preview.problems.length ? `, the first ${preview.problems.length} of ${preview.wrong}` : ""}
              </summary>
              <ul className="mt-1 text-[0.9375rem] text-ink-2">
                {preview.problems.map(({ line, why }) => (
                  <li key={line}>
                    Line {line}: {why}
                  </li>
                ))}
              </ul>
            </details>
          ) : null}
          <div className="flex flex-wrap gap-3">
            <Button disabled={busy || preview.good === 0} onClick={() => void ask(step.file, preview.reading, true)}>
              {preview.wrong > 0 ? `Keep ${preview.good}, leave ${preview.wrong} out` : `Keep ${preview.good}`}
            </Button>
            <Button tone="line" onClick={() => setStep(null)}>
              Not this file
            </Button>
          </div>
        </div>
      ) : null}
    </section>
  );
}
