import { equationOfTimeMin, sunDay } from './day'
import { sunPosition } from './position'

/**
 * A moment of a stick's shadow: clock time, and the shadow's length for a stick of one metre, with the azimuth it
 * points to.
 */
export interface StickShadow {
  clockH: number
  lengthM: number
  pointsToDeg: number
}

/**
 * What a builder needs to find true north on a day. Clock times are hours of the local clock, daylight saving included
 * where `clockOffsetH` includes it.
 */
export interface TrueNorthDay {
  /** Solar noon on the clock. */
  noonClockH: number
  /** Noon shadow of a stick of one metre, m; null where the sun is down at noon. */
  noonShadowM: number | null
  /** Where the noon shadow points: 0 north, 180 south. */
  noonPointsToDeg: number
  equationOfTimeMin: number
  /** Shadows about noon, every quarter of an hour for an hour and a half either side. */
  shadows: StickShadow[]
}

/**
 * Solar noon and the shadows round it.
 * @param middayUtcMs an instant near the middle of the day
 * @param clockOffsetH hours that the clock runs ahead of UTC on that day
 */
export function trueNorthDay(
  middayUtcMs: number,
  latitudeDeg: number,
  longitudeDeg: number,
  clockOffsetH: number,
): TrueNorthDay {
  const { solarNoonUtc } = sunDay(middayUtcMs, latitudeDeg, longitudeDeg)
  const clock = (utc: number) => (((utc / 3600000 + clockOffsetH) % 24) + 24) % 24
  const shadow = (utc: number): StickShadow | null => {
    const p = sunPosition(utc, latitudeDeg, longitudeDeg)
    return p.altitudeDeg < 2
      ? null
      : {
          clockH: clock(utc),
          lengthM: 1 / Math.tan((p.altitudeDeg * Math.PI) / 180),
          pointsToDeg: (p.azimuthDeg + 180) % 360,
        }
  }
  const noon = shadow(solarNoonUtc)
  const shadows = Array.from({ length: 13 }, (_, i) => shadow(solarNoonUtc + (i - 6) * 900000)).filter(s => s !== null)
  return {
    noonClockH: clock(solarNoonUtc),
    noonShadowM: noon?.lengthM ?? null,
    noonPointsToDeg: noon ? Math.round(noon.pointsToDeg) % 360 : latitudeDeg >= 0 ? 0 : 180,
    equationOfTimeMin: equationOfTimeMin(solarNoonUtc),
    shadows,
  }
}

/** What a compass reads when it points along a true azimuth. Declination east positive, degrees. */
export function compassReading(trueAzimuthDeg: number, declinationDeg: number): number {
  return (((trueAzimuthDeg - declinationDeg) % 360) + 360) % 360
}
