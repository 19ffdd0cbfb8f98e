import { serviceOf } from "@/core/service";
import { CareCheck } from "@/features/care/CareCheck";
import { LastMap } from "@/features/visit/LastMap";
import { PlaceOfVisit } from "@/features/visit/PlaceOfVisit";
import { LinkButton, Notice } from "@/ui";
import type { VisitProps } from "./visitProps";

/** A visit that is to be worked from a map, and has none: the ways to one. */
export function NoMapYet({ visit }: { visit: VisitProps }) {
  const { onClient } = serviceOf(visit.service);
  return (
    <div className="mt-8">
      <Notice tone="note" title="No map is chosen for this visit yet" className="max-w-xl">
        A visit begins from a map. Take the one worn last time, open another, or plan a new one.
      </Notice>
      <div className="mt-4 flex flex-wrap gap-3">
        {visit.hasLastMap ? <LastMap visitId={visit.id} /> : null}
        <LinkButton href={`/clients/${visit.clientId}`} tone={visit.hasLastMap ? "line" : "ivy"}>
          {onClient ? "To the client’s maps" : "To its maps"}
        </LinkButton>
        <LinkButton href={`/clients/${visit.clientId}/map`} tone="line">
          Plan a new one
        </LinkButton>
      </div>
      {onClient ? (
        <div className="mt-8">
          <CareCheck care={visit.care} findings={visit.care.findings} reason="" />
        </div>
      ) : null}
      <PlaceOfVisit visit={visit} />
    </div>
  );
}
