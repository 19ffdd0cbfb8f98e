"use client";
import { useState, useTransition } from "react";
import { Button, Dialog, Notice, TextField } from "@/ui";
import { newId } from "@/ui/newId";
import { addChair, addRoom, changeChair, changeRoomName, closeRoom } from "./actions";
import { answered } from "@/ui/answered";

type Room = { readonly id: string; readonly name: string; readonly closed: boolean };
type Chair = Room & { readonly roomId: string };
type Asking =
  | { readonly what: "room" }
  | { readonly what: "rename"; readonly room: Room }
  | { readonly what: "chair"; readonly roomId: string; readonly chair: Chair | null };
type Answer = { readonly ok: true } | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };

/** Rooms and the chairs in them: made, renamed, closed by the owner. What is closed takes no new booking and keeps its history. */
export function Rooms({ rooms, chairs, mayChange }: { rooms: readonly Room[]; chairs: readonly Chair[]; mayChange: boolean }) {
  const [asking, setAsking] = useState<Asking | null>(null);
  const [name, setName] = useState("");
  const [id, setId] = useState(newId);
  const [problem, setProblem] = useState<Extract<Answer, { ok: false }> | null>(null);
  const [busy, start] = useTransition();
  const send = (work: () => Promise<Answer>) =>
    start(async () => {
      const result = await answered(work(), "What you typed is still here.");
      setProblem(result.ok ? null : result);
      if (result.ok) setAsking(null);
    });
  const ask = (next: Asking, typed: string) => {
    setProblem(null);
    setName(typed);
    setId(newId());
    setAsking(next);
  };
  const keep = () => {
    if (!asking) return;
    if (asking.what === "room") send(() => addRoom({ id, name }));
    else if (asking.what === "rename") send(() => changeRoomName({ id: asking.room.id, was: asking.room.name, name }));
    else if (asking.chair) send(() => changeChair({ id: asking.chair!.id, was: asking.chair!.name, name, closed: asking.chair!.closed }));
    else send(() => addChair({ id, roomId: asking.roomId, name }));
  };
  const small = "min-h-8 px-2 text-sm";
  return (
    <section aria-label="Rooms and chairs">
      <div className="flex items-baseline justify-between border-b border-line pb-1">
        <h2 className="text-2xl">Rooms and chairs</h2>
        {mayChange ? (
          <Button tone="plain" onClick={() => ask({ what: "room" }, "")}>
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
                  <Button tone="plain" className={small} onClick={() => ask({ what: "rename", room }, room.name)}>
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
                        <Button tone="plain" className={small} onClick={() => ask({ what: "chair", roomId: room.id, chair }, chair.name)}>
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
              <Button tone="plain" className={small} onClick={() => ask({ what: "chair", roomId: room.id, chair: null }, "")}>
                Add a chair
              </Button>
            ) : null}
          </li>
        ))}
      </ul>
      {problem && !asking ? <Notice tone="stop" title={problem.message} className="mt-3" /> : null}
      <Dialog
        open={asking !== null}
        onOpenChange={(open) => !open && setAsking(null)}
        title={
          asking?.what === "room"
            ? "Add a room"
            : asking?.what === "rename"
              ? "Rename the room"
              : asking?.chair
                ? "Rename the chair"
                : "Add a chair"
        }
      >
        <form
          className="space-y-4"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <TextField label="Name" autoFocus value={name} error={problem?.fields.name} onChange={(event) => setName(event.target.value)} />
          {asking?.what === "room" ? (
            <p className="text-sm text-ink-2">It begins with one chair and 30 m³ of air; describe it on the air page.</p>
          ) : null}
          {problem ? <Notice tone="stop" title={problem.message} /> : null}
          <Button type="submit" disabled={busy}>
            Keep
          </Button>
        </form>
      </Dialog>
    </section>
  );
}
