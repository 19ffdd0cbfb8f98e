import { format } from "date-fns";
import { tz } from "@date-fns/tz";
import { loadDemo } from "./load";
import { STUDIO } from "./scenario";

const { IVY_OWNER_URL: url, IVY_DEMO_PASSWORD: password, IVY_DEMO_TOKENS: tokens } = process.env;
if (!url || !password || !tokens) throw new Error("IVY_OWNER_URL, IVY_DEMO_PASSWORD and IVY_DEMO_TOKENS are needed.");
const today = process.env.IVY_DEMO_TODAY ?? format(new Date(), "yyyy-MM-dd", { in: tz(STUDIO.timeZone) });
console.log(await loadDemo(url, today, { password, tokens: JSON.parse(tokens) as Record<string, string> }));
