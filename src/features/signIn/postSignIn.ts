import { noAnswer } from "@/ui/answered";
import type { FormAnswer } from "@/ui/form";

/** What sign-in answered: in, or one more step. */
type Answer = { readonly needsCode: boolean };

const refused = (message: string) => ({ ok: false, message, fields: {} }) as const;

/** Posts something to sign-in; what it refuses comes back in words. `wrong` says what a refusal of what was sent means. */
export async function postSignIn(path: string, body: unknown, wrong: string): Promise<FormAnswer<Answer>> {
  const response = await fetch(`/api/auth${path}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  }).catch(() => null);
  if (!response) return refused("No connection to the studio's server. What you typed is still here.");
  const said = (await response.json().catch(() => null)) as { twoFactorRedirect?: boolean; code?: string } | null;
  if (response.ok) return { ok: true, data: { needsCode: said?.twoFactorRedirect === true } };
  const retry = Number(response.headers.get("x-retry-after") ?? response.headers.get("retry-after") ?? 0);
  if (response.status === 429)
    return refused(`Too many tries. ${retry > 0 && retry < 120 ? `Wait ${retry} seconds.` : "Wait a quarter of an hour."}`);
  if (said?.code === "DEACTIVATED") return refused("You were deactivated in this studio. Its owner can bring you back.");
  if (said?.code === "CODE_USED") return refused("This code was used already. Wait for the next one.");
  return refused(response.status >= 500 ? noAnswer("Try again in a moment.") : wrong);
}
