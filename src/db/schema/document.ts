import { customType } from "drizzle-orm/pg-core";
import { readDocument, writeDocument, type DocumentKind } from "@/core/document";

/** JSON that is read as it leaves the database: nothing of it is taken on trust. */
const readJson = <T>(read: (kept: unknown) => T, write: (value: T) => unknown) =>
  customType<{ data: T; driverData: unknown }>({
    dataType: () => "jsonb",
    toDriver: (value) => JSON.stringify(write(value)),
    fromDriver: (value) => read(typeof value === "string" ? JSON.parse(value) : value),
  });

/** The one column for a document of a kind: kept as it was written, with its version, read and parsed as the newest. */
export const documentOf = <T>(kind: DocumentKind<T>) =>
  readJson<T>(
    (kept) => readDocument(kind, kept),
    (value) => writeDocument(kind, value),
  );

/** The one column for what can be made again at any time: what cannot be read is null, and is made again. */
export const remadeOf = <T>(read: (kept: unknown) => T | null, write: (value: T) => unknown) =>
  readJson<T | null>(read, (value) => (value === null ? null : write(value)));

/** JSON that the database's own functions write and read: nothing of it is handed out. */
export const ofTheDatabase = customType<{ data: null; driverData: unknown }>({ dataType: () => "jsonb", fromDriver: () => null });
