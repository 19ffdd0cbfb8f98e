import type { Service } from "./service";

const set = {
  workedBy: "map",
  onClient: true,
  parts: ["lashes"],
  families: ["adhesive"],
  counts: [{ treatment: "extensions", part: "lashes" }],
  leastAge: "extensions",
  consultation: "extensions",
  consent: true,
  aftercare: "extensions",
} as const;
const byProtocol = { workedBy: "protocol", onClient: true, consent: true } as const;

/** Every service there is. A new one is one entry here; what it is worked by, a map or a protocol, stands elsewhere. */
export const SERVICES = {
  newSet: { ...set, label: "new set", usualMinutes: 150 },
  fill: { ...set, label: "fill", usualMinutes: 90 },
  removal: {
    ...byProtocol,
    label: "removal of a set",
    parts: ["lashes"],
    families: [],
    counts: [{ treatment: "removal", part: "lashes" }],
    leastAge: null,
    consultation: "removal",
    consent: false,
    aftercare: "removal",
    usualMinutes: 45,
  },
  lift: {
    ...byProtocol,
    label: "lash lift",
    parts: ["lashes"],
    families: ["lotion"],
    counts: [{ treatment: "lift", part: "lashes" }],
    leastAge: "colour",
    consultation: "lift",
    aftercare: "lift",
    usualMinutes: 60,
  },
  liftTint: {
    ...byProtocol,
    label: "lash lift and tint",
    parts: ["lashes"],
    families: ["lotion", "tint"],
    counts: [
      { treatment: "lift", part: "lashes" },
      { treatment: "tint", part: "lashes" },
    ],
    leastAge: "colour",
    consultation: "lift",
    aftercare: "liftTint",
    usualMinutes: 75,
  },
  lashTint: {
    ...byProtocol,
    label: "lash tint",
    parts: ["lashes"],
    families: ["tint"],
    counts: [{ treatment: "tint", part: "lashes" }],
    leastAge: "colour",
    consultation: "tint",
    aftercare: "lashTint",
    usualMinutes: 30,
  },
  browTint: {
    ...byProtocol,
    label: "brow tint",
    parts: ["brows"],
    families: ["tint"],
    counts: [{ treatment: "tint", part: "brows" }],
    leastAge: "colour",
    consultation: "tint",
    aftercare: "browTint",
    usualMinutes: 30,
  },
  lashBrowTint: {
    ...byProtocol,
    label: "lash and brow tint",
    parts: ["lashes", "brows"],
    families: ["tint"],
    counts: [
      { treatment: "tint", part: "lashes" },
      { treatment: "tint", part: "brows" },
    ],
    leastAge: "colour",
    consultation: "tint",
    aftercare: "lashBrowTint",
    usualMinutes: 45,
  },
  lamination: {
    ...byProtocol,
    label: "brow lamination",
    parts: ["brows"],
    families: ["lotion"],
    counts: [{ treatment: "lift", part: "brows" }],
    leastAge: "colour",
    consultation: "lift",
    aftercare: "lamination",
    usualMinutes: 60,
  },
  lightening: {
    ...byProtocol,
    label: "brow lightening and toner",
    parts: ["brows"],
    families: ["lightener", "tint"],
    counts: [{ treatment: "lightening", part: "brows" }],
    leastAge: "colour",
    consultation: "lightening",
    aftercare: "lightening",
    usualMinutes: 60,
  },
  practice: {
    label: "practice on a mannequin head",
    workedBy: "map",
    onClient: false,
    parts: ["lashes"],
    families: [],
    counts: [],
    leastAge: null,
    consultation: null,
    consent: false,
    aftercare: null,
    usualMinutes: 60,
  },
} as const satisfies Record<string, Service>;

export type ServiceId = keyof typeof SERVICES;
export const SERVICE_IDS = Object.keys(SERVICES) as [ServiceId, ...ServiceId[]];

/** A service's entry. */
export const serviceOf = (id: ServiceId): Service => SERVICES[id];

/** What a client usually comes back for: a set is filled, everything else is done again. Common practice. */
export const nextService = (id: ServiceId): ServiceId => (id === "newSet" ? "fill" : id);

/** Services worked by a protocol. */
export type ServiceKind = { [id in ServiceId]: (typeof SERVICES)[id]["workedBy"] extends "protocol" ? id : never }[ServiceId];
export const isByProtocol = (id: ServiceId): id is ServiceKind => SERVICES[id].workedBy === "protocol";
export const PROTOCOL_SERVICES = SERVICE_IDS.filter(isByProtocol);
/** Sets and fills: worked from a map, on a client. */
export const SET_SERVICES = SERVICE_IDS.filter((id) => SERVICES[id].workedBy === "map" && SERVICES[id].onClient);
/** What can be booked for a client. */
export const CLIENT_SERVICES = SERVICE_IDS.filter((id) => SERVICES[id].onClient);
/** What can be booked for a client, or for a mannequin head. */
export const servicesFor = (mannequin: boolean): readonly ServiceId[] => SERVICE_IDS.filter((id) => SERVICES[id].onClient !== mannequin);
/** Worked from a map, on a client or a mannequin head. */
export const isByMap = (id: ServiceId): boolean => SERVICES[id].workedBy === "map";

/** Why there is no lash lightening here, wherever somebody looks for it. */
export const NO_LASH_LIGHTENING =
  "Lash lightening is not offered. Lightener and developer so near the eye would run into it with the first tear, and bleached lashes turn brittle and break. Brows only.";
