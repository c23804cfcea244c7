import { DAYS, HOURS, MONTH_DAYS, MONTH_NAMES, MONTH_OF_DAY, MONTH_START } from '../climate/types'
import type { AimLine } from '../aim/aim-line'

/** The day that stands at a share of the way through the year, 0–364. */
export const dayAlong = (share: number): number => Math.max(0, Math.min(DAYS - 1, Math.floor(share * DAYS)))

/** The hour at a place of a map with a column a day and a row an hour, midnight above: shares of its sides. */
export const hourAlong = (across: number, down: number): number =>
  dayAlong(across) * 24 + Math.max(0, Math.min(23, Math.floor(down * 24)))

/** The least and the most of a year's hours; the most is above the least where all are one. */
export function rangeOfYear(hours: Float32Array): { low: number; high: number } {
  let [low, high] = [Infinity, -Infinity]
  for (const v of hours) {
    if (v < low) low = v
    if (v > high) high = v
  }
  return { low, high: high > low ? high : low + 1 }
}

/** So far beyond a limit the colour is at its deepest, K. */
const DEEPEST_K = 8

/** How an hour stands on the map: too cold, too hot, or between; and how deep, 0 to 1. */
export interface MapCell {
  tone: 'cold' | 'hot' | 'between'
  depth: number
}

/**
 * The cells of a map.
 * @param parted whether the hours are temperatures, which part at a limit
 * @param asked the limits of each month; null: at 0 °C, and none above
 */
export function mapCells(hours: Float32Array, parted: boolean, asked: AimLine | null): MapCell[] {
  const { low, high } = rangeOfYear(hours)
  return Array.from({ length: HOURS }, (_, h): MapCell => {
    const v = hours[h]!
    const month = MONTH_OF_DAY[Math.floor(h / 24)]!
    const coldest = parted ? (asked?.lowC[month] ?? 0) : -Infinity
    const hottest = parted ? (asked?.highC[month] ?? Infinity) : Infinity
    if (v < coldest) return { tone: 'cold', depth: Math.min(1, (coldest - v) / DEEPEST_K) }
    if (v > hottest) return { tone: 'hot', depth: Math.min(1, (v - hottest) / DEEPEST_K) }
    return { tone: 'between', depth: (v - low) / (high - low) }
  })
}

/** Hours of the day at which the map's table begins its rows, and how many each takes. */
export const SLOT_HOURS = 3
export const SLOTS = Array.from({ length: 24 / SLOT_HOURS }, (_, i) => i * SLOT_HOURS)

/** Means of each month by {@link SLOTS}. */
export function slotMeans(hours: Float32Array): { name: string; means: number[] }[] {
  return MONTH_NAMES.map((name, m) => ({
    name,
    means: SLOTS.map(slot => {
      let sum = 0
      for (let d = MONTH_START[m]!; d < MONTH_START[m]! + MONTH_DAYS[m]!; d++)
        for (let i = 0; i < SLOT_HOURS; i++) sum += hours[d * 24 + slot + i]!
      return sum / (SLOT_HOURS * MONTH_DAYS[m]!)
    }),
  }))
}
