/** Ways to finish the cure. */
export const FINISH_IDS = ["fan", "bonder", "mist", "spray"] as const;
export type FinishId = (typeof FINISH_IDS)[number];

/** What the maker's leaflet says of a finish. */
export type FinishFigure = {
  /** Wait after the last lash before it is used, s. */
  readonly waitS: number;
  /** Eyes may open so long after it, s; null where only the cure counts. */
  readonly eyesAfterS: number | null;
  /** Hours without water. */
  readonly waterHours: number;
};
export type FinishFigures = Readonly<Record<FinishId, FinishFigure>>;

export const FINISH_LABELS: Readonly<Record<FinishId, string>> = {
  fan: "fanned dry",
  bonder: "bonder",
  mist: "nano mist",
  spray: "water spray",
};

export const finishOf = (figures: FinishFigures, id: FinishId): FinishFigure => figures[id];
