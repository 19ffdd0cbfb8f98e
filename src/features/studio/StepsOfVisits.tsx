import Link from "next/link";
import { SERVICES, SERVICE_IDS } from "@/core/service";
import { sentence } from "@/core/units";

/** Where the steps of each service are read and changed. */
export function StepsOfVisits() {
  return (
    <section aria-label="Steps of a visit">
      <h2 className="border-b border-line pb-1 text-2xl">Steps of a visit</h2>
      <ul>
        {SERVICE_IDS.map((id) => (
          <li key={id} className="border-b border-line">
            <Link href={`/studio/steps/${id}`} className="block min-h-9 py-2 hover:underline">
              {sentence(SERVICES[id].label)}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
