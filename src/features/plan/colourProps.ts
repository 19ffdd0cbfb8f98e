import type { ServiceKind } from "@/core/service";
import type { Survey } from "@/core/eye";
import type { RoomAir } from "@/core/air";
import type { Policy } from "@/core/policy";
import type { PastRun } from "@/core/processing";
import type { KeptEvent } from "@/core/visit";
import type { CareProps } from "@/features/care/careProps";
import type { Mark } from "@/features/visit/Marks";
import type { OfferedProtocol } from "@/features/protocols/data";
import type { ThreadProps } from "@/features/thread/threadOfVisit";
import type { StockedProduct, StockedShield } from "@/features/shelf/stock";

/** Everything the colour and lift workspace is drawn from, as the server read it. */
export type ColourProps = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly kind: ServiceKind;
  readonly chairName: string;
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
  readonly memberName: string;
  readonly isoDay: string;
  readonly policy: Policy;
  /** Steps, pictures, the next visit. */
  readonly thread: ThreadProps;
  readonly care: CareProps;
  readonly marks: readonly Mark[];
  readonly past: readonly PastRun[];
  readonly protocols: readonly OfferedProtocol[];
  readonly products: readonly StockedProduct[];
  readonly shields: readonly StockedShield[];
  readonly survey: Survey | null;
  readonly air: RoomAir | null;
  readonly batchNames: Readonly<Record<string, string>>;
  readonly incidents: readonly {
    readonly id: string;
    readonly words: string;
    readonly putOff: boolean;
    readonly by: string;
    readonly when: string;
  }[];
};
