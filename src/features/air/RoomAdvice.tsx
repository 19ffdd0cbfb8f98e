import { roomPlan, type Air, type RoomTraits } from "@/core/air";
import { Button, Verdict } from "@/ui";
import { planWords } from "./planWords";

/** What it takes to bring the room to the target: grams, minutes, and whether it can. */
export function RoomAdvice({
  room,
  air,
  target,
  people,
  isOwn,
  onBack,
}: {
  room: { volumeM3: number; traits: RoomTraits; traitsTold: boolean };
  air: Air;
  target: Air;
  people: number;
  isOwn: boolean;
  onBack: () => void;
}) {
  const words = planWords(roomPlan(room, air, target, people), air, target, room.traits);
  return (
    <section aria-label="To the target" className="mt-4 border-l-2 border-ivy pl-3">
      <p className="leading-snug" data-testid="plan">
        {words.cannot ? <Verdict tone="look">{words.main}</Verdict> : words.main}
      </p>
      {words.more.map((sentence) => (
        <p key={sentence} className="mt-1 text-[0.9375rem] text-ink-2">
          {sentence}
        </p>
      ))}
      <p className="mt-1 text-sm text-ink-2">
        Reckoned for {room.volumeM3} m³ and {room.traits.airChangePerH} changes an hour
        {room.traitsTold ? "" : ", usual figures until this room is described"}; walls and linen make it a range.
      </p>
      {isOwn ? (
        <Button tone="plain" className="-ml-4" onClick={onBack}>
          Back to what the bottle wants
        </Button>
      ) : null}
    </section>
  );
}
