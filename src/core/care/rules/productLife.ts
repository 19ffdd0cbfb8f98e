import { finding, type CareRule } from "../facts";
import { productAge } from "../productLife";

/** Products past their printed date, or past their life after opening. */
export const productLife: CareRule = (_service, { products, today }) =>
  products.flatMap((product) => {
    const { weight, words } = productAge(product, today);
    return weight && words ? [finding("productLife", weight, words, product.productId)] : [];
  });
