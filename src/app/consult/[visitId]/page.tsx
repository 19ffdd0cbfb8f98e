import type { Metadata } from "next";
import { ConsultRoute } from "@/features/consult/ConsultRoute";

export const metadata: Metadata = { title: "Consultation" };

export default async function ConsultPage({ params }: { params: Promise<{ visitId: string }> }) {
  return <ConsultRoute visitId={(await params).visitId} />;
}
