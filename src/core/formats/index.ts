export { mapFileSchema, type MapFile, MAP_FILE_FORMAT, writeMapFile, readMapFile, type ReadProblem } from "./mapFile";
export { mapFileJsonSchema } from "./mapFileJsonSchema";
export { eyesSvg } from "./eyesSvg";
export { PAPERS, type Paper } from "./papers";
export { zoneRows } from "./zoneRows";
export { trolleyBrief, type TrolleyBrief } from "./trolleyBrief";
export {
  guessSeparator,
  guessTable,
  headingOf,
  readTable,
  numberIn,
  parseTime,
  DATE_ORDERS,
  type DateOrder,
  type TableReading,
  type TableGuess,
  type TableRow,
  type TableTime,
} from "./readingsTable";
export { stripName } from "./stripName";
export { CLIENT_FIELDS, readClientTable, type ClientField, type ClientRow, type ClientTableReading, type ReadClient } from "./clientTable";
export { DAY_ORDERS, readDay, type DayOrder } from "./dayOfBirth";
export { guessClientTable, type ClientTableGuess } from "./guessClientTable";
