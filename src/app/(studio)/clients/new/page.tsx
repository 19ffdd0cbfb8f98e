import type { Metadata } from "next";
import { ClientForm } from "@/features/clients/ClientForm";

export const metadata: Metadata = { title: "New client" };

export default function NewClientPage() {
  return (
    <>
      <h1 className="pt-6 pb-6 text-4xl">New client</h1>
      <ClientForm />
    </>
  );
}
