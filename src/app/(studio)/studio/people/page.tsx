import type { Metadata } from "next";
import { peoplePage } from "@/features/people/data";
import { People } from "@/features/people/People";
import { SecondFactorDemand } from "@/features/people/SecondFactorDemand";
import { LinkButton } from "@/ui";
import { requireAccount, requireMember } from "@/server/member";

export const metadata: Metadata = { title: "People" };

export default async function PeoplePage() {
  await requireMember();
  const { demandsSecondFactor, ...page } = await peoplePage(await requireAccount(), new Date());
  return (
    <>
      <h1 className="pt-5 text-4xl">People</h1>
      <div className="mt-6 grid gap-x-14 gap-y-10 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <div>
          <People {...page} />
        </div>
        <div className="space-y-10">
          <SecondFactorDemand demanded={demandsSecondFactor} mayChange={page.mayChange} />
          {page.mayChange ? (
            <section aria-label="Audit list">
              <h2 className="text-2xl">Audit list</h2>
              <p className="mt-1 mb-3 text-[0.9375rem] text-ink-2">
                Who signed in and who failed to, what changed about people, which client&rsquo;s record was opened by whom.
              </p>
              <LinkButton tone="line" href="/studio/audit">
                Read it
              </LinkButton>
            </section>
          ) : null}
        </div>
      </div>
    </>
  );
}
