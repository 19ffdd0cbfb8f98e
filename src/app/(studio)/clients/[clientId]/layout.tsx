import { redirect } from "next/navigation";
import type { ReactNode } from "react";
import { OpenedRecord } from "@/features/audit/OpenedRecord";
import { mergedInto } from "@/features/clients/data";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";

export default async function ClientLayout({ children, params }: { children: ReactNode; params: Promise<{ clientId: string }> }) {
  const clientId = idOr404((await params).clientId);
  // An old link to an entry that was merged into another leads on to that one.
  const into = await mergedInto(await requireMember(), clientId);
  if (into) redirect(`/clients/${into}`);
  return <OpenedRecord clientId={clientId}>{children}</OpenedRecord>;
}
