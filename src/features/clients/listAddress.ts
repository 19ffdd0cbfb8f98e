import type { ListFilter } from "./list";

/** The query of a list: only what is not usual. */
export function listQuery({ find, show, page }: ListFilter): string {
  return new URLSearchParams([
    ...(find ? [["find", find]] : []),
    ...(show === "all" ? [] : [["show", show]]),
    ...(page > 1 ? [["page", String(page)]] : []),
  ]).toString();
}
/** Where a list is looked at. */
export function listAddress(filter: ListFilter): string {
  const query = listQuery(filter);
  return query ? `/clients?${query}` : "/clients";
}
