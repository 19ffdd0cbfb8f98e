import type { Metadata } from "next";
import { ClientForm } from "@/features/clients/ClientForm";

export const metadata: Metadata = { title: "New client" };

export default async function NewClientPage({ searchParams }: { searchParams: Promise<{ mannequin?: string | string[] }> }) {
  const mannequin = (await searchParams).mannequin !== undefined;
  return (
    <>
      <h1 className="pt-6 pb-6 text-4xl">{mannequin ? "New mannequin head" : "New client"}</h1>
      <ClientForm mannequin={mannequin} />
    </>
  );
}
