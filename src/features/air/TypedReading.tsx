"use client";
import { useRouter } from "next/navigation";
import { TextField } from "@/ui";
import { FormBody } from "@/ui/form/FormBody";
import { useStudioForm } from "@/ui/form/useStudioForm";
import { typeReading } from "./actions";

/** A reading taken by eye from any hygrometer; what cannot be is named and stays as typed. */
export function TypedReading({ room, heading = true, onKept }: { room: { id: string }; heading?: boolean; onKept?: () => void }) {
  const router = useRouter();
  const form = useStudioForm({
    values: { temperature: "", humidity: "" },
    input: (typed) => ({ roomId: room.id, ...typed }),
    schema: () => import("./schema").then(({ readingForm }) => readingForm),
    send: typeReading,
    restarts: true,
    onKept: () => {
      router.refresh();
      onKept?.();
    },
  });
  return (
    <FormBody form={form} submit="Keep" tone="line" aria-label="A reading by hand">
      {heading ? <h2 className="text-xl">A reading by hand</h2> : null}
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Temperature" unit="°C" inputMode="decimal" {...form.field("temperature")} />
        <TextField label="Humidity" unit="%" inputMode="decimal" {...form.field("humidity")} />
      </div>
    </FormBody>
  );
}
