"use client";
import dynamic from "next/dynamic";
import { useState, type ReactNode } from "react";
import { Button, Dialog, Notice, TextField } from "@/ui";
import { answered } from "@/ui/answered";
import { FormBody, FormSheet, useStudioForm } from "@/ui/form";
import { loadAfresh } from "@/ui/loadAfresh";
import { NewPassword } from "@/features/signIn/NewPassword";
import { changeName, changePassword, dropSecondFactor, endSessions, leaveStudio, renewRecoveryCodes } from "./actions";
import { ownPasswordField } from "./ownPasswordField";
import { ProfilePart } from "./ProfilePart";
import { RecoveryCodes } from "./RecoveryCodes";

const EmailSheet = dynamic(() => import("./EmailSheet").then((module) => module.EmailSheet));
const SecondFactorSetUp = dynamic(() => import("./SecondFactorSetUp").then((module) => module.SecondFactorSetUp));

const passwordOnly = () => import("./schema").then((module) => module.passwordOnly);

export type ProfileProps = {
  readonly name: string;
  readonly email: string;
  readonly role: string;
  readonly hasSecondFactor: boolean;
  readonly demandsSecondFactor: boolean;
  readonly sessions: readonly {
    readonly id: string;
    readonly isThis: boolean;
    readonly device: string;
    readonly address: string | null;
    readonly since: string;
  }[];
};

/** One's own account: name, password, second factor, sign-ins, leaving. `children` is what belongs to the tablet. */
export function Profile({ children, ...profile }: ProfileProps & { children: ReactNode }) {
  return (
    <div className="mt-6 grid gap-x-14 gap-y-10 lg:grid-cols-2">
      <div className="space-y-10">
        <Name {...profile} />
        <Password />
        <SecondFactor {...profile} />
      </div>
      <div className="space-y-10">
        <Sessions sessions={profile.sessions} />
        {children}
        <Leave />
      </div>
    </div>
  );
}

function Name({ name, email, role }: Pick<ProfileProps, "name" | "email" | "role">) {
  const [changing, setChanging] = useState(false);
  const form = useStudioForm({
    values: { name },
    schema: () => import("./schema").then(({ nameForm }) => nameForm),
    send: changeName,
    staysAsTyped: true,
  });
  return (
    <ProfilePart title="Name and e-mail">
      <FormBody form={form} submit="Save name" working="Saving…" tone="line" disabled={!form.isDirty}>
        <TextField label="As others see it" autoComplete="name" {...form.field("name")} />
      </FormBody>
      <div className="mt-5 flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
        <p>
          You sign in as <span className="break-all">{email}</span>, {role}.
        </p>
        <Button tone="line" onClick={() => setChanging(true)}>
          Change e-mail
        </Button>
      </div>
      {changing ? <EmailSheet email={email} onClose={() => setChanging(false)} /> : null}
    </ProfilePart>
  );
}

function Password() {
  const [kept, setKept] = useState(false);
  const form = useStudioForm({
    values: { current: "", password: "", again: "" },
    schema: () => import("./schema").then(({ passwordForm }) => passwordForm),
    send: changePassword,
    onKept: () => setKept(true),
    restarts: true,
  });
  return (
    <ProfilePart title="Password">
      <FormBody form={form} submit="Change password" working="Changing it…" tone="line">
        <TextField label="Current password" type="password" autoComplete="current-password" dir="ltr" {...form.field("current")} />
        <NewPassword password={form.field("password")} again={form.field("again")} />
        {kept && !form.isDirty ? <Notice tone="good" title="Changed. Everywhere else you are signed out." /> : null}
      </FormBody>
    </ProfilePart>
  );
}

function SecondFactor({ hasSecondFactor, demandsSecondFactor }: Pick<ProfileProps, "hasSecondFactor" | "demandsSecondFactor">) {
  const [sheet, setSheet] = useState<"set up" | "drop" | "codes" | null>(null);
  const close = () => setSheet(null);
  return (
    <ProfilePart title="Second factor">
      <p className="mb-3 text-[0.9375rem] text-ink-2">
        {hasSecondFactor
          ? `A code from your app is asked at every sign-in.${demandsSecondFactor ? " This studio asks it of everybody." : ""}`
          : "A code from an app on your phone, asked beside the password: a password found out then lets nobody in."}
      </p>
      <div className="flex flex-wrap gap-3">
        {hasSecondFactor ? (
          <>
            <Button tone="line" onClick={() => setSheet("codes")}>
              New recovery codes
            </Button>
            {demandsSecondFactor ? null : (
              <Button tone="plain" onClick={() => setSheet("drop")}>
                Take it off
              </Button>
            )}
          </>
        ) : (
          <Button tone="line" onClick={() => setSheet("set up")}>
            Set up a second factor
          </Button>
        )}
      </div>
      {sheet === "set up" ? (
        <Dialog open onOpenChange={(open) => !open && loadAfresh("/profile")} title="Second factor">
          <SecondFactorSetUp onDone={() => loadAfresh("/profile")} />
        </Dialog>
      ) : null}
      {sheet === "drop" ? <DropSheet onClose={close} /> : null}
      {sheet === "codes" ? <CodesSheet onClose={close} /> : null}
    </ProfilePart>
  );
}

function DropSheet({ onClose }: { onClose: () => void }) {
  const form = useStudioForm({ values: { current: "" }, schema: passwordOnly, send: dropSecondFactor, onKept: onClose });
  return (
    <FormSheet title="Take the second factor off" form={form} submit="Take it off" working="Taking it off…" tone="stop" onClose={onClose}>
      <p>From then on your password alone lets you in.</p>
      <TextField {...ownPasswordField} {...form.field("current")} />
    </FormSheet>
  );
}

function CodesSheet({ onClose }: { onClose: () => void }) {
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const form = useStudioForm({
    values: { current: "" },
    schema: passwordOnly,
    send: renewRecoveryCodes,
    onKept: ({ recoveryCodes }) => setCodes(recoveryCodes),
  });
  if (codes)
    return (
      <Dialog open onOpenChange={(open) => !open && onClose()} title="New recovery codes">
        <RecoveryCodes codes={codes} />
        <Button className="mt-4" onClick={onClose}>
          I have kept them
        </Button>
      </Dialog>
    );
  return (
    <FormSheet title="New recovery codes" form={form} submit="Make new ones" working="Making them…" onClose={onClose}>
      <p>Those you have are dead as soon as the new ones are made.</p>
      <TextField {...ownPasswordField} {...form.field("current")} />
    </FormSheet>
  );
}

function Sessions({ sessions }: Pick<ProfileProps, "sessions">) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const end = async (id: string | null) => {
    setBusy(true);
    const result = await answered(endSessions({ id }), "Nothing was ended.");
    setProblem(result.ok ? null : result.message);
    setBusy(false);
  };
  return (
    <ProfilePart title="Signed in on">
      {problem ? <Notice tone="stop" title={problem} className="mb-3" /> : null}
      <ul>
        {sessions.map(({ id, isThis, device, address, since }) => (
          <li
            key={id}
            data-testid="session"
            className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-2 first:pt-0"
          >
            <span className="min-w-0">
              {device}
              {isThis ? <span className="ml-2 text-sm text-ink-2">this one</span> : null}
              <span className="block text-sm break-all text-ink-2">
                since {since}
                {address ? `, from ${address}` : ""}
              </span>
            </span>
            {isThis ? null : (
              <Button tone="plain" disabled={busy} aria-label={`End ${device}, since ${since}`} onClick={() => void end(id)}>
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      {sessions.length > 2 ? (
        <Button tone="line" className="mt-3" disabled={busy} onClick={() => void end(null)}>
          End all the others
        </Button>
      ) : null}
    </ProfilePart>
  );
}

function Leave() {
  const [asking, setAsking] = useState(false);
  return (
    <ProfilePart title="Leave the studio">
      <p className="mb-3 text-[0.9375rem] text-ink-2">You cannot sign in any more. What you did stays; an owner can bring you back.</p>
      <Button tone="stop" onClick={() => setAsking(true)}>
        Leave…
      </Button>
      {asking ? <LeaveSheet onClose={() => setAsking(false)} /> : null}
    </ProfilePart>
  );
}

function LeaveSheet({ onClose }: { onClose: () => void }) {
  const form = useStudioForm({ values: { current: "" }, schema: passwordOnly, send: leaveStudio, onKept: () => loadAfresh("/sign-in") });
  return (
    <FormSheet title="Leave the studio" form={form} submit="Leave" working="Leaving…" tone="stop" onClose={onClose}>
      <p>Visits you are booked for stay booked until the owner gives them to somebody else.</p>
      <TextField {...ownPasswordField} {...form.field("current")} />
    </FormSheet>
  );
}
