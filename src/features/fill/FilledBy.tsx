"use client";
import { useState } from "react";
import { fillByMap } from "@/features/visit/actions";
import type { FoundSet } from "@/features/visit/setBefore";
import { LinkButton, SelectField, Verdict } from "@/ui";
import { answered } from "@/ui/answered";

/** Which of the client's maps the gaps are filled by: the one worn, or another. */
export function FilledBy({
  visitId,
  clientId,
  mapId,
  maps,
  stands,
}: {
  visitId: string;
  clientId: string;
  mapId: string | null;
  maps: FoundSet["maps"];
  /** Something is placed by it already. */
  stands: boolean;
}) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (id: string) => {
    const map = maps.find((one) => one.id === id);
    if (!map || id === mapId) return;
    setBusy(true);
    const result = await answered(fillByMap({ visitId, mapId: id, revision: map.revision }));
    setBusy(false);
    setProblem(result.ok ? null : result.message);
  };
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <div className="w-80 max-w-full">
        <SelectField
          label="Filled by the map"
          value={mapId ?? ""}
          disabled={busy || stands}
          onChange={(event) => void take(event.target.value)}
        >
          {maps.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </SelectField>
      </div>
      <LinkButton href={`/clients/${clientId}/map`} tone="plain">
        Plan a new map
      </LinkButton>
      {problem ? (
        <p role="alert">
          <Verdict tone="stop">{problem}</Verdict>
        </p>
      ) : null}
    </div>
  );
}
