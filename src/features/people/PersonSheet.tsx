"use client";
import { useState, type ReactNode } from "react";
import { Button, Dialog, Notice, SelectField } from "@/ui";
import { answered } from "@/ui/answered";
import type { FormAnswer } from "@/ui/form";
import { bringBack, changeRole, deactivate, makeLink, takeSecondFactorOff } from "./actions";
import type { Person } from "./data";
import { GiveAway } from "./GiveAway";
import { HandPace } from "./HandPace";
import { LinkShown } from "./LinkShown";
import { ROLE_HINT } from "./roleHint";

/** What an owner may do with somebody. */
export function PersonSheet({ person, sendsMail, onClose }: { person: Person; sendsMail: boolean; onClose: () => void }) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [link, setLink] = useState<{ id: string; token: string; url: string } | null>(null);
  const [leaving, setLeaving] = useState(false);
  const [role, setRole] = useState<string>(person.role);
  const { id, name, isMe, account, deactivated, booked } = person;

  const run = async <T,>(work: Promise<FormAnswer<T>>, then: (data: T) => void) => {
    setBusy(true);
    setProblem(null);
    const result = await answered(work, "Nothing was changed.");
    setBusy(false);
    if (result.ok) then(result.data);
    else setProblem(result.message);
  };
  if (link && account)
    return (
      <Dialog open onOpenChange={(open) => !open && onClose()} title={`A link for ${name}`}>
        <LinkShown link={link} email={account.email} sendsMail={sendsMail} onClose={onClose} />
      </Dialog>
    );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={name}>
      {problem ? <Notice tone="stop" title={problem} className="mb-4" /> : null}
      {deactivated !== null ? (
        <Part title="Deactivated" says={`Since ${deactivated}. Brought back, they sign in as before, with the password they had.`}>
          <Button disabled={busy} onClick={() => void run(bringBack({ id }), onClose)}>
            Bring back
          </Button>
        </Part>
      ) : (
        <>
          <Part title="Role" says={ROLE_HINT}>
            <SelectField label="Role" hideLabel value={role} onChange={({ target }) => setRole(target.value)} className="w-44">
              <option>technician</option>
              <option>trainee</option>
              <option>owner</option>
            </SelectField>
            <Button
              tone="line"
              disabled={busy || role === person.role}
              onClick={() => void run(changeRole({ id, was: person.role, role }), onClose)}
            >
              Change role
            </Button>
          </Part>
          {person.hand ? (
            <Part title="Pace" says="What a lash takes them, as finished sets teach it; times are reckoned by it.">
              <HandPace id={id} hand={person.hand} isMe={isMe} />
            </Part>
          ) : null}
          {account && !isMe ? (
            <Part
              title="Link"
              says={
                account.hasPassword
                  ? "For a forgotten password: by a new link they choose another. The one they have holds until then."
                  : "They have not chosen a password yet. A new link takes the place of the one before."
              }
            >
              <Button tone="line" disabled={busy} onClick={() => void run(makeLink({ id }), setLink)}>
                {account.hasPassword ? "Make a link for a new password" : "Make a new link"}
              </Button>
            </Part>
          ) : null}
          {account?.hasSecondFactor && !isMe ? (
            <Part title="Second factor" says="For a lost phone, once you know that it is them who ask. All their sign-ins end.">
              <Button tone="line" disabled={busy} onClick={() => void run(takeSecondFactorOff({ id }), onClose)}>
                Take the second factor off
              </Button>
            </Part>
          ) : null}
          {isMe ? (
            <p className="border-t border-line pt-4 text-[0.9375rem] text-ink-2">
              Your own password and second factor are changed on your profile; there you leave the studio, too.
            </p>
          ) : (
            <Part
              title="Deactivate"
              says="They are signed out everywhere at once and cannot sign in again. What they did stays, and they can be brought back."
            >
              {leaving ? (
                <div className="w-full">
                  {booked.length > 0 ? (
                    <GiveAway booked={booked} />
                  ) : (
                    <p className="text-[0.9375rem] text-ink-2">Nothing is booked with them from now on.</p>
                  )}
                  <div className="mt-3 flex flex-wrap gap-3">
                    <Button tone="stop" disabled={busy} onClick={() => void run(deactivate({ id }), onClose)}>
                      Deactivate {name}
                    </Button>
                    <Button tone="plain" onClick={() => setLeaving(false)}>
                      Not now
                    </Button>
                  </div>
                </div>
              ) : (
                <Button tone="stop" disabled={busy} onClick={() => setLeaving(true)}>
                  Deactivate…
                </Button>
              )}
            </Part>
          )}
        </>
      )}
    </Dialog>
  );
}

function Part({ title, says, children }: { title: string; says: string; children: ReactNode }) {
  return (
    <section className="border-t border-line py-4 first:border-t-0 first:pt-0">
      <h3 className="font-sans font-semibold">{title}</h3>
      <p className="mb-3 text-[0.9375rem] text-ink-2">{says}</p>
      <div className="flex flex-wrap items-center gap-3">{children}</div>
    </section>
  );
}
