import type { Metadata } from "next";
import { peoplePage } from "@/features/people/data";
import { PeopleList } from "@/features/people/PeopleList";
import { studioPage } from "@/features/studio/data";
import { Hygrometers } from "@/features/studio/Hygrometers";
import { Rooms } from "@/features/studio/Rooms";
import { StepsOfVisits } from "@/features/studio/StepsOfVisits";
import { defaultPolicy, policyForm } from "@/core/policy";
import { PolicyForm } from "@/features/studio/PolicyForm";
import { mayActAs, requireAccount, requireMember } from "@/server/member";
import { ago } from "@/server/studioTime";

export const metadata: Metadata = { title: "Studio" };

export default async function StudioPage() {
  const member = await requireMember();
  const account = await requireAccount();
  const now = new Date();
  const [{ policy, revision, rooms, chairs, sensors }, { people, mayChange }] = await Promise.all([
    studioPage(member),
    peoplePage(account, now),
  ]);
  const isOwner = mayActAs(member, "owner");
  return (
    <>
      <h1 className="pt-5 text-4xl break-words">
        <bdi>{member.studioName}</bdi>
      </h1>
      <div className="mt-6 grid gap-x-14 gap-y-10 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <section aria-label="Policy">
          <h2 className="text-2xl">Policy</h2>
          <p className="mt-1 mb-4 max-w-2xl text-[0.9375rem] text-ink-2">
            Where practitioners disagree, this studio has decided. Every figure is a default to be changed; a product&rsquo;s leaflet, the
            local code and licensed practice always come first.
          </p>
          <PolicyForm policy={policy} defaults={defaultPolicy} questions={policyForm} revision={revision} mayChange={isOwner} />
        </section>
        <div className="space-y-10">
          <PeopleList people={people} mayChange={mayChange} />
          <StepsOfVisits />
          <Rooms rooms={rooms} chairs={chairs} mayChange={isOwner} />
          <Hygrometers
            sensors={sensors.map((sensor) => ({ ...sensor, last: sensor.last ? ago(sensor.last, now) : null }))}
            rooms={rooms.filter(({ closed }) => !closed)}
            mayChange={isOwner}
          />
        </div>
      </div>
    </>
  );
}
