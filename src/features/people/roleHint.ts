/** What the roles are, where one is chosen. */
export const ROLE_HINT =
  "A trainee plans and works, but changes no policy and archives nothing. An owner also invites people and reads the audit list.";
