/**
 * One draw of a standard normal from two numbers in 0..1: Box and Muller, Annals of Mathematical Statistics 29 (1958) 610-611.
 */
export const standardNormal = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
