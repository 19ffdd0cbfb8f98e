/** What every sheet says of the field in which one's own password is asked. */
export const ownPasswordField = { label: "Your password", type: "password", autoComplete: "current-password", dir: "ltr" } as const;
