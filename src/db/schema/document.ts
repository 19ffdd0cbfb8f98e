import { customType } from "drizzle-orm/pg-core";

/**
 * A JSON document kept as it was written and read as the newest version of its kind: what is on disk is never changed
 * for a new version, `upgrade` brings it up to date on its way out.
 */
export const documentOf = <T>(upgrade: (document: unknown) => unknown, write: (value: T) => unknown = (value) => value) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => "jsonb",
    toDriver: (value) => JSON.stringify(write(value)),
    fromDriver: (value) => upgrade(typeof value === "string" ? JSON.parse(value) : value) as T,
  });
