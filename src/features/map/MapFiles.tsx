"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { PAPERS, type Paper } from "@/core/formats";
import { VIEW_LABELS, VIEWS, type View } from "@/core/map";
import { Button, Choice, Notice } from "@/ui";
import { importMap } from "./actions";
import { answered } from "@/ui/answered";

const PNG_WIDTH_PX = 2400;
const MAX_FILE_BYTES = 512 * 1024;

/** Prints the pad strip, and takes maps along or in. What is printed is what is saved. */
export function MapFiles({
  mapId,
  clientId,
  view,
  save,
}: {
  mapId: string;
  clientId: string;
  view: View;
  save: () => Promise<number | null>;
}) {
  const router = useRouter();
  const [paper, setPaper] = useState<Paper>("a4");
  // Strip and brief lie beside the lashes: drawn from where one works, unless asked otherwise.
  const [seen, setSeen] = useState<View>("bedHead");
  const [problems, setProblems] = useState<{ message: string; lines: readonly string[] } | null>(null);
  const input = useRef<HTMLInputElement>(null);

  const fetchFile = async (file: string) => {
    if ((await save()) === null) return;
    const link = document.createElement("a");
    link.href = `/api/maps/${mapId}/${file}`;
    link.download = "";
    link.click();
  };
  const fetchPng = async () => {
    if ((await save()) === null) return;
    const response = await fetch(`/api/maps/${mapId}/eyes.svg?view=facing`).catch(() => null);
    const draw = async (svg: string) => (await import("./svgToPng")).svgToPng(svg, PNG_WIDTH_PX);
    const picture = response?.ok ? await draw(await response.text()).catch(() => null) : null;
    if (!picture) return setProblems({ message: "The picture could not be made just now. Try again, or take the SVG.", lines: [] });
    const link = document.createElement("a");
    link.href = URL.createObjectURL(picture);
    link.download = "ivy-thread-eyes.png";
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MAX_FILE_BYTES) return setProblems({ message: "A map file is a few kilobytes; this one is over 512 kB.", lines: [] });
    const result = await answered(importMap({ clientId, text: await file.text() }));
    if (input.current) input.current.value = "";
    if (result.ok) return router.push(`/clients/${clientId}/map/${result.data.mapId}`);
    setProblems({ message: result.message, lines: Object.entries(result.fields).map(([where, what]) => `${where}: ${what}`) });
  };
  return (
    <section aria-label="Print and files">
      <h2 className="text-xl">Onto the pad</h2>
      <div className="mt-2 border-t border-line pt-3">
        <Choice
          label="Paper"
          value={paper}
          options={(Object.keys(PAPERS) as Paper[]).map((value) => ({ value, label: PAPERS[value].label }))}
          onChange={setPaper}
        />
        <Choice
          label="Seen"
          value={seen}
          options={VIEWS.map((value) => ({ value, label: VIEW_LABELS[value] }))}
          onChange={setSeen}
          className="mt-2"
        />
        <div className="mt-2 flex flex-wrap gap-2">
          <Button
            tone="line"
            onClick={() => void fetchFile(`pad-strip.pdf?paper=${paper}&view=${seen}`)}
            title={`As seen ${VIEW_LABELS[seen]}`}
          >
            Pad strip
          </Button>
          <Button
            tone="line"
            onClick={() => void fetchFile(`brief.pdf?paper=${paper}&view=${seen}`)}
            title="Map, order of work, what to lay out, cautions"
          >
            Trolley brief
          </Button>
          <details className="group w-full">
            <summary className="inline-flex min-h-9 cursor-pointer items-center rounded-md px-3 text-[0.9375rem] font-semibold text-ivy hover:underline">
              Import and export
            </summary>
            <div className="mt-1 flex flex-wrap gap-2">
              <Button tone="plain" onClick={() => void fetchFile(`eyes.svg?view=${view}`)}>
                SVG
              </Button>
              <Button tone="plain" onClick={() => void fetchPng()}>
                PNG
              </Button>
              <Button tone="plain" onClick={() => void fetchFile("zones.csv")}>
                CSV
              </Button>
              <Button tone="plain" onClick={() => void fetchFile("map.json")}>
                JSON
              </Button>
              <Button tone="plain" onClick={() => input.current?.click()}>
                Import a file
              </Button>
            </div>
          </details>
          <input
            ref={input}
            type="file"
            accept="application/json,.json"
            aria-label="A map file to import"
            className="sr-only"
            tabIndex={-1}
            onChange={(event) => void take(event.target.files?.[0])}
          />
        </div>
        {problems ? (
          <Notice tone="stop" title={problems.message} className="mt-3">
            <ul className="text-sm">
              {problems.lines.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </Notice>
        ) : null}
      </div>
    </section>
  );
}
