import type { CareRule } from "../facts";
import { productFindings } from "../productFindings";

/** Products past their printed date, or past their life after opening. */
export const productLife: CareRule = (_service, { products, today }) => productFindings(products, today);
