import Link from "next/link";
import { Button, Empty, LinkButton, SelectField, TextField } from "@/ui";
import { AUDIT_GROUPS } from "./auditWords";

type Line = {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly words: string;
  readonly person: string | null;
  readonly client: { readonly id: string; readonly name: string | null } | null;
  readonly detail: string | null;
  readonly address: string | null;
};

type Asked = {
  readonly who?: string | undefined;
  readonly what?: string | undefined;
  readonly from?: string | undefined;
  readonly to?: string | undefined;
};

const query = (asked: Asked, page: number) => {
  const filled = Object.entries(asked).filter((entry): entry is [string, string] => Boolean(entry[1]));
  return new URLSearchParams([...filled, ...(page > 1 ? [["page", String(page)]] : [])]).toString();
};

/** Who did what, newest first; asked for by person, matter and day. */
export function AuditList({
  lines,
  more,
  people,
  asked,
  page,
}: {
  lines: readonly Line[];
  more: boolean;
  people: readonly { readonly id: string; readonly name: string }[];
  asked: Asked;
  page: number;
}) {
  return (
    <>
      <form role="search" className="mt-6 flex flex-wrap items-end gap-3">
        <SelectField label="Person" name="who" defaultValue={asked.who ?? ""} className="w-48">
          <option value="">everybody</option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <SelectField label="Matter" name="what" defaultValue={asked.what ?? ""} className="w-44">
          <option value="">all of it</option>
          {Object.entries(AUDIT_GROUPS).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </SelectField>
        <TextField label="From" name="from" type="date" defaultValue={asked.from ?? ""} />
        <TextField label="To" name="to" type="date" defaultValue={asked.to ?? ""} />
        <Button type="submit" tone="line">
          Show
        </Button>
        <a
          href={`/api/audit?${query(asked, 1)}`}
          className="ml-auto min-h-9 py-1.5 font-semibold text-ivy underline underline-offset-4"
          download
        >
          Export as CSV
        </a>
      </form>
      {lines.length === 0 ? (
        <div className="mt-8">
          <Empty title="Nothing of that kind">Ask for more days, or for everybody.</Empty>
        </div>
      ) : (
        <div className="mt-6 overflow-x-auto" tabIndex={0} role="region" aria-label="What was done">
          <table className="w-full min-w-160 text-left text-[0.9375rem]">
            <thead>
              <tr className="border-b border-line-strong text-sm text-ink-2">
                <th className="py-1.5 pr-6 font-normal">When</th>
                <th className="pr-6 font-normal">Who</th>
                <th className="pr-6 font-normal">What</th>
                <th className="font-normal">From</th>
              </tr>
            </thead>
            <tbody>
              {lines.map(({ id, at, by, words, person, client, detail, address }) => (
                <tr key={id} className="border-b border-line align-baseline">
                  <td className="py-2 pr-6 whitespace-nowrap tabular-nums">{at}</td>
                  <td className="max-w-56 pr-6 break-words">
                    <bdi>{by}</bdi>
                  </td>
                  <td className="max-w-md pr-6 break-words">
                    {words}
                    {person ? (
                      <>
                        : <bdi>{person}</bdi>
                      </>
                    ) : null}
                    {client ? (
                      <>
                        :{" "}
                        {client.name === null ? (
                          "a client who was erased"
                        ) : (
                          <Link href={`/clients/${client.id}`} className="text-ivy underline underline-offset-4">
                            <bdi>{client.name}</bdi>
                          </Link>
                        )}
                      </>
                    ) : null}
                    {detail ? <span className="text-ink-2">, {detail}</span> : null}
                  </td>
                  <td className="text-sm whitespace-nowrap text-ink-2">{address}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <nav aria-label="Pages" className="mt-4 flex gap-3">
        {page > 1 ? (
          <LinkButton tone="line" href={`/studio/audit?${query(asked, page - 1)}`}>
            Newer
          </LinkButton>
        ) : null}
        {more ? (
          <LinkButton tone="line" href={`/studio/audit?${query(asked, page + 1)}`}>
            Older
          </LinkButton>
        ) : null}
      </nav>
    </>
  );
}
