import { LinkButton } from "@/ui";
import type { PeoplePage } from "./data";

/** Who works here, on the studio's page. */
export function PeopleList({ people, mayChange }: Pick<PeoplePage, "people" | "mayChange">) {
  return (
    <section aria-label="People">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">People</h2>
        <LinkButton tone="plain" href="/studio/people">
          {mayChange ? "Change" : "See"}
        </LinkButton>
      </div>
      <ul>
        {people
          .filter(({ deactivated }) => deactivated === null)
          .map(({ id, name, role, account }) => (
            <li key={id} className="flex justify-between gap-4 border-b border-line py-2">
              <bdi className="min-w-0 break-words">{name}</bdi>
              <span className="text-ink-2">{account && !account.hasPassword ? `${role}, invited` : role}</span>
            </li>
          ))}
      </ul>
    </section>
  );
}
