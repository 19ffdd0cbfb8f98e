/** What a server says at last of a file it was handed. */
export type Told<T> = { readonly status: number; readonly body: T & { readonly message?: string } };

/**
 * Hands a file in and hears how far it is, 0..1, until it is through. Rejects where no server answers, or where it is given up
 * by `signal`.
 */
export async function askTable<T>(url: string, file: Blob, signal: AbortSignal, tell: (done: number) => void): Promise<Told<T>> {
  const response = await fetch(url, { method: "POST", body: file, signal, headers: { accept: "application/x-ndjson" } });
  // Refused at the door, before anything was read.
  if (!response.headers.get("content-type")?.startsWith("application/x-ndjson") || !response.body)
    return { status: response.status, body: (await response.json()) as Told<T>["body"] };
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  let last: Told<T> | null = null;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    const lines = (rest + value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines) {
      const said = JSON.parse(line) as { readonly done: number } | Told<T>;
      if ("status" in said) last = said;
      else tell(said.done);
    }
  }
  if (!last) throw new Error("The answer was cut off.");
  return last;
}
