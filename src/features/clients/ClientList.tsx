import Link from "next/link";
import { Empty, LinkButton } from "@/ui";
import { Archive } from "./Archive";
import { CLIENTS_A_PAGE, type ListFilter, type Shown } from "./list";
import { listAddress, listQuery } from "./listAddress";
import { ListHead } from "./ListHead";

export type ListLine = {
  readonly id: string;
  readonly name: string;
  readonly mannequin: boolean;
  /** What else they are known by. */
  readonly hint: string;
  /** When they were here last, or that they were not. */
  readonly last: string;
  /** What is booked, or due. */
  readonly next: string;
  readonly isDue: boolean;
  readonly archived: boolean;
};

const EMPTY: Readonly<Record<Shown, { title: string; says: string }>> = {
  all: { title: "Nobody is written down yet", says: "Add the first client, or read in the list you have." },
  due: { title: "Nobody is due", says: "Whoever comes back within the week, by what they had last, and has nothing booked." },
  longNotHere: { title: "Nobody has stayed away for long", says: "How long that is, is a question of studio policy." },
  archived: { title: "Nobody is archived", says: "Whom you archive on their page is found here and brought back." },
};

const lastOf = (page: number, total: number) => Math.min(total, page * CLIENTS_A_PAGE);

/** "61 to 120 of 312", and what the filter means. */
function countWords({ show, page }: ListFilter, total: number, longDays: number): string {
  const many =
    total === 0
      ? ""
      : total <= CLIENTS_A_PAGE
        ? `${total} ${total === 1 ? "entry" : "entries"}`
        : `${(page - 1) * CLIENTS_A_PAGE + 1} to ${lastOf(page, total)} of ${total}`;
  const means = show === "longNotHere" ? `over ${longDays} days, nothing booked` : show === "due" ? "nothing booked" : "";
  return [many, means].filter(Boolean).join(", ");
}

export function ClientList({
  clients,
  total,
  filter,
  may,
  longDays,
  unsure,
}: {
  clients: readonly ListLine[];
  total: number;
  filter: ListFilter;
  may: { readonly archive: boolean; readonly import: boolean; readonly export: boolean };
  longDays: number;
  /** How many sets are still being reckoned. */
  unsure: number;
}) {
  const { find, show, page } = filter;
  const last = lastOf(page, total);
  return (
    <div className="mx-auto max-w-4xl">
      <ListHead find={find} show={show} total={total} count={countWords(filter, total, longDays)} />
      {clients.length === 0 ? (
        <div className="mt-6">
          <Empty title={find ? `Nobody found by “${find}”` : EMPTY[show].title}>
            {find ? (
              <>
                {show === "all" ? "Whoever is archived is not among these. " : ""}
                <Link
                  href={listAddress({ find, show: show === "all" ? "archived" : "all", page: 1 })}
                  className="font-semibold text-ivy underline underline-offset-4"
                >
                  {show === "all" ? "Look among the archived" : "Look among all"}
                </Link>
              </>
            ) : (
              EMPTY[show].says
            )}
          </Empty>
        </div>
      ) : (
        <ul>
          {clients.map((client) => (
            <li key={client.id} className="flex items-center gap-2 border-b border-line">
              <Link
                href={`/clients/${client.id}`}
                className="flex min-w-0 flex-1 flex-wrap items-baseline gap-x-4 px-2 py-3 hover:bg-moss-soft"
              >
                <bdi className="min-w-0 font-serif text-xl break-words">{client.name}</bdi>
                <span className="min-w-0 flex-1 basis-40 truncate text-sm text-ink-2" dir="auto">
                  {client.hint}
                </span>
                <span className="text-sm text-ink-2">
                  {client.next ? <span className={client.isDue ? "font-semibold text-brass" : "text-ivy"}>{client.next}</span> : null}
                  {client.next ? ", " : ""}
                  {client.last}
                </span>
              </Link>
              {client.archived && may.archive ? <Archive id={client.id} archived tone="line" /> : null}
            </li>
          ))}
        </ul>
      )}
      {unsure > 0 ? (
        <p role="status" className="mt-4 text-ink-2">
          The days of {unsure} more {unsure === 1 ? "set is" : "sets are"} being reckoned. Look again in a while.
        </p>
      ) : null}
      {total > CLIENTS_A_PAGE ? (
        <nav aria-label="Pages of the list" className="mt-4 flex flex-wrap gap-3">
          {page > 1 ? (
            <LinkButton tone="line" href={listAddress({ find, show, page: page - 1 })} rel="prev">
              Before these
            </LinkButton>
          ) : null}
          {last < total ? (
            <LinkButton tone="line" href={listAddress({ find, show, page: page + 1 })} rel="next">
              After these
            </LinkButton>
          ) : null}
        </nav>
      ) : null}
      <div className="mt-6 flex flex-wrap items-baseline gap-x-6 gap-y-2">
        {may.import ? (
          <Link href="/clients/import" className="py-1.5 font-semibold text-ivy underline underline-offset-4">
            Import from a CSV file
          </Link>
        ) : null}
        {may.export && total > 0 ? (
          <a
            href={`/api/clients/list?${listQuery({ find, show, page: 1 })}`}
            download
            className="py-1.5 font-semibold text-ivy underline underline-offset-4"
          >
            Export {find || show !== "all" ? "these" : "the list"} as CSV
          </a>
        ) : null}
      </div>
      <p className="mt-4 text-sm text-ink-2">
        Practising without a client?{" "}
        <Link href="/clients/new?mannequin" className="font-semibold text-ivy underline underline-offset-4">
          Add a mannequin head
        </Link>
        : it has a survey, maps and practice visits, and is never taken for a client.
      </p>
    </div>
  );
}
