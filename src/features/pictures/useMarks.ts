"use client";
import { useRef, useState } from "react";
import { noMarks, type PictureMarks } from "@/core/measure";
import { noAnswer } from "@/ui/answered";
import { saveMarks } from "./actions";
import type { KeptPicture } from "./data";

const SAVE_AFTER_MS = 600;

/** The marks on each picture; they are kept a little after the last change of each. */
export function useMarks(pictures: readonly KeptPicture[], showProblem: (words: string | null) => void) {
  const [marks, setMarks] = useState<Readonly<Record<string, PictureMarks>>>(() =>
    Object.fromEntries(pictures.map(({ id, marks: kept }) => [id, kept ?? noMarks])),
  );
  const timers = useRef(new Map<string, ReturnType<typeof setTimeout>>());
  const save = (id: string, next: PictureMarks) =>
    saveMarks({ id, marks: next }).then(
      (result) => showProblem(result.ok ? null : [result.message, ...Object.values(result.fields)].join(" ")),
      () => showProblem(noAnswer("The marks are still on this screen; go on, they are sent again with the next one.")),
    );
  const change = (id: string, next: PictureMarks) => {
    setMarks((all) => ({ ...all, [id]: next }));
    clearTimeout(timers.current.get(id));
    timers.current.set(
      id,
      setTimeout(() => void save(id, next), SAVE_AFTER_MS),
    );
  };
  return { marksOf: (id: string) => marks[id] ?? noMarks, change };
}
