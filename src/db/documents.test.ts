import { getTableColumns, getTableName, is } from "drizzle-orm";
import { PgJsonb, PgTable, type PgColumn } from "drizzle-orm/pg-core";
import { UnreadableDocument } from "@/core/document";
import * as schema from "./schema";

const columns = Object.values(schema).flatMap((table) =>
  is(table, PgTable)
    ? Object.values(getTableColumns(table)).map((column) => ({ name: `${getTableName(table)}.${column.name}`, column }))
    : [],
);
const documents = columns.filter(({ column }) => column.getSQLType() === "jsonb" && !is(column, PgJsonb));
const read = (column: PgColumn, kept: unknown) => {
  try {
    return column.mapFromDriverValue(kept);
  } catch (error) {
    return error instanceof UnreadableDocument ? error.why : error;
  }
};

/** What is made again, and what the database keeps for its own functions. */
const HANDS_OUT_NOTHING = ["visit_outcome.state", "client_merge.stood", "client_merge.moved"];

test("no column hands out JSON that nobody has read; a tap's payload is read by its kind where it is folded", () => {
  expect(columns.filter(({ column }) => is(column, PgJsonb)).map(({ name }) => name)).toEqual(["visit_event.payload"]);
  expect(documents.length).toBeGreaterThanOrEqual(14);
});
test.each(documents.map(({ name, column }) => [name, column] as const))(
  "%s takes nothing of a newer version, and nothing broken",
  (name, column) => {
    expect(read(column, { version: 99 })).toBe(HANDS_OUT_NOTHING.includes(name) ? null : "newer");
    expect(read(column, [1])).toBe(HANDS_OUT_NOTHING.includes(name) ? null : "broken");
  },
);
