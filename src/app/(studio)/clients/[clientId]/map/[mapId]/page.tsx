import type { Metadata } from "next";
import { MapRoute } from "@/features/map/MapRoute";

export const metadata: Metadata = { title: "Map" };

export default async function MapPage({ params }: { params: Promise<{ clientId: string; mapId: string }> }) {
  const { clientId, mapId } = await params;
  return <MapRoute clientId={clientId} mapId={mapId} />;
}
