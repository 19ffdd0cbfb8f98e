"use client";
import { Dialog } from "@/ui";
import { newId } from "@/ui/newId";
import { keepConsultation } from "./actions";
import type { CareProps } from "./careProps";
import { ConsultationForm } from "./ConsultationForm";

/** The consultation asked whole, before anything comes near an eye. */
export function ConsultSheet({ care, onClose }: { care: CareProps; onClose: () => void }) {
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Consultation" wide>
      <ConsultationForm
        who="technician"
        service={care.service}
        known={care.consultation?.document ?? null}
        bornOn={care.bornOn}
        today={care.today}
        onKeep={async (document, bornOn) => {
          const result = await keepConsultation({
            id: newId(),
            clientId: care.clientId,
            visitId: care.visitId,
            service: care.service,
            document,
            bornOn,
          });
          if (result.ok) onClose();
          return result.ok ? { ok: true } : result;
        }}
      />
    </Dialog>
  );
}
