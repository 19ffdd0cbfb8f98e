export { airSchema, type Air } from "./schema";
export { saturationPressurePa } from "./saturationPressure";
export { vapourDensityGm3, WATER_VAPOUR_GAS_CONSTANT } from "./vapourDensity";
export { dewPointC } from "./dewPoint";
export { waterToReachG, temperatureForHumidityC } from "./room";
