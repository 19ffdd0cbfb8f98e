import { notFound } from "next/navigation";
import { Empty, LinkButton } from "@/ui";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";
import { mapPage } from "./data";
import { MapWorkspace } from "./MapWorkspace";

/** The map workspace for a new map or a saved one. */
export async function MapRoute({ clientId: clientText, mapId: mapText }: { clientId: string; mapId: string | null }) {
  const member = await requireMember();
  const clientId = idOr404(clientText);
  const page = await mapPage(member, clientId, mapText === null ? null : idOr404(mapText));
  if (!page) notFound();
  if (page === "no survey")
    return (
      <div className="mx-auto max-w-2xl pt-16">
        <Empty title="A map needs a survey of the natural lashes first">
          <LinkButton href={`/clients/${clientId}/survey`} className="mt-2">
            Take a survey
          </LinkButton>
        </Empty>
      </div>
    );
  return <MapWorkspace page={page} key={mapText ?? "new"} />;
}
