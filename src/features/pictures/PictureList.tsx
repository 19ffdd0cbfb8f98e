"use client";
import { cx } from "@/ui";
import type { KeptPicture } from "./data";

/** The client's pictures; one of them is being marked. */
export function PictureList({
  pictures,
  chosenId,
  onChoose,
}: {
  pictures: readonly KeptPicture[];
  chosenId: string | undefined;
  onChoose: (id: string) => void;
}) {
  return (
    <section aria-label="Pictures">
      <h2 className="text-xl">Pictures</h2>
      <ul className="mt-2 grid grid-cols-3 gap-2">
        {pictures.map(({ id, side, kind, takenOn }) => (
          <li key={id}>
            <button
              type="button"
              aria-pressed={id === chosenId}
              onClick={() => onChoose(id)}
              className={cx("block w-full rounded-md border p-1 text-left text-xs", id === chosenId ? "border-ivy" : "border-line")}
            >
              {/* eslint-disable-next-line @next/next/no-img-element -- private bytes, never through an optimiser's cache */}
              <img src={`/api/pictures/${id}`} alt="" className="aspect-[4/3] w-full rounded-sm object-cover" />
              {side}, {kind}
              <span className="block text-ink-2">{takenOn}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
