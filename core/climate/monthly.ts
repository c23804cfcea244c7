import { DAYS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START } from './types'

/** Means by month of a daily series (365 long). */
export function monthlyMeans(daily: ArrayLike<number>): number[] {
  const sums = new Array<number>(12).fill(0)
  for (let d = 0; d < DAYS; d++) sums[MONTH_OF_DAY[d]!]! += daily[d]!
  return sums.map((s, m) => s / MONTH_DAYS[m]!)
}

/** Mean daily lowest and highest temperature by month, °C, of an hourly year (8760 long). */
export function monthlyNormals(dryBulbC: ArrayLike<number>): { lowC: number[]; highC: number[] } {
  const low = new Float64Array(DAYS).fill(Infinity)
  const high = new Float64Array(DAYS).fill(-Infinity)
  for (let h = 0; h < dryBulbC.length; h++) {
    const d = Math.floor(h / 24)
    low[d] = Math.min(low[d]!, dryBulbC[h]!)
    high[d] = Math.max(high[d]!, dryBulbC[h]!)
  }
  return { lowC: monthlyMeans(low), highC: monthlyMeans(high) }
}

/** Mean temperature of each month, °C, from its mean daily low and high. */
export const monthMeans = ({ lowC, highC }: { lowC: readonly number[]; highC: readonly number[] }): number[] =>
  lowC.map((low, m) => (low + highC[m]!) / 2)

function throughKnots(knots: readonly number[]): Float64Array {
  const daily = new Float64Array(DAYS)
  for (let d = 0; d < DAYS; d++) {
    const m = MONTH_OF_DAY[d]!
    const middle = MONTH_START[m]! + MONTH_DAYS[m]! / 2
    const later = d + 0.5 >= middle
    const other = (m + (later ? 1 : 11)) % 12
    const gap = (MONTH_DAYS[m]! + MONTH_DAYS[other]!) / 2
    const t = Math.abs(d + 0.5 - middle) / gap
    daily[d] = knots[m]! * (1 - t) + knots[other]! * t
  }
  return daily
}

/**
 * A daily series, unbroken at month ends and round the year, whose monthly means are `means` (within 1e-6 of their
 * spread).
 */
export function smoothDaily(means: readonly number[]): Float64Array {
  unmixed ??= unmix()
  const weights = unmixed
  return throughKnots(means.map((_, m) => means.reduce((sum, mean, k) => sum + weights[k]![m]! * mean, 0)))
}

/** Adds to each day what its month lacks: smoothly from month to month, and the rest to the month as a whole. */
export function shiftMonths(daily: Float64Array, off: readonly number[]): void {
  const smooth = smoothDaily(off)
  for (let d = 0; d < DAYS; d++) daily[d] = daily[d]! + smooth[d]!
}

/** Knots for a mean of one in each month by itself: what they are for other means is their sum. */
let unmixed: number[][] | null = null

function unmix(): number[][] {
  return Array.from({ length: 12 }, (_, month) => {
    const wanted = Array.from({ length: 12 }, (_, m) => Number(m === month))
    const knots = [...wanted]
    for (let i = 0; i < 60; i++) {
      const got = monthlyMeans(throughKnots(knots))
      got.forEach((g, m) => {
        knots[m] = knots[m]! + wanted[m]! - g
      })
    }
    return knots
  })
}
