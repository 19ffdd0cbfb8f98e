"use client";
import { useSyncExternalStore } from "react";

/** Finer than this is not seen. */
const MOST = 3;

const subscribe = (changed: () => void) => {
  let screen: MediaQueryList | undefined;
  // A query hears the end of one ratio alone: each new one is asked for anew.
  const listen = () => {
    screen?.removeEventListener("change", heard);
    screen = matchMedia(`(resolution: ${devicePixelRatio}dppx)`);
    screen.addEventListener("change", heard);
  };
  const heard = () => {
    listen();
    changed();
  };
  listen();
  return () => screen?.removeEventListener("change", heard);
};

/** Points of the screen to a CSS px; moved to another screen, a canvas is drawn anew for that one. */
export const usePixelRatio = (): number =>
  useSyncExternalStore(
    subscribe,
    () => Math.min(MOST, devicePixelRatio || 1),
    () => 1,
  );
