"use client";
import Link from "next/link";
import { DropdownMenu } from "radix-ui";
import { useState } from "react";
import { dropOtherChairs } from "@/features/tablet/chairCache";
import { readAlarmChoice, ring, say, unlockSound, writeAlarmChoice } from "@/features/tablet/alarm";
import { loadAfresh } from "@/ui/loadAfresh";
import { keptWords } from "@/features/tablet/keptWords";
import { useCommandState, useTabletStorage, useTabletState } from "@/features/tablet/TabletProvider";
import { Button, Dialog } from "@/ui";
import { HEARD } from "./heard";
import { MenuButton } from "./MenuButton";
import { turnTheme } from "./theme";

const ITEM =
  "flex min-h-9 cursor-pointer items-center justify-between gap-6 rounded px-3 py-1.5 outline-none data-[highlighted]:bg-moss-soft";

/** Who is signed in; theme, sounds, signing out. Fetched when it is first wanted, and open then. */
export function Menu({ name, role, studioName }: { name: string; role: string; studioName: string }) {
  const tablet = useTabletStorage();
  const taps = useTabletState((state) => state.unsent);
  const { waiting } = useCommandState();
  const unsent = keptWords(taps, waiting.length);
  const [leaving, setLeaving] = useState<{ unsent: string; drafts: number } | null>(null);
  const [failed, setFailed] = useState(false);
  const [alarm, setAlarm] = useState(readAlarmChoice);

  const setSound = (change: Partial<typeof alarm>) => {
    const next = { ...alarm, ...change };
    setAlarm(next);
    writeAlarmChoice(next);
    unlockSound();
    if (change.sound) ring("shaken");
    if (change.speech || change.zones || change.minutes) say("Speaking.");
  };
  const signOut = async () => {
    try {
      const response = await fetch("/api/auth/sign-out", { method: "POST", headers: { "content-type": "application/json" }, body: "{}" });
      if (!response.ok) throw new Error();
      await tablet.clear().catch(() => undefined);
      await dropOtherChairs(null).catch(() => undefined);
      loadAfresh("/sign-in");
    } catch {
      setFailed(true);
    }
  };
  const askToLeave = async () => {
    const drafts = await tablet.countDrafts().catch(() => 0);
    if (unsent || drafts > 0) setLeaving({ unsent, drafts });
    else await signOut();
  };

  return (
    <>
      <DropdownMenu.Root defaultOpen onOpenChange={(open) => open && setAlarm(readAlarmChoice())}>
        <DropdownMenu.Trigger asChild>
          <MenuButton name={name} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={6} className="z-50 min-w-60 rounded-lg border border-line bg-leaf p-1.5 shadow-lg">
            <p className="px-3 pt-1 pb-2 text-sm text-ink-2">
              {name}, {role}
              <br />
              {studioName}
            </p>
            <DropdownMenu.Item className={ITEM} asChild>
              <Link href="/profile">Your profile</Link>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={turnTheme}>
              Paper or lamp <kbd className="text-sm text-ink-2">Shift L</kbd>
            </DropdownMenu.Item>
            {HEARD.map(([key, label]) => (
              <DropdownMenu.CheckboxItem
                key={key}
                className={ITEM}
                checked={alarm[key]}
                onCheckedChange={(on) => setSound({ [key]: on })}
                onSelect={(e) => e.preventDefault()}
              >
                {label} <span className="text-sm text-ink-2">{alarm[key] ? "on" : "off"}</span>
              </DropdownMenu.CheckboxItem>
            ))}
            <p className="max-w-64 px-3 pt-1 pb-2 text-sm text-ink-2">
              All begin after one touch of the page. In a hidden tab they go on as long as the browser lets it run; a tablet that sleeps or
              a tab put away makes none. During a visit the screen is kept awake where the browser can.
            </p>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Item className={ITEM} onSelect={() => void askToLeave()}>
              Sign out
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Dialog
        open={leaving !== null || failed}
        onOpenChange={() => (setLeaving(null), setFailed(false))}
        title={failed ? "Not signed out" : "Before you sign out"}
      >
        {failed ? (
          <p>The server did not answer, so this tablet is still signed in. Try again when it is back.</p>
        ) : (
          <>
            {leaving?.unsent ? (
              <p>
                {leaving.unsent} {taps + waiting.length === 1 ? "has" : "have"} not reached the server. What waits stays on this tablet for
                you alone and is sent when you next sign in here.
              </p>
            ) : null}
            {leaving && leaving.drafts > 0 ? (
              <p className="mt-2">
                {leaving.drafts} unsaved {leaving.drafts === 1 ? "draft is" : "drafts are"} dropped, since a signed-out tablet keeps nothing
                of a client. Go back to save first.
              </p>
            ) : null}
          </>
        )}
        <div className="mt-6 flex gap-3">
          <Button onClick={() => void signOut()}>{failed ? "Try again" : "Sign out"}</Button>
          <Button tone="line" onClick={() => (setLeaving(null), setFailed(false))}>
            Stay
          </Button>
        </div>
      </Dialog>
    </>
  );
}
