"use client";
import { useState, useTransition } from "react";
import { Button, Notice, TextField } from "@/ui";
import { FormSheet, useStudioForm, type FormAnswer } from "@/ui/form";
import { newId } from "@/ui/newId";
import { addChair, addRoom, changeChair, changeRoomName, closeRoom } from "./actions";
import { answered } from "@/ui/answered";

type Room = { readonly id: string; readonly name: string; readonly closed: boolean };
type Chair = Room & { readonly roomId: string };
type Asking =
  | { readonly what: "room" }
  | { readonly what: "rename"; readonly room: Room }
  | { readonly what: "chair"; readonly roomId: string; readonly chair: Chair | null };

/** Rooms and the chairs in them: made, renamed, closed by the owner. What is closed takes no new booking and keeps its history. */
export function Rooms({ rooms, chairs, mayChange }: { rooms: readonly Room[]; chairs: readonly Chair[]; mayChange: boolean }) {
  const [asking, setAsking] = useState<Asking | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useTransition();
  const send = (work: () => Promise<FormAnswer<unknown>>) =>
    start(async () => {
      const result = await answered(work(), "Nothing was changed.");
      setProblem(result.ok ? null : result.message);
    });
  const small = "min-h-8 px-2 text-sm";
  return (
    <section aria-label="Rooms and chairs">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">Rooms and chairs</h2>
        {mayChange ? (
          <Button tone="plain" onClick={() => setAsking({ what: "room" })}>
            Add a room
          </Button>
        ) : null}
      </div>
      <ul>
        {rooms.map((room) => (
          <li key={room.id} className="border-b border-line py-2">
            <div className="flex flex-wrap items-baseline justify-between gap-x-2">
              <b className="break-words">
                {room.name}
                {room.closed ? <span className="font-normal text-ink-2">, closed</span> : null}
              </b>
              {mayChange ? (
                <span>
                  <Button tone="plain" className={small} onClick={() => setAsking({ what: "rename", room })}>
                    Rename
                  </Button>
                  <Button
                    tone="plain"
                    className={small}
                    disabled={busy}
                    onClick={() => send(() => closeRoom({ id: room.id, closed: !room.closed }))}
                  >
                    {room.closed ? "Open" : "Close"}
                  </Button>
                </span>
              ) : null}
            </div>
            <ul className="pl-3 text-[0.9375rem]">
              {chairs
                .filter(({ roomId }) => roomId === room.id)
                .map((chair) => (
                  <li key={chair.id} className="flex flex-wrap items-baseline justify-between gap-x-2">
                    <span className="break-words">
                      {chair.name}
                      {chair.closed ? <span className="text-ink-2">, closed</span> : null}
                    </span>
                    {mayChange ? (
                      <span>
                        <Button tone="plain" className={small} onClick={() => setAsking({ what: "chair", roomId: room.id, chair })}>
                          Rename
                        </Button>
                        <Button
                          tone="plain"
                          className={small}
                          disabled={busy}
                          onClick={() =>
                            send(() => changeChair({ id: chair.id, was: chair.name, name: chair.name, closed: !chair.closed }))
                          }
                        >
                          {chair.closed ? "Open" : "Close"}
                        </Button>
                      </span>
                    ) : null}
                  </li>
                ))}
            </ul>
            {mayChange && !room.closed ? (
              <Button tone="plain" className={small} onClick={() => setAsking({ what: "chair", roomId: room.id, chair: null })}>
                Add a chair
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {problem ? <Notice tone="stop" title={problem} className="mt-3" /> : null}
      {asking ? <NameSheet asking={asking} onClose={() => setAsking(null)} /> : null}
    </section>
  );
}

const TITLES = { room: "Add a room", rename: "Rename the room", chair: "Add a chair" } as const;

/** What a room or a chair is called, new or known. */
function NameSheet({ asking, onClose }: { asking: Asking; onClose: () => void }) {
  const [id] = useState(newId);
  const known = asking.what === "rename" ? asking.room : asking.what === "chair" ? asking.chair : null;
  const form = useStudioForm({
    values: { name: known?.name ?? "" },
    schema: () => import("./schema").then(({ nameForm }) => nameForm),
    send: ({ name }: { name: string }): Promise<FormAnswer<unknown>> => {
      if (asking.what === "room") return addRoom({ id, name });
      if (asking.what === "rename") return changeRoomName({ id: asking.room.id, was: asking.room.name, name });
      if (asking.chair) return changeChair({ id: asking.chair.id, was: asking.chair.name, name, closed: asking.chair.closed });
      return addChair({ id, roomId: asking.roomId, name });
    },
    onKept: onClose,
  });
  return (
    <FormSheet
      title={asking.what === "chair" && known ? "Rename the chair" : TITLES[asking.what]}
      form={form}
      submit="Keep"
      onClose={onClose}
    >
      <TextField label="Name" {...form.field("name")} />
      {asking.what === "room" ? (
        <p className="text-sm text-ink-2">It begins with one chair and 30 m³ of air; describe it on the air page.</p>
      ) : null}
    </FormSheet>
  );
}
