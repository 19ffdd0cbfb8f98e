export { LASH_CYCLE, grownMm } from "./cycle";
