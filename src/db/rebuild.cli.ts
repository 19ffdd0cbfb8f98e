import { rebuildOutcomes } from "./outcomes/rebuild";

const url = process.env.IVY_OWNER_URL;
if (!url) throw new Error("IVY_OWNER_URL is not set.");
console.log(`${await rebuildOutcomes(url)} visits read anew from their events.`);
