import { useRouter } from "next/navigation";
import { useState } from "react";
import { Button, Notice, TextField } from "@/ui";
import { typeReading } from "./actions";
import { answered } from "@/ui/answered";

/** A reading taken by eye from any hygrometer; what cannot be is named and stays as typed. */
export function TypedReading({ room }: { room: { id: string } }) {
  const router = useRouter();
  const [form, setForm] = useState({ temperature: "", humidity: "" });
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string>> } | null>(null);
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await answered(typeReading({ roomId: room.id, ...form }), "What you typed is still here.");
    setProblem(result.ok ? null : result);
    if (result.ok) {
      setForm({ temperature: "", humidity: "" });
      router.refresh();
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate aria-label="A reading by hand">
      <h2 className="text-xl">A reading by hand</h2>
      <div className="mt-2 grid grid-cols-[1fr_1fr_auto] items-end gap-3">
        <TextField
          label="Temperature"
          unit="°C"
          inputMode="decimal"
          value={form.temperature}
          error={problem?.fields.temperature}
          onChange={(e) => setForm({ ...form, temperature: e.target.value })}
        />
        <TextField
          label="Humidity"
          unit="%"
          inputMode="decimal"
          value={form.humidity}
          error={problem?.fields.humidity}
          onChange={(e) => setForm({ ...form, humidity: e.target.value })}
        />
        <Button type="submit" tone="line">
          Keep
        </Button>
      </div>
      {problem && Object.keys(problem.fields).length === 0 ? <Notice tone="stop" title={problem.message} className="mt-2" /> : null}
    </form>
  );
}
