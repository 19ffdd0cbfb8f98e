import "server-only";
import pg from "pg";
import { z } from "zod";
import { env } from "./env";
import { log } from "./log";
import { withoutWords } from "./withoutWords";

const messageSchema = z.discriminatedUnion("kind", [
  z.object({ studio: z.uuid(), kind: z.literal("air"), id: z.uuid() }),
  z.object({ studio: z.uuid(), kind: z.literal("visit"), id: z.uuid(), seq: z.int() }),
  z.object({ studio: z.uuid(), kind: z.literal("left"), id: z.uuid() }),
]);
/**
 * Something of a studio changed: a room's air, a visit, which has events up to a number now, or somebody was deactivated. `missed` says that some may
 * have been missed: read all anew.
 */
export type LiveMessage =
  | { readonly kind: "air"; readonly id: string }
  | { readonly kind: "visit"; readonly id: string; readonly seq: number }
  | { readonly kind: "left"; readonly id: string }
  | { readonly kind: "missed" };
type Listener = (message: LiveMessage) => void;

const AGAIN_MS = 1000;

/**
 * One connection a copy of the app that listens to the database (`ivy_live`) and passes on to whoever watches a studio.
 * The database tells every copy, so it does not matter which one a reading came in by. A lost connection is made again,
 * and watchers are told that they may have missed something.
 */
class Live {
  private readonly listeners = new Map<string, Set<Listener>>();
  private client: pg.Client | null = null;
  private connecting = false;

  watch(studioId: string, listener: Listener): () => void {
    const watching = this.listeners.get(studioId) ?? new Set();
    watching.add(listener);
    this.listeners.set(studioId, watching);
    void this.connect();
    return () => {
      watching.delete(listener);
      if (watching.size === 0 && this.listeners.get(studioId) === watching) this.listeners.delete(studioId);
      // Nobody watches: nothing is listened to.
      if (this.listeners.size === 0) void this.client?.end().catch(() => undefined);
    };
  }

  private async connect(): Promise<void> {
    if (this.client || this.connecting) return;
    this.connecting = true;
    const client = new pg.Client({ connectionString: env().IVY_APP_URL, application_name: "ivy live", keepAlive: true });
    const lost = () => {
      if (this.client !== client) return;
      this.client = null;
      this.again();
    };
    client.on("error", lost);
    client.on("end", lost);
    client.on("notification", ({ payload }) => this.tell(payload));
    try {
      await client.connect();
      await client.query("listen ivy_live");
      this.client = client;
      this.connecting = false;
      // Whoever came before this line stood may have missed something.
      for (const watching of this.listeners.values()) for (const listener of watching) listener({ kind: "missed" });
    } catch (error) {
      this.connecting = false;
      log.warn({ err: withoutWords(error) }, "live connection not made");
      client.end().catch(() => undefined);
      this.again();
    }
  }

  private again(): void {
    if (this.listeners.size > 0) setTimeout(() => void this.connect(), AGAIN_MS).unref();
  }

  private tell(payload: string | undefined): void {
    const parsed = messageSchema.safeParse(parse(payload));
    if (!parsed.success) return;
    const { studio, ...message } = parsed.data;
    for (const listener of this.listeners.get(studio) ?? []) listener(message);
  }
}

function parse(text: string | undefined): unknown {
  try {
    return JSON.parse(text ?? "");
  } catch {
    return null;
  }
}

// One a process: route handlers may be bundled more than once.
const globals = globalThis as { ivyLive?: Live };
export function live(): Live {
  return (globals.ivyLive ??= new Live());
}
