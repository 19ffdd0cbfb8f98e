import { Dialog } from "@/ui";

const KEYS: readonly (readonly [string, string])[] = [
  ["/ or Ctrl K", "find a client, a bottle, a protocol, a place, something to do"],
  ["?", "these keys"],
  ["Shift L", "paper or lamp"],
  ["Today: N", "book a visit"],
  ["Today: ← →", "the day before, the day after"],
  ["Today, on a visit: M, arrows, M", "move it by five minutes, or to another thread"],
  ["Map: 1 … 9, 0", "take zone 1 … 9, 10; two figures quickly for 11 and on"],
  ["Map: ← →", "the zone beside"],
  ["Map: ↑ ↓", "the next length in stock"],
  ["Map: Shift ← →", "pull the zone's outer line"],
  ["Map: E", "the other eye"],
  ["Map: Delete", "leave the zone bare"],
  ["Map: Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["Map: F", "take the first fix"],
  ["Map: N", "the next layer"],
  ["Map: B", "in the mirror, on the pad, from the side"],
  ["Map: Ctrl S", "save"],
  ["C", "from any screen: brushed through, both eyes closed; away from the visit's page Space too"],
  ["Visit: Space (pedal)", "what is next: shake, bead, a lash placed, dry, end"],
  ["Visit: S, N, D", "shake, new bead, dry"],
  ["Bed: 1 … 9, 0, arrows", "zone 1 … 9, 10; the zone beside, the other eye"],
  ["Bed: Shift Space, or held", "the rest of the zone"],
  ["Bed: R, O", "a lash set anew; some came off at the brush"],
  ["Bed: P, K, A", "pause; client talks; tape"],
  ["Bed: M", "plan what remains for the minutes there are"],
  ["Bed: Esc", "the visit's page"],
  ["Visit, set times: T", "time a bead or a lash: start, stop"],
  ["Set times: H", "time a placement of your hand"],
  ["Colour: Space (pedal)", "what is next: first touch, wiped off, done"],
  ["Colour: 1 … 4", "a lane: put on, take off"],
  ["Colour: S, E", "stop and rinse; half a minute longer"],
  ["Visit: Backspace", "take the last tap back"],
];

/** Every key there is, and what it does. */
export function KeysHelp({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Keys">
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="font-semibold whitespace-nowrap">{key}</dt>
            <dd className="text-ink-2">{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
