import type { View } from "@/core/map";
import { Button } from "@/ui";
import { BeginVisit } from "./BeginVisit";
import { Findings } from "./Findings";
import { MapFiles } from "./MapFiles";
import type { MapStudio } from "./useMapStudio";

/** Beside the plate: save, to the chair, what deserves to be said of the map, print and files. */
export function MapAside({ studio, view }: { studio: MapStudio; hold: boolean; view: View }) {
  const { page, saving, told, mapId } = studio;
  return (
    <aside className="min-w-0 space-y-6 lg:border-l lg:border-line lg:pl-6">
      <div className="flex flex-wrap gap-2">
        <Button tone="line" disabled={saving.busy || !saving.dirty} onClick={() => void saving.save()}>
          {saving.busy ? "Saving…" : saving.dirty ? "Save" : "Saved"}
        </Button>
        <BeginVisit
          clientId={page.clientId}
          clientName={page.clientName}
          mapId={mapId}
          save={saving.save}
          stops={told.filter((f) => f.severity === "stop").length}
        />
      </div>
      <Findings findings={told} onFix={studio.takeFix} onShow={studio.showFinding} onPlan={(wish) => void studio.plan(wish)} />
      <MapFiles mapId={mapId} clientId={page.clientId} view={view} save={saving.save} />
      <p className="text-sm text-ink-2">
        Load is a comparison, not a strength. The leaflets of adhesive and fibre come first.{" "}
        <span className="whitespace-nowrap">Press ? for keys.</span>
      </p>
    </aside>
  );
}
