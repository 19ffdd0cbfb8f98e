import type { ReactNode } from "react";
import { OpenedRecord } from "@/features/audit/OpenedRecord";

export default async function ClientLayout({ children, params }: { children: ReactNode; params: Promise<{ clientId: string }> }) {
  return <OpenedRecord clientId={(await params).clientId}>{children}</OpenedRecord>;
}
