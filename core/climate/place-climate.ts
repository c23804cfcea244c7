import { RAD } from '../physics/constants'
import type { ClimatePlace, NormalsClimate } from '../design/types'
import { monthlyMeans } from './monthly'
import { dayLengthH } from './radiation'
import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START, type SiteYear } from './types'

const { acos, cos, max, min, sin } = Math
const EARTH_KM = 6371

/** Distance over the ground between two places, km. Great circle on a sphere. */
export function distanceKm(
  a: Pick<ClimatePlace, 'latitudeDeg' | 'longitudeDeg'>,
  b: Pick<ClimatePlace, 'latitudeDeg' | 'longitudeDeg'>,
): number {
  const along = (b.longitudeDeg - a.longitudeDeg) * RAD
  const c =
    sin(a.latitudeDeg * RAD) * sin(b.latitudeDeg * RAD) +
    cos(a.latitudeDeg * RAD) * cos(b.latitudeDeg * RAD) * cos(along)
  return EARTH_KM * acos(max(-1, min(1, c)))
}

/** Hottest month of monthly highs, 0–11. */
export function hottestMonth(highC: readonly number[]): number {
  return highC.indexOf(max(...highC))
}

/**
 * Whether the months of a climate look as if they were those of the other hemisphere. Near the equator nothing can be
 * told.
 */
export function looksTurned(highC: readonly number[], latitudeDeg: number): boolean {
  const hottest = hottestMonth(highC)
  return Math.abs(latitudeDeg) >= 20 && (hottest >= 3 && hottest <= 8) !== latitudeDeg >= 0
}

/** Every monthly series half a year on. */
export function turnedByHalfYear(climate: NormalsClimate): NormalsClimate {
  return Object.fromEntries(
    Object.entries(climate).map(([key, v]) => [
      key,
      Array.isArray(v) ? v.map((_, m) => (v as number[])[(m + 6) % 12]!) : v,
    ]),
  ) as unknown as NormalsClimate
}

/** The monthly figures that a climate may leave out. */
export type OptionalSeries = 'sunshineH' | 'globalJm2' | 'humidity' | 'windMs' | 'snowDays'

/**
 * What a year of weather shows of them, for a person to begin with: rounded as they are typed. Sunshine is the
 * Ångström–Prescott inverse of the light.
 */
export function seriesOfYear(
  year: Pick<
    SiteYear,
    | 'globalWm2'
    | 'extraterrestrialWm2'
    | 'sunAltitudeDeg'
    | 'dryBulbC'
    | 'dewPointC'
    | 'windMs'
    | 'snowM'
    | 'latitudeDeg'
  >,
): Record<OptionalSeries, number[]> {
  const daily = (of: (h: number) => number) =>
    monthlyMeans(
      Float64Array.from({ length: DAYS }, (_, d) => {
        let sum = 0
        for (let h = d * 24; h < d * 24 + 24; h++) sum += of(h)
        return sum / 24
      }),
    )
  const round = (list: readonly number[], to: number) => list.map(v => Math.round(v / to) * to)
  const global = daily(h => year.globalWm2[h]!).map(w => w * 86400)
  const above = daily(h => year.extraterrestrialWm2[h]! * max(0, sin(year.sunAltitudeDeg[h]! * RAD))).map(
    w => w * 86400,
  )
  const magnus = (t: number) => (17.625 * t) / (t + 243.04)
  const snow = new Array<number>(12).fill(0)
  for (let h = 12; h < HOURS; h += 24) if (year.snowM[h]! > 0) snow[MONTH_OF_DAY[(h / 24) | 0]!]!++
  return {
    globalJm2: round(global, 3.6e5),
    sunshineH: global.map((g, m) => {
      const length = dayLengthH(MONTH_START[m]! + MONTH_DAYS[m]! / 2, year.latitudeDeg)
      return above[m]! > 0 ? Math.round(max(0, min(1, (g / above[m]! - 0.25) / 0.5)) * length * 10) / 10 : 0
    }),
    humidity: round(
      daily(h => min(1, Math.exp(magnus(year.dewPointC[h]!) - magnus(year.dryBulbC[h]!)))),
      0.01,
    ).map(v => max(0.05, v)),
    windMs: round(
      daily(h => year.windMs[h]!),
      0.1,
    ),
    snowDays: snow,
  }
}
