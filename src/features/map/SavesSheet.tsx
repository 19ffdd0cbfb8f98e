"use client";
import { wishOf } from "@/core/map";
import { useCallback, useEffect, useState } from "react";
import { Button, Notice, TextArea, Verdict } from "@/ui";
import { forgetTemplate, keepTemplate, mapHistory, savedMap, writeNote } from "./actions";
import { CompareMaps, type Titled } from "./CompareMaps";
import type { MapHistory } from "./data";
import type { MapStudio } from "./useMapStudio";
import { answered } from "@/ui/answered";

/** A map that stands in the list, at hand or to be asked for. */
type Listed = { readonly key: string; readonly title: string } & (
  { readonly mapId: string; readonly revision: number } | Pick<Titled, "map">
);
const KINDS = { note: "Note", approved: "Approved", sentBack: "Sent back" } as const;
const TONES = { note: "note", approved: "good", sentBack: "look" } as const;

/** Every save of this map, the client's other maps, the studio's templates, and what was said of it. */
export function SavesSheet({ studio }: { studio: MapStudio }) {
  const { map, page, mapId, saving, apply, plan } = studio;
  const [history, setHistory] = useState<MapHistory | null>(null);
  const [beside, setBeside] = useState<Titled | null>(null);
  const [first, setFirst] = useState<Titled | null>(null);
  const [words, setWords] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const revision = saving.saved?.revision ?? 0;
  const load = useCallback(async () => {
    const result = await answered(mapHistory({ clientId: page.clientId, mapId }));
    if (result.ok) setHistory(result.data);
    else setProblem(result.message);
  }, [page.clientId, mapId]);
  useEffect(() => {
    // The list follows every save.
    void Promise.resolve().then(load);
  }, [load, revision]);
  /** Everything that can be laid beside another: saves, the client's other maps, templates. */
  const shelf: readonly Listed[] = history
    ? [
        ...history.saves.map(({ revision: rev }) => ({ key: `save ${rev}`, title: `Save ${rev}`, mapId, revision: rev })),
        ...history.others.map((other) => ({ key: other.id, title: other.title, mapId: other.id, revision: other.revision })),
        ...history.templates.map(({ id, map: document }) => ({ key: id, title: document.title, map: document })),
      ]
    : [];
  const fetched = async (key: string): Promise<Titled | null> => {
    const map = shelf.find((one) => one.key === key);
    if (!map) return null;
    if ("map" in map) return map;
    const result = await answered(savedMap({ mapId: map.mapId, revision: map.revision }));
    if (result.ok) return { ...map, map: result.data.map };
    setProblem(result.message);
    return null;
  };
  const open = async (key: string) => setBeside(await fetched(key));
  const close = () => {
    setBeside(null);
    setFirst(null);
  };
  const write = async (kind: "note" | "approved" | "sentBack") => {
    const saved = await saving.save();
    if (saved === null) return;
    const result = await answered(writeNote({ mapId, revision: saved, kind, words }), "What you wrote is still here.");
    if (!result.ok) return setProblem([result.message, ...Object.values(result.fields)].join(" "));
    setWords("");
    setProblem(null);
    await load();
  };
  const keepAsTemplate = async () => {
    const result = await answered(keepTemplate({ map }));
    if (!result.ok) return setProblem(result.message);
    await load();
  };
  const forget = async (id: string) => {
    const result = await answered(forgetTemplate({ id }));
    if (!result.ok) return setProblem(result.message);
    await load();
  };
  return (
    <div className="grid gap-x-10 gap-y-6 md:grid-cols-2">
      <section aria-label="Saves">
        <h3 className="text-lg">Saves of this map</h3>
        {history === null ? (
          <p className="text-ink-2">Looking…</p>
        ) : history.saves.length === 0 ? (
          <p className="text-[0.9375rem] text-ink-2">Not saved yet. Every save is kept, and any two are compared.</p>
        ) : (
          <ul className="mt-1 border-t border-line">
            {history.saves.map((save) => (
              <Line key={save.revision} title={`Save ${save.revision}`} says={`${save.savedOn}, ${save.savedBy}`}>
                <Button tone="plain" onClick={() => void open(`save ${save.revision}`)}>
                  Compare
                </Button>
              </Line>
            ))}
          </ul>
        )}
        {history?.others.length ? (
          <>
            <h3 className="mt-5 text-lg">Other maps of this client</h3>
            <ul className="mt-1 border-t border-line">
              {history.others.map((other) => (
                <Line key={other.id} title={other.title} says={`saved ${other.savedOn}${other.worn ? ", worn at the last visit" : ""}`}>
                  <Button tone="plain" onClick={() => void open(other.id)}>
                    Compare
                  </Button>
                </Line>
              ))}
            </ul>
          </>
        ) : null}
        <h3 className="mt-5 text-lg">Templates of the studio</h3>
        <ul className="mt-1 border-t border-line">
          {history?.templates.map((template) => (
            <Line key={template.id} title={template.map.title} says={`kept by ${template.keptBy}`}>
              <Button tone="line" onClick={() => void plan({ ...wishOf(template.map), title: template.map.title, landmarks: undefined })}>
                Plan with it
              </Button>
              <Button tone="plain" onClick={() => void open(template.id)}>
                Compare
              </Button>
              {page.mayForget ? (
                <Button tone="plain" onClick={() => void forget(template.id)}>
                  Forget
                </Button>
              ) : null}
            </Line>
          ))}
        </ul>
        <Button tone="line" className="mt-2" onClick={() => void keepAsTemplate()}>
          Keep this map as a template
        </Button>
      </section>
      <section aria-label="Notes">
        <h3 className="text-lg">Said of this map</h3>
        {history?.notes.length ? (
          <ul className="mt-1 border-t border-line">
            {history.notes.map((note) => (
              <li key={note.id} className="border-b border-line py-2">
                <Verdict tone={TONES[note.kind]}>{KINDS[note.kind]}</Verdict>{" "}
                <span className="text-sm text-ink-2">
                  {note.writtenBy}, {note.writtenOn}, save {note.revision}
                  {note.kind === "approved" && note.revision !== revision ? "; the map has changed since" : ""}
                </span>
                <p className="text-[0.9375rem] break-words whitespace-pre-line" dir="auto">
                  {note.words}
                </p>
              </li>
            ))}
          </ul>
        ) : (
          <p className="text-[0.9375rem] text-ink-2">
            Nothing yet. An instructor looks a trainee&rsquo;s map over here, writes what to mend, and approves it.
          </p>
        )}
        <div className="mt-3">
          <TextArea label="A note" value={words} maxLength={1000} onChange={(event) => setWords(event.target.value)} />
          <div className="mt-2 flex flex-wrap gap-2">
            <Button tone="line" disabled={words.trim() === ""} onClick={() => void write("note")}>
              Write it down
            </Button>
            {page.mayApprove ? (
              <>
                <Button onClick={() => void write("approved")}>Approve this save</Button>
                <Button tone="plain" disabled={words.trim() === ""} onClick={() => void write("sentBack")}>
                  Send it back
                </Button>
              </>
            ) : null}
          </div>
        </div>
        {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      </section>
      {beside ? (
        <CompareMaps
          studio={studio}
          first={first}
          other={beside}
          choices={shelf.filter(({ key }) => key !== beside.key)}
          onFirst={(key) => void (key === null ? Promise.resolve(null) : fetched(key)).then(setFirst)}
          onTake={() => {
            apply(beside.map);
            close();
          }}
          onClose={close}
        />
      ) : null}
    </div>
  );
}

function Line({ title, says, children }: { title: string; says: string; children: React.ReactNode }) {
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-line py-1.5">
      <span className="min-w-40 flex-1">
        <b className="block break-words">{title}</b>
        <span className="text-sm text-ink-2">{says}</span>
      </span>
      {children}
    </li>
  );
}
