import type { CareFacts, CareFinding } from "@/core/care";
import type { ServiceId } from "@/core/service";

/** Everything the screens say of what stands against a service, as the server read it. Days in the studio's words. */
export type CareProps = {
  readonly clientId: string;
  readonly clientName: string;
  readonly service: ServiceId;
  /** Null where no visit is agreed yet. */
  readonly visitId: string | null;
  readonly findings: readonly CareFinding[];
  readonly bornOn: string | null;
  readonly today: string;
  readonly consultation:
    | (Pick<NonNullable<CareFacts["consultation"]>, "document" | "kinds"> & {
        readonly confirmedOn: string;
        /** Whether one tap is enough: asked whole not long ago, for this kind of service. */
        readonly mayConfirm: boolean;
        readonly isOfToday: boolean;
      })
    | null;
  readonly consent: {
    readonly words: string;
    readonly signedName: string;
    readonly signature: string;
    readonly signedOn: string;
    readonly signedBy: "client" | "guardian";
    readonly state: "missing" | "expired" | "wording" | "valid";
  } | null;
  readonly ageYears: number | null;
  /** The reason this visit holds, or the last visit's, where it was written for what is asked now. */
  readonly reason: { readonly words: string; readonly keys: readonly string[]; readonly of: "this visit" | string } | null;
};
