import Link from "next/link";
import { Notice } from "@/ui";
import type { Person } from "./data";

/** Visits that somebody who left is still booked for, each on its day, where it is given to somebody else. */
export function GiveAway({ booked }: { booked: Person["booked"] }) {
  return (
    <Notice
      tone="look"
      className="mt-3"
      title={booked.length === 1 ? "One visit to be given to somebody else" : `${booked.length} visits to be given to somebody else`}
    >
      <ul className="mt-1 space-y-1">
        {booked.map(({ visitId, when, clientName, service, href }) => (
          <li key={visitId}>
            <Link href={href as never} className="text-ivy underline underline-offset-4">
              {when}
            </Link>{" "}
            <bdi>{clientName}</bdi>, {service}
          </li>
        ))}
      </ul>
    </Notice>
  );
}
