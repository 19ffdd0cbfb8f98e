import type { PatchFamily } from "@/core/mixing";
import { familiesOf, shippedProtocols, type Schools } from "@/core/protocol";
import type { Service } from "@/db/schema/visit";
import { KIND_OF } from "./services";

/** Product families whose patch test a service asks for: adhesive for a set, by its protocol for colour and lift. */
export function familiesFor(service: Service, schools: Schools): readonly PatchFamily[] {
  const kind = KIND_OF[service];
  return kind ? familiesOf(shippedProtocols[kind](schools)) : ["adhesive"];
}
