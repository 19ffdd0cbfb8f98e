"use client";
import { useState } from "react";
import { ClientChoice } from "@/features/booking/ClientChoice";
import { findClients } from "@/features/clients/actions";
import { Button, Choice, Dialog, Notice, SelectField, TextArea, TextField } from "@/ui";
import { newId } from "@/ui/newId";
import { correct } from "./actions";
import type { CorrectionChoices } from "./data";
import { answered } from "@/ui/answered";

type What = "bottle" | "begun" | "finished" | "map" | "client";
type Problem = { readonly message: string; readonly fields: Readonly<Record<string, string>> };
const NONE = "none";

/** What was noted wrongly, what it was, and why. */
export function CorrectionForm({ choices, onClose }: { choices: CorrectionChoices; onClose: () => void }) {
  const { visitId, noted, bottles, maps, begun, finished } = choices;
  const options: readonly { value: What; label: string }[] = [
    ...(noted.length > 0 && bottles.length > 0 ? [{ value: "bottle" as const, label: "the bottle" }] : []),
    { value: "begun", label: "when it began" },
    { value: "finished", label: "when it ended" },
    ...(maps ? [{ value: "map" as const, label: "the map" }] : []),
    { value: "client", label: "the client" },
  ];
  /** Made with the form: sent twice, it corrects once. */
  const [eventId] = useState(newId);
  const [what, setWhat] = useState<What>(options[0]!.value);
  const [instead, setInstead] = useState((noted.find(({ bottleId }) => bottleId === null) ?? noted[0])?.bottleId ?? NONE);
  const [bottleId, setBottleId] = useState("");
  const [at, setAt] = useState({ begun, finished });
  const [map, setMap] = useState("");
  const [client, setClient] = useState<{ id: string; name: string } | null>(null);
  const [why, setWhy] = useState("");
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  const fields = problem?.fields ?? {};
  const said = (key: string) => fields[`wish.${key}`] ?? fields[key];

  const wish = () => {
    if (what === "bottle") return { what, bottleId, instead: instead === NONE ? null : instead, why };
    if (what === "client") return { what, clientId: client?.id ?? "", why };
    if (what === "map") {
      const chosen = maps?.find(({ mapId }) => mapId === map);
      return { what, map: chosen ? { mapId: chosen.mapId, revision: chosen.revision } : null, why };
    }
    return { what, ...at[what], why };
  };
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    if (what === "map" && map === "")
      return setProblem({ message: "Something here is not right yet.", fields: { map: "Choose a map, or none." } });
    setBusy(true);
    const result = await answered(correct({ visitId, eventId, wish: wish() }), "What you typed is still here; try again.");
    setBusy(false);
    if (result.ok) onClose();
    else setProblem(result);
  };
  return (
    <Dialog open onOpenChange={(next) => !next && onClose()} title="Correct a finished visit">
      <form onSubmit={(event) => void send(event)} noValidate className="space-y-4">
        <Choice label="What was noted wrongly" value={what} options={options} onChange={setWhat} />
        {what === "bottle" ? (
          <div className="grid gap-4">
            <SelectField label="It says" value={instead} onChange={(event) => setInstead(event.target.value)}>
              {noted.map((one) => (
                <option key={one.bottleId ?? NONE} value={one.bottleId ?? NONE}>
                  {one.words}
                </option>
              ))}
            </SelectField>
            <SelectField label="It was" value={bottleId} error={said("bottleId")} onChange={(event) => setBottleId(event.target.value)}>
              <option value="">choose</option>
              {bottles.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
          </div>
        ) : null}
        {what === "begun" || what === "finished" ? (
          <div className="grid grid-cols-2 gap-4">
            <TextField
              label="Day"
              type="date"
              value={at[what].day}
              error={said("day")}
              onChange={(event) => setAt({ ...at, [what]: { ...at[what], day: event.target.value } })}
            />
            <TextField
              label="At"
              type="time"
              value={at[what].time}
              error={said("time")}
              onChange={(event) => setAt({ ...at, [what]: { ...at[what], time: event.target.value } })}
            />
          </div>
        ) : null}
        {what === "map" ? (
          <SelectField
            label="The map that was worn"
            value={map}
            error={said("map")}
            hint={maps?.length === 0 ? "This client has no map yet." : undefined}
            onChange={(event) => setMap(event.target.value)}
          >
            <option value="">choose</option>
            {maps?.map(({ mapId, words }) => (
              <option key={mapId} value={mapId}>
                {words}
              </option>
            ))}
            {choices.wornMapId ? <option value={NONE}>none of them</option> : null}
          </SelectField>
        ) : null}
        {what === "client" ? (
          <div>
            <ClientChoice
              client={client}
              error={said("clientId")}
              find={async (search) => {
                const result = await findClients({ search });
                return result.ok ? result.data : [];
              }}
              onChoose={setClient}
            />
            <p className="mt-1 text-sm text-ink-2">
              The visit, its clocks and lots go to them. A map drawn for {choices.clientName} does not; consent and answers stay with whom
              they were given by.
            </p>
          </div>
        ) : null}
        <TextArea label="Why" rows={2} value={why} error={said("why")} onChange={(event) => setWhy(event.target.value)} />
        {problem ? <Notice tone="stop" title={problem.message} /> : null}
        <div className="flex gap-3">
          <Button type="submit" disabled={busy}>
            {busy ? "Saving…" : "Correct it"}
          </Button>
          <Button tone="plain" onClick={onClose}>
            Not now
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
