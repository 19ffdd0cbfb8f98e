import type { Account, Member } from "@/server/member";

/** Stands in for "@/server/member" where there is no request: whoever `actAs` named is signed in. */
let signedIn: Member | null = null;
export const actAs = (member: Member | null) => void (signedIn = member);
export const acting = () => signedIn!;

export const currentMember = async () => signedIn;
/** In a session of no table, with no second factor, unless a test says otherwise. */
const usual = {
  email: "",
  sessionId: "00000000-0000-4000-8000-000000000000",
  hasSecondFactor: false,
  demandsSecondFactor: false,
  lacksSecondFactor: false,
};
let account: Partial<Account> = {};
export const accountIs = (change: Partial<Account>) => void (account = change);
export const accountOf = (member: Member): Account => ({ ...usual, member, ...account });
export const currentAccount = async () => signedIn && accountOf(signedIn);
export const requireMember = async () => signedIn;
const RANKS = { trainee: 0, technician: 1, owner: 2 } as const;
export const mayActAs = (member: Member, least: Member["role"]) => RANKS[member.role] >= RANKS[least];
/** No tablet is in a client's hands where there is no tablet. */
export const handedTo = async () => null;
export const handOver = async () => undefined;
export const takeBack = async () => false;
