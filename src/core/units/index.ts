export { degToRad, radToDeg } from "./angle";
export { celsiusToKelvin, celsiusToFahrenheit } from "./temperature";
export { clamp } from "./clamp";
export { anMm, formatClock, formatHours, formatMm, formatPercent, counted, sentence } from "./format";
export { mulberry32 } from "./mulberry32";
export { standardNormal } from "./standardNormal";
export { isStorable } from "./storable";
export { spreadApart } from "./spreadApart";
