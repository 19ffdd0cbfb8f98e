import psychrolib from "psychrolib";
import { dewPointC, saturationPressurePa, vapourDensityGm3 } from "@/core/air";
import { medianMs, ms, printTable, ratioOf } from "./measure";

psychrolib.SetUnitSystem(psychrolib.SI);
const airs = Array.from({ length: 2000 }, (_, i) => ({ temperatureC: 5 + (i % 71) / 2, relativeHumidity: 0.05 + ((i * 7) % 91) / 100 }));

const pairs = [
  [
    "saturation pressure, 2,000 airs",
    () => airs.map((air) => saturationPressurePa(air.temperatureC)),
    () => airs.map((air) => psychrolib.GetSatVapPres(air.temperatureC)),
  ],
  [
    "vapour density, 2,000 airs",
    () => airs.map(vapourDensityGm3),
    () =>
      airs.map(
        ({ temperatureC, relativeHumidity }) =>
          (1000 * psychrolib.GetVapPresFromRelHum(temperatureC, relativeHumidity)) / (461.52 * (temperatureC + 273.15)),
      ),
  ],
  [
    "dew point, 2,000 airs",
    () => airs.map(dewPointC),
    () => airs.map(({ temperatureC, relativeHumidity }) => psychrolib.GetTDewPointFromRelHum(temperatureC, relativeHumidity)),
  ],
] as const;

printTable(
  "Air, against psychrolib 1.1.1",
  pairs.map(([what, ours, theirs]) => {
    const [a, b] = [medianMs(ours), medianMs(theirs)];
    return { what, ours: ms(a), yardstick: ms(b), ratio: ratioOf(a, b) };
  }),
);
