"use client";
import { useRouter } from "next/navigation";
import { ClientChoice, type Person } from "@/features/booking/ClientChoice";
import { findClients } from "../actions";

/** The other entry, found as clients are found. */
export function ChooseOther({ id }: { id: string }) {
  const router = useRouter();
  const find = async (search: string): Promise<readonly Person[]> => {
    const result = await findClients({ search });
    return result.ok ? result.data.filter((one) => one.id !== id && !one.mannequin) : [];
  };
  return (
    <div className="max-w-md">
      <ClientChoice
        client={null}
        error={undefined}
        find={find}
        onChoose={(other) => other && router.push(`/clients/${id}/merge?with=${other.id}`)}
      />
    </div>
  );
}
