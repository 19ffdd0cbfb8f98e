/** Reads a survey form that was kept on the tablet. What it is read by is fetched where one is found. */
export const readKeptForm = (document: unknown) => import("./readForm").then((module) => module.readKeptForm(document));
