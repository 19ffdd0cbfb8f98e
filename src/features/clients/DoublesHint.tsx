"use client";
import Link from "next/link";
import { useEffect, useState } from "react";
import { Notice } from "@/ui";
import { findDoubles } from "./actions";

type WhoIs = { readonly name: string; readonly phone: string; readonly email: string; readonly bornOn: string };
type Doubles = Extract<Awaited<ReturnType<typeof findDoubles>>, { ok: true }>["data"];

const WAIT_MS = 400;
const SHOWN = 4;

/** Tells as it is typed whom an entry may be that is here already. It stops nobody. */
export function DoublesHint({ whoIs: { name, phone, email, bornOn }, ownId }: { whoIs: WhoIs; ownId: string | null }) {
  const [doubles, setDoubles] = useState<Doubles>([]);
  useEffect(() => {
    let isCurrent = true;
    const look = async () => {
      const isTelling = name.trim().length > 2 || phone.trim().length > 6 || email.includes("@");
      const result = isTelling ? await findDoubles({ name, phone, email, bornOn, ownId }).catch(() => null) : null;
      if (isCurrent) setDoubles(result?.ok ? result.data : []);
    };
    const soon = setTimeout(() => void look(), WAIT_MS);
    return () => {
      isCurrent = false;
      clearTimeout(soon);
    };
  }, [name, phone, email, bornOn, ownId]);
  if (doubles.length === 0) return null;
  return (
    <Notice tone="look" title={doubles.length === 1 ? "Maybe here already" : "Maybe one of these"}>
      <ul>
        {doubles.slice(0, SHOWN).map((one) => (
          <li key={one.id}>
            <Link href={`/clients/${one.id}`} className="font-semibold text-ivy underline underline-offset-4">
              <bdi>{one.name}</bdi>
            </Link>
            {one.archived ? " (archived)" : ""}: {one.why}
          </li>
        ))}
      </ul>
      {doubles.length > SHOWN ? <p>And {doubles.length - SHOWN} more.</p> : null}
    </Notice>
  );
}
