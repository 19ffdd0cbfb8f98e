import type { PatchFamily } from "../mixing/productKinds";
import type { Service } from "../service";
import type { CareFacts } from "./facts";

/** Product families that will touch the client: the service's own, and those of what is chosen. */
export const familiesUsed = (service: Service, { products }: Pick<CareFacts, "products">): PatchFamily[] => [
  ...new Set([...service.families, ...products.flatMap(({ family }) => family ?? [])]),
];

/** A family as it is called on a screen. */
export const familyLabel = (family: PatchFamily): string => (family === "lotion" ? "lift lotion" : family);
