"use client";
import { useEffect, useState } from "react";
import { onToast } from "./toast";
import { useReserve } from "./useReserve";

const load = () => import("./ToastsShown");

/** Where toasts stand, on every screen. */
export function Toasts() {
  const [wanted, setWanted] = useState(false);
  const shown = useReserve(load, wanted);
  useEffect(() => (shown ? undefined : onToast(() => setWanted(true))), [shown]);
  return shown ? <shown.ToastsShown /> : null;
}
