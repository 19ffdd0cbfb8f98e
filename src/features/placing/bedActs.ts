/** What a key or a button at the bed does. */
export type BedActs = {
  readonly digit: (digit: number) => void;
  readonly beside: (way: 1 | -1) => void;
  readonly otherEye: () => void;
  readonly place: (pressedMs: number) => void;
  readonly resume: () => void;
  readonly rest: () => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly check: () => void;
  readonly off: () => void;
  readonly mirror: () => void;
  readonly tape: () => void;
  readonly attach: () => void;
  readonly pause: () => void;
  readonly talk: () => void;
  readonly minutes: () => void;
  readonly shake: () => void;
  readonly bead: () => void;
  readonly end: () => void;
  readonly page: () => void;
  readonly take: () => void;
  readonly back: () => void;
};
