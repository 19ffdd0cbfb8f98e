"use client";
import { useState } from "react";
import { GuardedSheet } from "@/ui/form";
import { useIdBy } from "@/ui/useIdFor";
import { keepConsultation } from "./actions";
import type { CareProps } from "./careProps";
import { ConsultationForm } from "./ConsultationForm";

/** The consultation asked whole, before anything comes near an eye. */
export function ConsultSheet({ care, onClose }: { care: CareProps; onClose: () => void }) {
  const idBy = useIdBy();
  const [isDirty, setDirty] = useState(false);
  const { clientId, visitId, service } = care;
  return (
    <GuardedSheet title="Consultation" isDirty={isDirty} onClose={onClose} wide>
      <ConsultationForm
        who="technician"
        service={service}
        known={care.consultation?.document ?? null}
        bornOn={care.bornOn}
        today={care.today}
        onDirty={setDirty}
        onKeep={async (document, bornOn) => {
          const form = { clientId, visitId, service, document, bornOn };
          const result = await keepConsultation({ id: idBy(form), ...form });
          if (result.ok) onClose();
          return result;
        }}
      />
    </GuardedSheet>
  );
}
