import type { Metadata } from "next";
import { MapRoute } from "@/features/map/MapRoute";

export const metadata: Metadata = { title: "New map" };

export default async function NewMapPage({ params }: { params: Promise<{ clientId: string }> }) {
  return <MapRoute clientId={(await params).clientId} mapId={null} />;
}
