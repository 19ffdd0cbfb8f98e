import { memo } from "react";
const PEDALS = [
  ["Space", "the next tap"],
  ["S", "shake"],
  ["N", "new bead"],
  ["C", "brushed, eyes closed"],
  ["T", "time a lash"],
  ["Backspace", "take back"],
  ["Shift L", "paper or lamp"],
] as const;

/** What a key or a foot pedal does here. */
export const Pedals = memo(function Pedals() {
  return (
    <dl className="hidden flex-wrap gap-x-9 gap-y-2 border-t border-line pt-5 text-xl lg:col-span-2 lg:flex">
      {PEDALS.map(([key, does]) => (
        <div key={key} className="flex items-center gap-3">
          <dt>
            <kbd className="rounded-md border border-line-strong px-3 py-1 font-sans font-semibold">{key}</kbd>
          </dt>
          <dd className="text-ink-2">{does}</dd>
        </div>
      ))}
    </dl>
  );
});
