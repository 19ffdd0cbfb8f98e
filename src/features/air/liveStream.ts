import "server-only";
import type { RoomWithAir } from "@/core/air";
import { auth } from "@/server/auth";
import { live, type LiveMessage } from "@/server/live";
import { currentMember, type Member } from "@/server/member";
import { refuse } from "@/server/respond";
import { roomsWithAir } from "./data";

/** A proxy in between must not think the line dead; and who has signed out stops hearing. */
const BEAT_MS = 25_000;
/** Readings of one studio closer together than this are told together. */
const GATHER_MS = 150;

type Telling = { rooms: Promise<RoomWithAir[]> | null };
// What is read for one watcher of a studio serves all its watchers of this copy.
const globals = globalThis as { ivyTelling?: Map<string, Telling> };

/** Rooms of a studio, read once for all who ask within a moment. Every member of a studio sees the same rooms. */
function roomsForAll(me: Member): Promise<RoomWithAir[]> {
  const telling = (globals.ivyTelling ??= new Map());
  const now = telling.get(me.studioId) ?? { rooms: null };
  telling.set(me.studioId, now);
  now.rooms ??= new Promise<RoomWithAir[]>((resolve, reject) =>
    setTimeout(() => {
      now.rooms = null;
      roomsWithAir(me).then(resolve, reject);
    }, GATHER_MS),
  );
  return now.rooms;
}

/** Server-sent events of the member's studio: `air` with its rooms, `visit` with an id, `missed` when all is to be read anew. */
export async function liveStream(request: Request): Promise<Response> {
  const me = await currentMember();
  if (!me) return refuse(401, "Signed out.");
  const encoder = new TextEncoder();
  let close: () => void = () => undefined;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let open = true;
      const send = (event: string, data: unknown) => {
        if (!open) return;
        try {
          controller.enqueue(encoder.encode(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`));
        } catch {
          close();
        }
      };
      let [gathering, again] = [false, false];
      const tellAir = async () => {
        // What comes while the rooms are being read may be newer than what was read.
        again = true;
        if (gathering) return;
        gathering = true;
        while (again && open) {
          again = false;
          const rooms = await roomsForAll(me).catch(() => null);
          if (rooms) send("air", { rooms });
        }
        gathering = false;
      };
      const heard = (message: LiveMessage) => {
        if (message.kind === "air") void tellAir();
        else if (message.kind === "visit") send("visit", { id: message.id, seq: message.seq });
        // Who may not be here any more hears nothing from that moment on.
        else if (message.kind === "left") void (message.id === me.id && close());
        else {
          send("missed", {});
          void tellAir();
        }
      };
      const stopWatching = live().watch(me.studioId, heard);
      const beat = setInterval(() => {
        send("beat", { serverMs: Date.now() });
        void stillSignedIn(request).then((still) => !still && close());
      }, BEAT_MS);
      close = () => {
        if (!open) return;
        open = false;
        clearInterval(beat);
        stopWatching();
        try {
          controller.close();
        } catch {
          // Closed from the other side already.
        }
      };
      request.signal.addEventListener("abort", () => close());
      // Whoever comes, or comes back, begins from what is now.
      send("hello", { serverMs: Date.now() });
      void tellAir();
    },
    cancel: () => close(),
  });
  return new Response(stream, {
    headers: { "content-type": "text/event-stream; charset=utf-8", "cache-control": "no-store, no-transform", "x-accel-buffering": "no" },
  });
}

/** Not signed out since? A database that is away is no reason to hang up. */
async function stillSignedIn(request: Request): Promise<boolean> {
  try {
    return (await auth().api.getSession({ headers: request.headers })) !== null;
  } catch {
    return true;
  }
}
