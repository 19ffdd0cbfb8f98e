declare module "psychrolib" {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetSatVapPres(temperatureC: number): number;
    GetVapPresFromRelHum(temperatureC: number, relativeHumidity: number): number;
    GetRelHumFromVapPres(temperatureC: number, vapourPressurePa: number): number;
    GetStandardAtmPressure(altitudeM: number): number;
    GetHumRatioFromRelHum(temperatureC: number, relativeHumidity: number, pressurePa: number): number;
    GetMoistAirDensity(temperatureC: number, humidityRatio: number, pressurePa: number): number;
    GetTWetBulbFromRelHum(temperatureC: number, relativeHumidity: number, pressurePa: number): number;
    GetTDewPointFromRelHum(temperatureC: number, relativeHumidity: number): number;
  };
  export default psychrolib;
}
