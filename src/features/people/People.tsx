"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { Button, Verdict } from "@/ui";
import type { PeoplePage, Person } from "./data";
import { GiveAway } from "./GiveAway";

const InviteSheet = dynamic(() => import("./InviteSheet").then((module) => module.InviteSheet));
const PersonSheet = dynamic(() => import("./PersonSheet").then((module) => module.PersonSheet));

/** Everybody who works here and who did; the owner invites, lets go and brings back. */
export function People({ people, mayChange, sendsMail }: Pick<PeoplePage, "people" | "mayChange" | "sendsMail">) {
  const [inviting, setInviting] = useState(false);
  const [changingId, setChangingId] = useState<string | null>(null);
  const changing = people.find(({ id }) => id === changingId);
  const here = people.filter(({ deactivated }) => deactivated === null);
  const gone = people.filter(({ deactivated }) => deactivated !== null);
  const rows = (some: readonly Person[]) => (
    <ul className="border-t border-line">
      {some.map((person) => (
        <PersonRow key={person.id} person={person} onChange={mayChange ? () => setChangingId(person.id) : null} />
      ))}
    </ul>
  );
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline justify-between gap-3">
        <h2 className="text-2xl">Who works here</h2>
        {mayChange ? <Button onClick={() => setInviting(true)}>Invite someone</Button> : null}
      </div>
      {rows(here)}
      {gone.length > 0 ? (
        <section aria-label="Deactivated" className="mt-10">
          <h2 className="text-2xl">Deactivated</h2>
          <p className="mt-1 mb-3 text-[0.9375rem] text-ink-2">They cannot sign in. What they did stays theirs.</p>
          {rows(gone)}
        </section>
      ) : null}
      {inviting ? <InviteSheet sendsMail={sendsMail} onClose={() => setInviting(false)} /> : null}
      {changing ? <PersonSheet key={changing.id} person={changing} sendsMail={sendsMail} onClose={() => setChangingId(null)} /> : null}
    </>
  );
}

function PersonRow({ person, onChange }: { person: Person; onChange: (() => void) | null }) {
  const { name, role, isMe, account, deactivated, booked } = person;
  return (
    <li className="border-b border-line py-3" data-testid="person">
      <div className="grid items-baseline gap-x-6 gap-y-1 sm:grid-cols-[minmax(0,1fr)_7rem_minmax(0,15rem)_5.5rem]">
        <div className="min-w-0">
          <p className="font-serif text-xl leading-tight break-words">
            <bdi>{name}</bdi>
            {isMe ? <span className="ml-2 font-sans text-sm text-ink-2">you</span> : null}
          </p>
          {account ? <p className="text-sm break-all text-ink-2">{account.email}</p> : null}
        </div>
        <p>{role}</p>
        <div className="text-[0.9375rem] text-ink-2">
          {deactivated !== null ? <p>since {deactivated}</p> : account ? <SignsIn account={account} /> : null}
        </div>
        <div className="sm:text-right">
          {onChange ? (
            <Button tone="line" aria-label={`Change ${name}`} onClick={onChange}>
              Change
            </Button>
          ) : null}
        </div>
      </div>
      {deactivated !== null && booked.length > 0 ? <GiveAway booked={booked} /> : null}
    </li>
  );
}

function SignsIn({ account }: { account: NonNullable<Person["account"]> }) {
  if (!account.hasPassword)
    return account.linkUntil ? (
      <p>invited, link until {account.linkUntil}</p>
    ) : (
      <Verdict tone="look">invited, the link has expired</Verdict>
    );
  return (
    <>
      <p>{account.signedInAt ? `signed in ${account.signedInAt}` : "no sign-in on record"}</p>
      <p>{account.hasSecondFactor ? "password and code" : "password alone"}</p>
    </>
  );
}
