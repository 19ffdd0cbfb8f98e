export { visitMinutes, type MinutesKnown, type VisitMinutes } from "./visitMinutes";
export type { Service, Treatment, Treated } from "./service";
export { AFTERCARE_LINES, type AftercareId, type CareLine } from "./aftercareLines";
export {
  SERVICES,
  SERVICE_IDS,
  serviceOf,
  nextService,
  isByProtocol,
  PROTOCOL_SERVICES,
  SET_SERVICES,
  CLIENT_SERVICES,
  servicesFor,
  isByMap,
  NO_LASH_LIGHTENING,
  type ServiceId,
  type ServiceKind,
} from "./services";
