import { serviceOf, type ServiceId } from "../service";
import { finding, gravestFirst, type CareFinding } from "./facts";
import { productAge, type UsedProduct } from "./productLife";

type Aged = Pick<UsedProduct, "productId" | "name" | "family" | "openedOn" | "lifeAfterOpeningDays" | "expiresOn">;

/** What stands against products for their age on a day (ISO): past their printed date, or their life after opening. */
export const productFindings = (products: readonly Aged[], today: string): CareFinding[] =>
  products.flatMap((product) => {
    const { weight, words } = productAge(product, today);
    return weight && words ? [finding("productLife", weight, words, product.productId)] : [];
  });

/** What stands against a service once products are chosen for it, as the server will find it. A mannequin head is harmed by none. */
export const withProducts = (
  service: ServiceId,
  findings: readonly CareFinding[],
  products: readonly Aged[],
  today: string,
): CareFinding[] => gravestFirst([...(serviceOf(service).onClient ? productFindings(products, today) : []), ...findings]);
