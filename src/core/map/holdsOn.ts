/** Less contact than this is not held. A model of this product: C on a straight lash comes to 0.96 and is what fails. */
export const LEAST_CONTACT_MM = 1;
/** From here on lashes point down, degrees: half way between level and down. */
const DOWN_FROM_DEG = -12.5;

/** Does a base that touches over so much hold on lashes of this angle? On lashes that do not point down any contact does. */
export function holdsOn(contactMm: number, angleDeg: number): boolean {
  return angleDeg > DOWN_FROM_DEG || contactMm >= LEAST_CONTACT_MM;
}
