"use client";
import { useState } from "react";
import { LinkButton } from "@/ui";
import { loadAfresh } from "@/ui/loadAfresh";
import { SecondFactorSetUp } from "./SecondFactorSetUp";

/** Setting it up where nothing else is reached before. Once it is set up the page knows at once; the recovery codes stay until they are kept. */
export function SecondFactorDemanded({ isSet }: { isSet: boolean }) {
  const [wasSet] = useState(isSet);
  return wasSet ? <LinkButton href="/">To the studio</LinkButton> : <SecondFactorSetUp onDone={() => loadAfresh("/")} />;
}
