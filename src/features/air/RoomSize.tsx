import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, TextField } from "@/ui";
import { changeRoom } from "./actions";

/** The room's volume, from which water is reckoned. */
export function RoomSize({ room }: { room: { id: string; volumeM3: number } }) {
  const router = useRouter();
  const [volume, setVolume] = useState(String(room.volumeM3));
  const [problem, setProblem] = useState<string | null>(null);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await changeRoom({ roomId: room.id, volume }).catch(() => null);
    setProblem(result?.ok ? null : (result?.fields.volume ?? result?.message ?? "The server did not answer. Try again."));
    if (result?.ok) router.refresh();
  };
  return (
    <form onSubmit={submit} noValidate aria-label="Size of the room" className="grid grid-cols-[1fr_auto] items-end gap-3">
      <TextField
        label="Volume of the room"
        hint="Length × width × height; water is reckoned from it."
        unit="m³"
        inputMode="decimal"
        value={volume}
        error={problem ?? undefined}
        onChange={(e) => setVolume(e.target.value)}
      />
      <Button type="submit" tone="line" className="mb-7">
        Keep
      </Button>
    </form>
  );
}
