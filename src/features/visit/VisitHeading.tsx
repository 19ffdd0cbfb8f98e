import { memo } from "react";
import Link from "next/link";

/** Whose visit it is, and what, when, with whom and where. */
export const VisitHeading = memo(function VisitHeading({
  visit,
  service,
  worked = null,
}: {
  visit: {
    readonly clientId: string;
    readonly clientName: string;
    readonly day: string;
    readonly time: string;
    readonly technicianName: string;
    readonly roomName: string;
    readonly chairName: string;
  };
  service: string;
  /** When it really was; said instead of when it was agreed for. */
  worked?: string | null;
}) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-4">
      <h1 className="text-[1.75rem] break-words">
        <Link href={`/clients/${visit.clientId}`} className="hover:underline">
          <bdi>{visit.clientName}</bdi>
        </Link>
      </h1>
      <p className="text-ink-2">
        {service}, {visit.day} {worked ?? visit.time}, {visit.technicianName}, {visit.roomName}, {visit.chairName}
      </p>
    </div>
  );
});
