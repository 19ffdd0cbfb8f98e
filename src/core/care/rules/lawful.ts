import { finding, type CareRule } from "../facts";

/** Lash tint only where the owner has confirmed that it is lawful at the studio's place. */
export const lawful: CareRule = (service, _facts, { lashTintLawful }) =>
  lashTintLawful !== "confirmed" && service.counts.some(({ treatment, part }) => treatment === "tint" && part === "lashes")
    ? [
        finding(
          "lawful",
          "stop",
          "The owner has not confirmed yet that lash tint is lawful here: some places forbid it, some allow few dyes. Studio, policy, care.",
        ),
      ]
    : [];
