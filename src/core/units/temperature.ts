/** °C to K. `celsiusToKelvin(22)` → 295.15 */
export function celsiusToKelvin(temperatureC: number): number {
  return temperatureC + 273.15;
}

/** °C to °F, for display only. `celsiusToFahrenheit(22)` → 71.6 */
export function celsiusToFahrenheit(temperatureC: number): number {
  return temperatureC * 1.8 + 32;
}
