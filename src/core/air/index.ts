export { airSchema, type Air } from "./schema";
export { saturationPressurePa } from "./saturationPressure";
export { airWord } from "./airWord";
export { vapourDensityGm3, WATER_VAPOUR_GAS_CONSTANT } from "./vapourDensity";
export { humidityFrom } from "./humidityFrom";
export { dewPointC } from "./dewPoint";
export { pressureAtAltitudePa, SEA_LEVEL_PA } from "./pressure";
export { humidityRatio } from "./humidityRatio";
export { airDensityKgM3 } from "./airDensity";
export { wetBulbC } from "./wetBulb";
export { waterToReachG, temperatureForHumidityC } from "./room";
export { roomTraitsSchema, roomTraitsDocument, usualRoomTraits, type RoomTraits } from "./roomTraits";
export {
  waterBalance,
  steadyStateGm3,
  densityAfterGm3,
  hoursToDensity,
  PERSON_G_PER_H,
  PEOPLE_AT_WORK,
  PEOPLE_BEFORE,
  type WaterBalance,
} from "./roomBalance";
export { roomPlan, airAfter, dewOnGlass, WALLS_HOLD, EVAPORATION_KJ_PER_G, type RoomPlan, type Range } from "./roomPlan";
export { machineWays, type MachineWay } from "./machineWays";
export { saltHumidity, saltTest, corrected, MOST_OFFSET, type Calibration, type SaltTest } from "./calibration";
export { readingFaults, standingFault, silenceAllowedMs, FAULTS, type DatedAir, type ReadingFault } from "./readingFaults";
export { sensorDrift, type HourPair, type SensorDrift } from "./sensorDrift";
export { outlook, type HourAir, type OutlookHour } from "./outlook";
export { leastSquares } from "./leastSquares";
export { roomSource, inOrderOfTrust, onePerMinute, HEARD_WITHIN_MS, FRESH_AIR_MS, type RoomSource } from "./roomSource";
export { freshAir, isOfNow, shownAir, type RoomAir, type RoomWithAir } from "./roomAir";
