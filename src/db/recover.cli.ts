import { recover } from "./recover";

const { IVY_OWNER_URL: url, IVY_RECOVER_EMAIL: email, IVY_RECOVER_FACTOR_OFF: factorOff, IVY_BASE_URL: base } = process.env;
if (!url || !email) throw new Error("IVY_OWNER_URL and IVY_RECOVER_EMAIL are needed.");
const found = await recover(url, email, { secondFactorOff: factorOff === "yes" });
if (!found.ok) {
  console.error(found.why);
  process.exitCode = 1;
} else {
  const where = base ? "" : "\nPut the address that the studio is reached at before it (IVY_BASE_URL does that).";
  console.log(
    `\nFor ${found.name}, ${found.role}: this link works once, for ${found.hours} hours. A new password ends every sign-in of theirs.\n\n  ${base ?? ""}/link/${found.token}\n${where}`,
  );
}
