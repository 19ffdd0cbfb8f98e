"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { NO_LASH_LIGHTENING } from "@/core/care";
import { SERVICE_KINDS, type ServiceKind } from "@/core/protocol";
import { Button, Dialog, Notice } from "@/ui";
import { openVisit } from "./actions";

/** From a client's page to the colour and lift workspace: one tap for the service. */
export function OpenVisit({ clientId }: { clientId: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const begin = async (kind: ServiceKind) => {
    const result = await openVisit({ clientId, kind }).catch(() => null);
    if (result?.ok) return router.push(`/visits/${result.data.visitId}`);
    setProblem(result?.message ?? "The server did not answer. Try again.");
  };
  return (
    <>
      <Button tone="line" onClick={() => setOpen(true)}>
        Colour or lift
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title="Colour or lift">
        <div className="grid gap-2 sm:grid-cols-2">
          {(Object.keys(SERVICE_KINDS) as ServiceKind[]).map((kind) => (
            <Button key={kind} tone="line" className="min-h-12" onClick={() => void begin(kind)}>
              {SERVICE_KINDS[kind].label}
            </Button>
          ))}
        </div>
        {problem ? <Notice tone="stop" title={problem} className="mt-4" /> : null}
        <p className="mt-4 text-sm text-ink-2">{NO_LASH_LIGHTENING}</p>
      </Dialog>
    </>
  );
}
