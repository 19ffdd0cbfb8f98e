"use client";
import { useRef, useState } from "react";
import { sideLabel, SIDES, type Side } from "@/core/eye";
import { Button, Choice } from "@/ui";
import { answered } from "@/ui/answered";
import type { KeptPicture } from "./data";

/** Takes a picture of one eye in, open or closed on its pad. */
export function AddPicture({
  clientId,
  closed = null,
  onProblem,
  onTaken,
}: {
  clientId: string;
  /** A picture of this eye closed is wanted; null where anything may be taken in. */
  closed?: Side | null;
  onProblem: (words: string | null) => void;
  onTaken: (id: string) => void;
}) {
  const [chosenSide, setSide] = useState<Side>("right");
  const [chosenKind, setKind] = useState<KeptPicture["kind"]>("closed");
  const side = closed ?? chosenSide;
  const kind = closed ? "closed" : chosenKind;
  const [busy, setBusy] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setBusy(true);
    const send = async (): Promise<{ ok: boolean; id?: string; message: string }> => {
      const response = await fetch(`/api/clients/${clientId}/pictures?kind=${kind}&side=${side}`, { method: "POST", body: file });
      const body = (await response.json()) as { id?: string; message?: string };
      return { ok: response.ok, message: body.message ?? "", ...(body.id ? { id: body.id } : {}) };
    };
    const result = await answered(send(), "The picture is still on this device; try again.");
    setBusy(false);
    if (input.current) input.current.value = "";
    if (result.ok && "id" in result && result.id) {
      onProblem(null);
      return onTaken(result.id);
    }
    onProblem(result.message);
  };
  return (
    <section aria-label="Take a picture in">
      {closed ? null : (
        <>
          <h2 className="text-xl">Take one in</h2>
          <Choice label="Eye" value={side} options={SIDES.map((s) => ({ value: s, label: sideLabel(s) }))} onChange={setSide} />
          <Choice
            label="It is"
            value={kind}
            options={[
              { value: "closed", label: "closed, on its pad" },
              { value: "open", label: "open" },
            ]}
            onChange={setKind}
          />
        </>
      )}
      <Button tone="line" className="mt-2" disabled={busy} onClick={() => input.current?.click()}>
        {busy ? "Taking it in…" : closed ? `A picture of the ${sideLabel(closed)}, closed` : "Choose a picture"}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        aria-label="A picture to measure from"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => void take(event.target.files?.[0])}
      />
    </section>
  );
}
