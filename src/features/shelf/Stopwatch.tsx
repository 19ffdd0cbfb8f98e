"use client";
import { useEffect, useState } from "react";
import { Button, type ButtonSize } from "@/ui";
import { useKey } from "@/ui/keys";

/** Started and stopped by one key (or a tap): the same key for both, so that the eyes can stay on the bead. */
export function Stopwatch({
  keyName,
  label,
  onTime,
  disabled,
  size,
}: {
  keyName: string;
  label: string;
  onTime: (seconds: number) => void;
  disabled?: boolean;
  size?: ButtonSize;
}) {
  const [startedMs, setStartedMs] = useState<number | null>(null);
  const [shownS, setShownS] = useState(0);
  useEffect(() => {
    if (startedMs === null) return;
    const every = setInterval(() => setShownS((performance.now() - startedMs) / 1000), 50);
    return () => clearInterval(every);
  }, [startedMs]);
  const turn = () => {
    if (disabled) return;
    if (startedMs === null) {
      setShownS(0);
      setStartedMs(performance.now());
      return;
    }
    setStartedMs(null);
    onTime(Math.round(((performance.now() - startedMs) / 1000) * 100) / 100);
  };
  useKey(keyName, turn);
  return (
    <Button tone={startedMs === null ? "line" : "ivy"} size={size} onClick={turn} disabled={disabled} data-running={startedMs !== null}>
      {startedMs === null ? label : `Stop, ${shownS.toFixed(1)} s`}
      <kbd className="rounded border border-current px-1.5 font-sans text-sm font-normal opacity-80">{keyName}</kbd>
    </Button>
  );
}
