"use client";
import { useSyncExternalStore } from "react";

const never = () => () => undefined;

/** False on the server and while the browser takes over what it sent, then true. */
export function useMounted(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
}
