"use client";
import { useMemo } from "react";
import { recordedOf, threadOf, type ThreadPart } from "@/core/checklist";
import type { Policy } from "@/core/policy";
import type { ServiceId } from "@/core/service";
import { photoMoment, type VisitState } from "@/core/visit";
import type { ThreadProps } from "./threadOfVisit";

/** A visit of any kind, as its thread wants it. */
export type ThreadedVisit = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly service: ServiceId;
  readonly timeZone: string;
  readonly policy: Policy;
  readonly thread: ThreadProps;
  readonly hasSurvey: boolean;
  readonly hasMap: boolean;
  /** Its day is over. */
  readonly isPast: boolean;
};

/** A visit along its checklist, part by part. */
export function useThread({ service, thread, hasSurvey, hasMap, isPast }: ThreadedVisit, state: VisitState): readonly ThreadPart[] {
  const { checklist, pictures, next, isAsked } = thread;
  return useMemo(() => {
    const moments = new Set(pictures.map(({ atMs }) => photoMoment(state, atMs)));
    const recorded = recordedOf(state, {
      consultation: isAsked,
      survey: hasSurvey,
      map: hasMap,
      photoBefore: moments.has("before"),
      photoAfter: moments.has("after"),
      nextVisit: next !== null,
    });
    return threadOf(service, checklist, state, recorded, isPast);
  }, [service, checklist, pictures, next, isAsked, hasSurvey, hasMap, isPast, state]);
}
