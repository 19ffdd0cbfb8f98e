import type { Metadata } from "next";
import { VisitRoute } from "@/features/visit/VisitRoute";

export const metadata: Metadata = { title: "Visit" };

export default async function VisitPage({ params }: { params: Promise<{ visitId: string }> }) {
  return <VisitRoute visitId={(await params).visitId} />;
}
