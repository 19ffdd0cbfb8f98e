"use client";
import { useEffect, useState } from "react";
import { ring, say, readAlarmChoice, unlockSound, writeAlarmChoice, type AlarmChoice } from "@/features/tablet/alarm";
import { Button } from "@/ui";
import { HEARD } from "./heard";
import { turnTheme } from "./theme";

/** What belongs to this browser, whoever is signed in: its theme, and what is heard. */
export function ThisTablet() {
  const [choice, setChoice] = useState<AlarmChoice | null>(null);
  // What the browser keeps is known only once the page is in it.
  useEffect(() => void Promise.resolve().then(() => setChoice(readAlarmChoice())), []);
  const hear = (key: keyof AlarmChoice, on: boolean) => {
    const next = { ...readAlarmChoice(), [key]: on };
    writeAlarmChoice(next);
    setChoice(next);
    unlockSound();
    if (!on) return;
    if (key === "sound") ring("shaken");
    else say("Speaking.");
  };
  return (
    <section aria-label="This tablet">
      <h2 className="mb-3 border-b border-line pb-1 text-2xl">This tablet</h2>
      <div className="flex items-center justify-between gap-4">
        <span>Light by day, dark at the bed</span>
        <Button tone="line" onClick={turnTheme}>
          Paper or lamp
        </Button>
      </div>
      <fieldset className="mt-3">
        <legend className="text-sm text-ink-2">Heard, after one touch of the page</legend>
        {HEARD.map(([key, label]) => (
          <label key={key} className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-ivy"
              checked={choice?.[key] ?? false}
              disabled={choice === null}
              onChange={({ target }) => hear(key, target.checked)}
            />
            {label}
          </label>
        ))}
      </fieldset>
    </section>
  );
}
