"use client";
import { useRef, useState } from "react";
import { consentText } from "@/core/care";
import { Button, Choice, Dialog, Notice, TextField } from "@/ui";
import { keepConsent } from "./actions";
import type { CareProps } from "./careProps";
import { answered } from "@/ui/answered";

const WIDTH = 300;
const HEIGHT = 90;

/** The consent as it is read and signed, by finger or pen, or on a sheet of paper that the studio keeps. */
export function ConsentSheet({ care, onClose }: { care: CareProps; onClose: () => void }) {
  const [signedName, setSignedName] = useState(care.clientName);
  const [line, setLine] = useState("");
  const young = care.ageYears !== null && care.ageYears < 18;
  const [signedBy, setSignedBy] = useState<"client" | "guardian">(young ? "guardian" : "client");
  const drawing = useRef(false);
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const point = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const within = (value: number, most: number) => Math.min(most, Math.max(0, value)).toFixed(1);
    return `${within(((event.clientX - box.left) / box.width) * WIDTH, WIDTH)} ${within(((event.clientY - box.top) / box.height) * HEIGHT, HEIGHT)}`;
  };
  const keep = async (onPaper: boolean) => {
    const result = await answered(
      keepConsent({
        clientId: care.clientId,
        service: care.service,
        signedName,
        signedBy,
        signature: onPaper ? "" : line,
        onPaper,
      }),
    );
    if (result.ok) return onClose();
    setProblem(result);
  };
  const consent = care.consent;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Consent">
      {consent ? (
        <section className="mb-5 border-b border-line pb-4">
          <p className="text-[0.9375rem] whitespace-pre-line text-ink-2">{consent.words}</p>
          {consent.signature ? (
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-2 w-56" role="img" aria-label="Signature on record">
              <path d={consent.signature} fill="none" stroke="var(--ink)" strokeWidth="1.6" strokeLinecap="round" strokeLinejoin="round" />
            </svg>
          ) : null}
          <p className="text-sm text-ink-2">
            Signed by <bdi>{consent.signedName}</bdi>
            {consent.signedBy === "guardian" ? ", guardian," : ""} on {consent.signedOn}
            {consent.signature ? "" : ", on paper"}.
          </p>
        </section>
      ) : null}
      <p className="whitespace-pre-line">{consentText(care.service)}</p>
      <Choice
        label="Signed by"
        className="mt-4"
        value={signedBy}
        options={[
          { value: "client", label: "the client" },
          { value: "guardian", label: "a guardian" },
        ]}
        onChange={setSignedBy}
      />
      <div className="mt-2">
        <TextField
          label="Name"
          value={signedName}
          error={problem?.fields.signedName}
          onChange={(event) => setSignedName(event.target.value)}
        />
      </div>
      <p className="mt-3 text-sm text-ink-2">Signature</p>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label="Field to sign on"
        data-testid="signature"
        className="w-full touch-none rounded-md border border-line-strong bg-leaf"
        onPointerDown={(event) => {
          drawing.current = true;
          event.currentTarget.setPointerCapture(event.pointerId);
          setLine(`${line}M${point(event)}`);
        }}
        onPointerMove={(event) => {
          if (!drawing.current) return;
          const next = point(event);
          setLine((old) => `${old}L${next}`);
        }}
        onPointerUp={() => (drawing.current = false)}
      >
        <line x1="14" x2={WIDTH - 14} y1="68" y2="68" stroke="var(--line-strong)" strokeDasharray="2 3" />
        <path d={line || "M0 0"} fill="none" stroke="var(--ink)" strokeWidth="1.6" strokeLinecap="round" strokeLinejoin="round" />
      </svg>
      {problem ? <Notice tone="stop" title={problem.fields.signature ?? problem.message} className="mt-3" /> : null}
      <div className="mt-3 flex flex-wrap gap-3">
        <Button onClick={() => void keep(false)}>Signed</Button>
        <Button tone="plain" disabled={!line} onClick={() => setLine("")}>
          Again
        </Button>
        <Button tone="plain" onClick={() => void keep(true)}>
          Signed on paper
        </Button>
      </div>
    </Dialog>
  );
}
