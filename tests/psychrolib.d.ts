declare module "psychrolib" {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetSatVapPres(temperatureC: number): number;
    GetVapPresFromRelHum(temperatureC: number, relativeHumidity: number): number;
    GetRelHumFromVapPres(temperatureC: number, vapourPressurePa: number): number;
    GetTDewPointFromRelHum(temperatureC: number, relativeHumidity: number): number;
  };
  export default psychrolib;
}
