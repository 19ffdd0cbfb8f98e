import { memo } from "react";
import { cx } from "@/ui";

export type Knot = { readonly name: string; readonly state: "tied" | "here" | "ahead" | "open" };

/**
 * The order of work as a line of knots: tied, here, ahead, or visibly open where one was passed over. On a phone
 * only the knot one is on, and those left open, keep their names.
 */
export const Knots = memo(function Knots({ knots }: { knots: readonly Knot[] }) {
  return (
    <ol aria-label="Order of work" className="flex pt-1 pb-2">
      {knots.map((knot, i) => (
        <li key={knot.name} aria-current={knot.state === "here" ? "step" : undefined} className="relative min-w-0 flex-1 text-center">
          {i > 0 ? (
            <span
              aria-hidden="true"
              className={cx(
                "absolute top-[0.6rem] right-1/2 left-[-50%] border-t-2",
                knot.state === "ahead" ? "border-dashed border-line-strong" : "border-ivy",
              )}
            />
          ) : null}
          <span
            aria-hidden="true"
            className={cx(
              "relative z-10 mx-auto mt-0.5 block size-4 rounded-full border-2",
              knot.state === "tied" && "border-ivy bg-ivy",
              knot.state === "here" && "border-ivy bg-paper ring-3 ring-moss",
              knot.state === "ahead" && "border-line-strong bg-paper",
              knot.state === "open" && "border-rosehip bg-paper",
            )}
          />
          <span
            className={cx(
              "mt-1 block text-sm whitespace-nowrap",
              (knot.state === "tied" || knot.state === "ahead") && "max-sm:sr-only",
              knot.state === "here"
                ? "font-bold"
                : knot.state === "open"
                  ? "font-semibold text-rosehip"
                  : knot.state === "ahead"
                    ? "text-ink-2"
                    : "",
            )}
          >
            {knot.name}
            {knot.state === "open" ? <span className="block">not done</span> : null}
          </span>
        </li>
      ))}
    </ol>
  );
});
