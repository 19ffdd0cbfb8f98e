"use client";
import { loadAfresh } from "@/ui/loadAfresh";
import { SecondFactorSetUp } from "./SecondFactorSetUp";

/** Setting it up where nothing else is reached before. */
export function SecondFactorDemanded() {
  return <SecondFactorSetUp onDone={() => loadAfresh("/")} />;
}
