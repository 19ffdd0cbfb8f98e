import type { AirAt, Brush } from "@/core/adhesive";
import type { RoomAir } from "@/core/air";
import type { Technique } from "@/core/lash";
import type { LashMap, BaseContact } from "@/core/map";
import type { Policy } from "@/core/policy";
import type { ServiceId } from "@/core/service";
import type { KeptEvent } from "@/core/visit";
import type { CareProps } from "@/features/care/careProps";
import type { GlueKnowledge } from "@/features/shelf/knowledge";
import type { MapGround } from "@/features/visit/clientMaps";
import type { FoundSet } from "@/features/visit/setBefore";
import type { OwnPace } from "@/features/visit/ownPace";
import type { Mark } from "@/features/visit/Marks";
import type { ThreadProps } from "@/features/thread/threadOfVisit";
import type { OpenBottle, UsedBottle } from "@/features/shelf/bottles";

/** Everything a visit's screens are drawn from, as the server read it. */
export type VisitProps = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly service: ServiceId;
  readonly chairName: string;
  readonly roomId: string;
  readonly roomName: string;
  readonly roomVolumeM3: number;
  readonly technicianName: string;
  readonly day: string;
  readonly today: string;
  readonly time: string;
  readonly timeZone: string;
  /** A survey of the client was kept, whether or not a map was planned on it. */
  readonly hasSurvey: boolean;
  readonly map: LashMap | null;
  readonly mapId: string | null;
  /** What the map is drawn with; null without a map. */
  readonly ground: MapGround | null;
  readonly technique: Technique;
  readonly care: CareProps;
  readonly marks: readonly Mark[];
  readonly reason: string;
  /** ISO day it is agreed for, in the studio's zone. */
  readonly isoDay: string;
  /** The client has worn a map before that this visit can take. */
  readonly hasLastMap: boolean;
  readonly cancelled: { readonly why: string } | null;
  readonly events: readonly KeptEvent[];
  readonly bottles: readonly OpenBottle[];
  readonly bottlesUsed: readonly UsedBottle[];
  readonly bottleNames: Readonly<Record<string, string>>;
  readonly air: RoomAir | null;
  readonly readings: readonly AirAt[];
  readonly knowledge: GlueKnowledge;
  readonly brushes: readonly Brush[];
  readonly baseContact: BaseContact | null;
  /** What a bottle can be opened of. */
  readonly adhesives: readonly { readonly id: string; readonly name: string }[];
  /** Steps, pictures, the next visit. */
  readonly thread: ThreadProps;
  readonly policy: Policy;
  /** What a lash takes by this technician's last sets, or the studio's figures. */
  readonly pace: OwnPace;
  /** At a fill, the set it finds; null where the studio has no record of one. */
  readonly found: FoundSet | null;
};
