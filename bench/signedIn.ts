import type { Browser, Page } from "@playwright/test";

/** A page of the demo's owner, signed in by request so that no form is timed or compiled. */
export async function signedInPage(browser: Browser, url: string, password: string): Promise<Page> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: url });
  const answer = await page.request.post("/api/auth/sign-in/email", {
    data: { email: "maren@tideroom.example", password },
    headers: { origin: url },
  });
  if (!answer.ok()) throw new Error(`Sign-in answered ${answer.status()}.`);
  return page;
}
