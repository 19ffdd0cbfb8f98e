import { migrateDatabase } from "./migrate";

const url = process.env.IVY_OWNER_URL;
if (!url) throw new Error("IVY_OWNER_URL is not set.");
await migrateDatabase(url);
