import type { ServiceKind } from "@/core/protocol";
import { SERVICE_OF, SERVICES, type Service } from "@/db/schema/visit";

/** What an agreed service is worked by. Those not named here are worked from a map. */
export const KIND_OF: Partial<Record<Service, ServiceKind>> = Object.fromEntries(
  Object.entries(SERVICE_OF).map(([kind, service]) => [service, kind as ServiceKind]),
);

/** Services worked from a map. */
export const SET_SERVICES = SERVICES.filter((service) => !KIND_OF[service]);
