import type { AuditKind } from "@/db/schema";

/** What the list says of each kind, after the name of who did it; `to` where it was done to somebody. */
export const AUDIT_WORDS: Readonly<Record<AuditKind, string>> = {
  signedIn: "signed in",
  signInFailed: "failed to sign in",
  signedOut: "signed out",
  passwordChanged: "changed their password",
  passwordSet: "chose a password by a link",
  linkMade: "made a link for a password",
  sessionsEnded: "ended sign-ins of their own",
  secondFactorOn: "set up a second factor",
  secondFactorOff: "took a second factor off",
  recoveryCodesRenewed: "made new recovery codes",
  secondFactorDemanded: "asked a second factor of everybody",
  secondFactorLeftFree: "left the second factor to each",
  invited: "invited",
  nameChanged: "changed their name",
  emailChanged: "changed the e-mail address they sign in with",
  roleChanged: "changed a role",
  deactivated: "deactivated",
  broughtBack: "brought back",
  stopLifted: "lifted a stop",
  tokenGiven: "gave a hygrometer a token",
  exported: "exported",
  clientOpened: "opened a client’s record",
  clientsMerged: "merged another entry into a client",
  mergeUndone: "took a merge apart",
  clientErased: "erased a client",
};

/** Kinds that are looked for together. */
export const AUDIT_GROUPS = {
  signIn: {
    label: "Signing in",
    kinds: [
      "signedIn",
      "signInFailed",
      "signedOut",
      "passwordChanged",
      "passwordSet",
      "emailChanged",
      "sessionsEnded",
      "secondFactorOn",
      "secondFactorOff",
      "recoveryCodesRenewed",
    ],
  },
  failed: { label: "Failed sign-ins", kinds: ["signInFailed"] },
  people: {
    label: "People",
    kinds: [
      "invited",
      "linkMade",
      "nameChanged",
      "roleChanged",
      "deactivated",
      "broughtBack",
      "secondFactorDemanded",
      "secondFactorLeftFree",
      "tokenGiven",
    ],
  },
  stops: { label: "Stops lifted", kinds: ["stopLifted"] },
  exports: { label: "Exports", kinds: ["exported"] },
  records: { label: "Records opened", kinds: ["clientOpened"] },
  clients: { label: "Clients merged or erased", kinds: ["clientsMerged", "mergeUndone", "clientErased"] },
} as const satisfies Readonly<Record<string, { label: string; kinds: readonly AuditKind[] }>>;
export type AuditGroup = keyof typeof AUDIT_GROUPS;
