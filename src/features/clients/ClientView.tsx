import Link from "next/link";
import type { ReactNode } from "react";
import { mapProfile } from "@/core/map";
import { Empty, LinkButton, Notice } from "@/ui";
import type { ClientPage } from "./data";
import { MiniSkyline } from "@/features/drawing/MiniSkyline";
import { answersWords } from "@/features/care/answersWords";
import { NextVisit } from "@/features/booking/NextVisit";
import { nextQuarter } from "@/features/booking/nextQuarter";
import { LastingLater } from "@/features/lasting/LastingLater";
import { PatchTests, type ShownStanding } from "@/features/care/PatchTests";
import type { ShownTest } from "@/features/care/PatchTestSheets";
import { Archive } from "./Archive";
import { ClientRecord } from "./ClientRecord";
import { MaybeTheSame } from "./MaybeTheSame";
import { Services } from "./Services";
import { surveyWords } from "./surveyWords";
import { Thread, type ThreadVisit } from "./Thread";
import { WornSet } from "./WornSet";

/** The client: name and cautions on the left, the thread of visits and the maps on the right. */
export function ClientView({
  page,
  visits,
  dates,
  may,
}: {
  page: ClientPage;
  visits: readonly ThreadVisit[];
  dates: {
    since: string;
    /** Day the set was put on that was worn last. */
    worn: string | null;
    /** Days the counted sets were placed. */
    lasted: readonly string[];
    maps: readonly string[];
    born: string | null;
    answered: string | null;
    standings: readonly ShownStanding[];
    tests: readonly ShownTest[];
    now: { day: string; time: string; ms: number };
    merges: readonly { readonly id: string; readonly name: string; readonly hint: string; readonly on: string }[];
  };
  may: { readonly archive: boolean; readonly own: boolean };
}) {
  const { person, survey, maps } = page;
  const isErased = person.gone === "erased";
  const isSetAside = person.gone === "takenBack";
  const isThere = person.gone === null;
  const [chair] = page.options.chairs;
  return (
    <div className="grid gap-x-10 gap-y-8 pt-5 lg:grid-cols-[19rem_minmax(0,1fr)]">
      <div className="min-w-0">
        <h1 className="text-[2.5rem] break-words">
          <bdi>{person.name}</bdi>
        </h1>
        <p className="mt-2 text-[0.9375rem] text-ink-2">
          {person.mannequin ? "mannequin head, for practice; since " : "since "}
          {dates.since}
          {person.archivedAt && isThere ? ", archived" : ""}
          {dates.born ? `, born ${dates.born}` : ""}
          {survey
            ? surveyWords(survey.document).map((line) => (
                <span key={line} className="block">
                  {line}
                </span>
              ))
            : null}
        </p>
        {isErased ? (
          <Notice tone="note" title="This client was erased" className="mt-4">
            What happened at the visits, and with which lots, is kept. Whose it was is not.
          </Notice>
        ) : null}
        {isSetAside ? (
          <Notice tone="note" title="Taken back with the file they came by" className="mt-4">
            <Link href="/clients/import" className="font-semibold text-ivy underline underline-offset-4">
              Bring the file back
            </Link>
          </Notice>
        ) : null}
        {person.archivedAt && isThere && may.archive ? (
          <div className="mt-4">
            <Archive id={person.id} archived tone="line" />
          </div>
        ) : null}
        {page.doubles.map((double) => (
          <MaybeTheSame key={double.id} id={person.id} double={double} mayDecide={may.archive} />
        ))}
        {person.mannequin || !isThere ? null : (
          <>
            <Part>
              <PatchTests
                clientId={person.id}
                standings={dates.standings}
                tests={dates.tests}
                products={page.products}
                now={dates.now}
                mayLiftReactions={may.own}
              />
            </Part>
            <Part>
              <h2 className="font-sans text-[0.9375rem] font-semibold">Consultation</h2>
              <p className="text-[0.9375rem] text-ink-2">
                {page.answers
                  ? `Answered ${dates.answered}: ${answersWords(page.answers.document)}.`
                  : "Not asked yet: it is asked at the visit."}
              </p>
            </Part>
          </>
        )}
        {person.notes ? (
          <Part>
            <h2 className="font-sans text-[0.9375rem] font-semibold">Notes</h2>
            <p className="text-[0.9375rem] break-words whitespace-pre-line text-ink-2" dir="auto">
              {person.notes}
            </p>
          </Part>
        ) : null}
        {person.phone || person.email || person.contact ? (
          <Part>
            <h2 className="font-sans text-[0.9375rem] font-semibold">Reached</h2>
            {person.phone ? (
              <p className="text-[0.9375rem]">
                <a href={`tel:${person.phone.replace(/[^+\d]/g, "")}`} className="text-ivy underline underline-offset-4">
                  {person.phone}
                </a>
              </p>
            ) : null}
            {person.email ? (
              <p className="text-[0.9375rem] break-all">
                <a href={`mailto:${encodeURIComponent(person.email)}`} className="text-ivy underline underline-offset-4">
                  {person.email}
                </a>
              </p>
            ) : null}
            {person.contact ? (
              <p className="text-[0.9375rem] break-words text-ink-2" dir="auto">
                {person.contact}
              </p>
            ) : null}
          </Part>
        ) : null}
        {isThere ? (
          <Part>
            <div className="flex flex-wrap gap-2">
              {survey ? <LinkButton href={`/clients/${person.id}/map`}>New map</LinkButton> : null}
              <LinkButton tone={survey ? "line" : "ivy"} href={`/clients/${person.id}/survey`}>
                {survey ? "Survey again" : "Take a survey"}
              </LinkButton>
            </div>
            <div className="mt-2 -ml-4 flex flex-wrap">
              <LinkButton tone="plain" href={`/clients/${person.id}/edit`}>
                Edit
              </LinkButton>
              {may.archive && !person.archivedAt ? <Archive id={person.id} archived={false} /> : null}
            </div>
            {person.mannequin ? null : <ClientRecord id={person.id} name={person.name} merges={dates.merges} may={may} />}
          </Part>
        ) : null}
      </div>

      <div className="min-w-0">
        <h2 className="sr-only">The thread</h2>
        {visits.length > 0 ? (
          <Thread visits={visits} />
        ) : (
          <Empty title="The thread begins with the first visit">
            {survey
              ? "Plan a map and start the visit from it, or book one below."
              : person.mannequin
                ? "Take a survey of its lashes first; the map follows from it."
                : "Take a survey first; the map follows from it. Other services begin below."}
          </Empty>
        )}
        {page.lasted.length > 0 ? (
          <LastingLater sets={page.lasted.map((set, i) => ({ ...set, placedOn: dates.lasted[i]! }))} policy={page.policy} />
        ) : null}
        {page.worn && dates.worn ? (
          <section className="mt-8" aria-label="The set worn">
            <h2 className="text-2xl">
              {page.worn.stillOn ? "Worn now" : "Worn last"} <span className="font-sans text-base text-ink-2">put on {dates.worn}</span>
            </h2>
            <WornSet
              of={{ survey: page.worn.survey, map: page.worn.map, trays: page.worn.trays, policy: page.policy }}
              label={`${page.worn.map.title}, put on ${dates.worn}, both eyes in the mirror`}
              placedOn={dates.worn}
              hazard={page.hazard}
            />
            <p className="text-[0.9375rem] break-words text-ink-2">{page.worn.map.title}, as it was put on.</p>
          </section>
        ) : null}
        {page.next || (page.back && chair) ? (
          <div className="mt-8">
            <NextVisit
              client={{ id: person.id, name: person.name }}
              service="fill"
              next={page.next}
              proposed={
                page.back && chair
                  ? { ...page.back, time: nextQuarter(page.options.time), technicianId: page.options.me, chairId: chair.id }
                  : null
              }
              options={page.options}
              after="it was put on"
            />
          </div>
        ) : null}
        <h2 className="mt-8 text-2xl">Maps</h2>
        {maps.length === 0 ? (
          <p className="mt-2 text-ink-2">
            {survey ? "None yet. A new map is planned from the survey in one tap." : "A map needs a survey of the natural lashes first."}
          </p>
        ) : (
          <ul className="mt-2 border-t border-line">
            {maps.map((map, i) => (
              <li key={map.id} className="border-b border-line">
                <Link
                  href={`/clients/${person.id}/map/${map.id}`}
                  className="flex flex-wrap items-center gap-x-5 gap-y-1 px-2 py-3 hover:bg-moss-soft"
                >
                  <MiniSkyline profile={mapProfile(map.map)} width={96} height={30} />
                  <span className="min-w-0 flex-1 font-semibold break-words">{map.map.title}</span>
                  <span className="text-sm text-ink-2">
                    saved {dates.maps[i]}
                    {map.revision > 1 ? `, ${map.revision} saves` : ""}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        )}
        {person.archivedAt ? null : (
          <Services
            client={{ id: person.id, name: person.name, mannequin: person.mannequin }}
            standings={page.services}
            options={page.options}
            fillOn={page.back?.day ?? null}
          />
        )}
      </div>
    </div>
  );
}

function Part({ children }: { children: ReactNode }) {
  return <div className="mt-4 border-t border-line pt-4">{children}</div>;
}
