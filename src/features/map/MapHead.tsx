import Link from "next/link";
import { LAYER_LABELS } from "@/core/map";
import { Button, Choice, Notice } from "@/ui";
import { UnsavedGuard } from "@/ui/form/UnsavedGuard";
import type { MapStudio } from "./useMapStudio";

/** Over the plate: whose map, its title, the layer worked on, undo; and what must be told before anything else. */
export function MapHead({ studio }: { studio: MapStudio; hold: boolean }) {
  const { page, map, editor, layer, draft } = studio;
  const layers = map.eyes.right.layers;
  return (
    <>
      <UnsavedGuard when={studio.saving.dirty} onSave={async () => (await studio.saving.save()) !== null} />
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="min-w-0 text-[1.625rem] break-words">
          <Link href={`/clients/${page.clientId}`} className="hover:underline">
            <bdi>{page.clientName}</bdi>
          </Link>
        </h1>
        <input
          aria-label="Title of the map"
          dir="auto"
          value={map.title}
          maxLength={80}
          onChange={(event) => studio.apply({ ...map, title: event.target.value }, "title")}
          className="min-w-48 flex-1 border-b border-transparent bg-transparent py-1 text-ink-2 hover:border-line focus:border-ivy"
        />
        <span className="flex items-center gap-1 text-sm text-ink-2">
          {layers.length > 1 ? (
            <Choice
              label="Layer worked on"
              showLabel={false}
              value={String(layer)}
              options={layers.map(({ role }, i) => ({ value: String(i), label: LAYER_LABELS[role] }))}
              onChange={(value) => studio.setLayer(Number(value))}
            />
          ) : null}
          <Button tone="plain" disabled={!editor.canUndo} onClick={editor.undo}>
            Undo
          </Button>
          <Button tone="plain" disabled={!editor.canRedo} onClick={editor.redo}>
            Redo
          </Button>
        </span>
      </div>
      {draft.earlier ? (
        <Notice tone="note" title="Changes made here were not saved" className="mb-3">
          <Button
            tone="line"
            className="mt-1 mr-2"
            onClick={() => {
              if (draft.earlier) editor.change(draft.earlier.document);
              void draft.drop();
            }}
          >
            Take them up
          </Button>
          <Button tone="plain" onClick={() => void draft.drop()}>
            Drop them
          </Button>
        </Notice>
      ) : null}
      {page.newerSurveyId ? (
        <Notice tone="note" title="The client was surveyed again since" className="mb-3">
          This map still stands on the older survey.{" "}
          <Link className="font-semibold underline underline-offset-4" href={`/clients/${page.clientId}/map`}>
            Plan a new one on the newest
          </Link>
        </Notice>
      ) : null}
      {studio.notKept.length ? (
        <Notice tone="note" title="Not all of it could be kept" className="mb-3">
          <ul className="space-y-1">
            {studio.notKept.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {studio.problem ? <Notice tone="stop" title={studio.problem} className="mb-3" /> : null}
    </>
  );
}
