import { STEFAN_BOLTZMANN, VAPOUR_TO_AIR, ZERO_C_K } from '../physics/constants'

const { cos, exp, log, max, min } = Math

/** Standard pressure at a height above the sea, Pa; −400 to 9000 m. ICAO standard atmosphere. */
export function standardPressurePa(elevationM: number): number {
  return 101325 * (1 - 2.25577e-5 * elevationM) ** 5.25588
}

/**
 * Saturation vapour pressure, Pa, over water above 0 °C and over ice below; −60 to 80 °C. Magnus form, Alduchov &
 * Eskridge 1996, within 0.4 %.
 */
export function saturationPressurePa(temperatureC: number): number {
  return temperatureC >= 0
    ? 610.94 * exp((17.625 * temperatureC) / (temperatureC + 243.04))
    : 611.21 * exp((22.587 * temperatureC) / (temperatureC + 273.86))
}

/** Saturation pressure from −60 to 80 °C in steps of a quarter: the time loop asks for it a million times a year. */
const SATURATED = Float64Array.from({ length: 562 }, (_, i) => saturationPressurePa(i / 4 - 60))

/**
 * As {@link saturationPressurePa}, straight between tabled points (within 5 parts in 100 000), the formula itself
 * beyond −60 to 80 °C.
 */
export function tabledSaturationPa(temperatureC: number): number {
  const s = (temperatureC + 60) * 4
  if (!(s >= 0 && s < 561)) return saturationPressurePa(temperatureC)
  const i = s | 0
  return SATURATED[i]! + (SATURATED[i + 1]! - SATURATED[i]!) * (s - i)
}

/** Vapour is at most this share of the whole pressure: nearer to boiling, air is no mixture to reckon with any more. */
const MOST_VAPOUR = 0.8

/**
 * Humidity ratio, kg water per kg dry air, from vapour and total pressure in Pa. It ends at 2.5, a few kelvins below
 * boiling.
 */
export function humidityRatio(vapourPa: number, pressurePa: number): number {
  const vapour = min(vapourPa, MOST_VAPOUR * pressurePa)
  return (VAPOUR_TO_AIR * vapour) / (pressurePa - vapour)
}

/**
 * Rise of the saturated humidity ratio with temperature, 1/K, from the ratio itself: the Magnus form over water, and
 * the dry air that gives way. −60 to 95 °C.
 */
export function saturatedSlope(temperatureC: number, ratio: number): number {
  return (ratio * (1 + ratio / VAPOUR_TO_AIR) * 17.625 * 243.04) / ((temperatureC + 243.04) * (temperatureC + 243.04))
}

/**
 * Longwave radiation from the sky on a horizontal plane, W/m². Emissivity of a clear sky by Berdahl & Martin 1984 from
 * the dew point (−20 to 30 °C) and the hour, filled towards 1 by cloud with the weight 0.8.
 */
export function skyInfraredWm2(
  dryBulbC: number,
  dewPointC: number,
  cloud: number,
  hourOfDay: number,
  pressurePa: number,
): number {
  const d = dewPointC / 100
  const clear =
    0.711 + 0.56 * d + 0.73 * d * d + 0.013 * cos((2 * Math.PI * hourOfDay) / 24) + 0.00012 * (pressurePa / 100 - 1000)
  const emissivity = clear + (1 - clear) * 0.8 * cloud
  const square = (dryBulbC + ZERO_C_K) * (dryBulbC + ZERO_C_K)
  return emissivity * STEFAN_BOLTZMANN * square * square
}

/** Dew point from relative humidity (0–1], inverse of the Magnus form over water. */
export function dewPointC(temperatureC: number, relativeHumidity: number): number {
  const g = log(max(0.01, relativeHumidity)) + (17.625 * temperatureC) / (temperatureC + 243.04)
  return (243.04 * g) / (17.625 - g)
}
