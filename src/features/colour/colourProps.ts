import type { ClientStanding, ReadinessRules } from "@/core/care";
import type { Survey } from "@/core/eye";
import type { RoomAir } from "@/core/air";
import type { Policy } from "@/core/policy";
import type { PastRun } from "@/core/processing";
import type { ServiceKind } from "@/core/protocol";
import type { KeptEvent } from "@/core/visit";
import type { OfferedProtocol, StockedProduct, StockedShield } from "./stock";

/** Everything the colour and lift workspace is drawn from, as the server read it. */
export type ColourProps = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly kind: ServiceKind;
  readonly chair: number;
  readonly roomName: string;
  readonly roomId: string;
  readonly technicianName: string;
  readonly studioName: string;
  readonly day: string;
  readonly time: string;
  readonly today: string;
  readonly timeZone: string;
  readonly events: readonly KeptEvent[];
  readonly reason: string;
  readonly policy: Policy & ReadinessRules;
  readonly standing: ClientStanding;
  readonly past: readonly PastRun[];
  readonly protocols: readonly OfferedProtocol[];
  readonly products: readonly StockedProduct[];
  readonly shields: readonly StockedShield[];
  readonly survey: Survey | null;
  readonly air: RoomAir | null;
  readonly batchNames: Readonly<Record<string, string>>;
  readonly incidents: readonly { readonly id: string; readonly words: string; readonly when: string }[];
  readonly consent: { readonly words: string; readonly signedName: string; readonly signature: string; readonly signedOn: string } | null;
};
