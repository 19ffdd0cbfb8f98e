import type { ReactNode } from "react";
import { OpenedRecord } from "@/features/audit/OpenedRecord";

export default async function VisitLayout({ children, params }: { children: ReactNode; params: Promise<{ visitId: string }> }) {
  return <OpenedRecord visitId={(await params).visitId}>{children}</OpenedRecord>;
}
