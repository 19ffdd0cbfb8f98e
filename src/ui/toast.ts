/** `act` is what may still be done about it, as long as it is shown. */
export type Toast = {
  readonly tone: "good" | "stop";
  readonly words: string;
  readonly act?: { readonly label: string; readonly run: () => void };
};

const unsaid: Toast[] = [];
let tell: (() => void) | null = null;
const add = (one: Toast) => {
  unsaid.push(one);
  tell?.();
};

/**
 * Short words about what was done elsewhere, or needs nothing more; `stop` stays until it is closed. What is wrong with
 * something on the page is said beside it, never here.
 */
export const toast = {
  good: (words: string, act?: Toast["act"]) => add({ tone: "good", words, ...(act ? { act } : {}) }),
  stop: (words: string) => add({ tone: "stop", words }),
};

/** For what shows them: called at each new one, and at once where some wait. Returns what ends it. */
export function onToast(listener: () => void): () => void {
  tell = listener;
  if (unsaid.length > 0) listener();
  return () => {
    if (tell === listener) tell = null;
  };
}
/** Those not yet shown; they are taken with it. */
export const takeToasts = (): readonly Toast[] => unsaid.splice(0);
