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
    ? vapourAtDewPointPa(temperatureC)
    : 611.21 * exp((22.587 * temperatureC) / (temperatureC + 273.86))
}

/**
 * Vapour pressure at a dew point, Pa: over water at any temperature, as weather services and weather files mean it.
 * Magnus form, Alduchov & Eskridge 1996.
 */
export const vapourAtDewPointPa = (dewPointC: number): number =>
  610.94 * exp((17.625 * dewPointC) / (dewPointC + 243.04))

/** Air that a ray passes for each that one from straight above does. Kasten & Young 1989. */
export const airMass = (altitudeDeg: number): number =>
  1 / (Math.sin((altitudeDeg * Math.PI) / 180) + 0.50572 * (altitudeDeg + 6.07995) ** -1.6364)

/** Linke's turbidity of a very clean sky. */
const CLEANEST = 2

/**
 * Share of what arrives above the air that reaches a plane parallel to its top under a very clean, clear sky, by the
 * height of the sun above the horizon, degrees, at a pressure, Pa. Ineichen & Perez 2002, without their correction for
 * circumsolar light.
 */
export function clearestShare(altitudeDeg: number, pressurePa: number): number {
  if (altitudeDeg <= 0) return 0
  const elevationM = (1 - (pressurePa / 101325) ** (1 / 5.25588)) / 2.25577e-5
  const low = exp(-elevationM / 8000) + exp(-elevationM / 1250) * (CLEANEST - 1)
  const passed = airMass(altitudeDeg) * (pressurePa / 101325)
  return (5.09e-5 * elevationM + 0.868) * exp(-(3.92e-5 * elevationM + 0.0387) * passed * low)
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

/** Dew point from relative humidity (0–1], both over water: the inverse of {@link vapourAtDewPointPa}. */
export function dewPointC(temperatureC: number, relativeHumidity: number): number {
  const g = log(max(0.01, relativeHumidity)) + (17.625 * temperatureC) / (temperatureC + 243.04)
  return (243.04 * g) / (17.625 - g)
}
