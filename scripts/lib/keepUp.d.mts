export type Running = { readonly ended: Promise<unknown>; readonly stop: () => Promise<unknown> };
export function keepUp<R extends Running>(
  start: () => Promise<R>,
  options?: { most?: number; calmMs?: number; firstPauseMs?: number; say?: (words: string) => void },
): { first: Promise<R>; gaveUp: Promise<void>; stop: () => Promise<void> };
