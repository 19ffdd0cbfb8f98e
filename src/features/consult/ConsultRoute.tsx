import { notFound } from "next/navigation";
import { careOf } from "@/features/visit/care";
import { visitsWhere } from "@/features/visit/data";
import { inStudio } from "@/server/inStudio";
import { handedTo, requireMember, type Member } from "@/server/member";
import { idOr404 } from "@/server/params";
import { ClientConsult } from "./ClientConsult";
import { HandOver } from "./HandOver";

/** What the client sees of a visit: their own questions, and nothing else of it. */
function consultPage(me: Member, visitId: string) {
  return inStudio(me, async (tx) => {
    const [row] = await visitsWhere(tx, { visitId });
    return row ? { row, care: await careOf(tx, me, row, new Date()) } : null;
  });
}

/** The consultation: to be handed over, or in the client's hands. */
export async function ConsultRoute({ visitId: text }: { visitId: string }) {
  const visitId = idOr404(text);
  const handed = await handedTo();
  if (!handed) {
    const page = await consultPage(await requireMember(), visitId);
    if (!page) notFound();
    return <HandOver visitId={visitId} clientName={page.row.clientName} />;
  }
  // Whatever address is typed, it is the visit that was handed over.
  const page = await consultPage(handed.member, handed.visitId);
  if (!page) notFound();
  const { row, care } = page;
  return (
    <ClientConsult
      name={row.clientName}
      studioName={handed.member.studioName}
      technicianName={handed.member.name}
      service={row.service}
      known={care.consultation?.document ?? null}
      answeredOn={care.consultation?.confirmedOn ?? null}
      mayConfirm={care.consultation?.mayConfirm ?? false}
      bornOn={care.bornOn}
      today={care.today}
    />
  );
}
