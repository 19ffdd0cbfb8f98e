import { useEffect, useState } from "react";
import type { SensorHistory } from "./history";

export type Span = "day" | "week";
export type History = { readonly day: string; readonly from: number; readonly to: number; readonly sensors: readonly SensorHistory[] };

const ANEW_MS = 60_000;

/** A room's readings of a day, or of the week that ends with it; asked anew every minute. What was read last stays while that fails. */
export function useHistory(roomId: string, span: Span, day: string): { history: History | null; failed: boolean } {
  const [history, setHistory] = useState<History | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let isCurrent = true;
    const read = async () => {
      try {
        const response = await fetch(`/api/rooms/${roomId}/history?span=${span}&day=${day}`, { cache: "no-store" });
        if (!response.ok) throw new Error(String(response.status));
        const answer = (await response.json()) as History;
        if (!isCurrent) return;
        setHistory(answer);
        setFailed(false);
      } catch {
        if (isCurrent) setFailed(true);
      }
    };
    void read();
    const every = setInterval(() => void read(), ANEW_MS);
    return () => {
      isCurrent = false;
      clearInterval(every);
    };
  }, [roomId, span, day]);
  return { history, failed };
}
