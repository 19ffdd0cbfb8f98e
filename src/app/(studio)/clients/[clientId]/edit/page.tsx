import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { ClientForm } from "@/features/clients/ClientForm";
import { clientForm } from "@/features/clients/data";
import { requireMember } from "@/server/member";
import { idOr404 } from "@/server/params";

export const metadata: Metadata = { title: "Edit client" };

export default async function EditClientPage({ params }: { params: Promise<{ clientId: string }> }) {
  const member = await requireMember();
  const person = await clientForm(member, idOr404((await params).clientId));
  if (!person) notFound();
  return (
    <>
      <h1 className="pt-6 pb-6 text-4xl break-words">
        <bdi>{person.name}</bdi>
      </h1>
      <ClientForm
        mannequin={person.mannequin}
        known={{
          id: person.id,
          seenAt: person.updatedAt.toISOString(),
          form: {
            name: person.name,
            phone: person.phone,
            email: person.email,
            contact: person.contact,
            notes: person.notes,
            bornOn: person.bornOn ?? "",
          },
        }}
      />
    </>
  );
}
