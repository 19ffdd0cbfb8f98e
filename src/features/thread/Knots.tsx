import { memo } from "react";
import { VISIT_PARTS, type ThreadPart, type VisitPart } from "@/core/checklist";
import { cx } from "@/ui";

/**
 * The order of work as a line of knots: tied, here, ahead, or visibly open where something of it was passed over. Touched, a
 * knot shows its steps. On a phone only the knot one is on, and those left open, keep their names.
 */
export const Knots = memo(function Knots({
  parts,
  shown,
  onShow,
}: {
  parts: readonly Pick<ThreadPart, "part" | "state">[];
  /** Whose steps are shown. */
  shown: VisitPart | null;
  onShow: (part: VisitPart | null) => void;
}) {
  return (
    <ol aria-label="Order of work" className="flex pt-1 pb-1">
      {parts.map(({ part, state }, i) => (
        <li key={part} aria-current={state === "here" ? "step" : undefined} className="relative min-w-0 flex-1 text-center">
          {i > 0 ? (
            <span
              aria-hidden="true"
              className={cx(
                "absolute top-[0.85rem] right-1/2 left-[-50%] border-t-2",
                state === "ahead" ? "border-dashed border-line-strong" : "border-ivy",
              )}
            />
          ) : null}
          <button
            type="button"
            aria-expanded={shown === part}
            aria-controls="steps-of-visit"
            onClick={() => onShow(shown === part ? null : part)}
            className={cx(
              "relative z-10 mx-auto block min-h-11 w-full rounded-md px-0.5 pt-1 pb-1 hover:bg-moss-soft",
              shown === part && "bg-moss-soft",
            )}
          >
            <span
              aria-hidden="true"
              className={cx(
                "mx-auto mt-0.5 block size-4 rounded-full border-2",
                state === "tied" && "border-ivy bg-ivy",
                state === "here" && "border-ivy bg-paper ring-3 ring-moss",
                state === "ahead" && "border-line-strong bg-paper",
                // Side by side on a phone their names would lie over each other: the mark says it as well.
                state === "open" && "border-rosehip bg-paper text-[0.625rem] leading-3 font-bold text-rosehip",
              )}
            >
              {state === "open" ? "!" : null}
            </span>
            <span
              className={cx(
                "mt-1 block text-sm whitespace-nowrap",
                state !== "here" && "max-sm:sr-only",
                state === "here" ? "font-bold" : state === "open" ? "font-semibold text-rosehip" : state === "ahead" ? "text-ink-2" : "",
              )}
            >
              {VISIT_PARTS[part]}
              {state === "open" ? <span className="sr-only">, not all done</span> : null}
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
});
