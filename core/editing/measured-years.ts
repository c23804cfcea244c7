import { MOST_OTHER_YEARS } from '../design/fields/climate'
import type { HourlyClimate, MeasuredYear } from '../design/types'

/** A measured year by itself, without what belongs to the climate about it. */
function yearOf(climate: HourlyClimate): MeasuredYear {
  const year: MeasuredYear & Partial<HourlyClimate> = { ...climate }
  delete year.kind
  delete year.at
  delete year.others
  return year
}

/** The measured years of a climate: the one that the house is worked out in, then the others. */
export const measuredYears = (climate: HourlyClimate): MeasuredYear[] => [yearOf(climate), ...(climate.others ?? [])]

/** A climate of measured years, the first of them the one that the house is worked out in. At least one. */
function climateOf({ at }: Pick<HourlyClimate, 'at'>, [first, ...others]: readonly MeasuredYear[]): HourlyClimate {
  return { kind: 'hourly', ...(at ? { at } : {}), ...first!, ...(others.length > 0 ? { others } : {}) }
}

/**
 * More measured years of the place, beside those that are there; a file of the same name takes its own place again.
 * null where there are too many.
 */
export function withYears(climate: HourlyClimate, years: readonly MeasuredYear[]): HourlyClimate | null {
  const all = measuredYears(climate)
  for (const year of years) {
    const i = all.findIndex(y => y.source === year.source)
    if (i < 0) all.push(year)
    else all[i] = year
  }
  return all.length > MOST_OTHER_YEARS + 1 ? null : climateOf(climate, all)
}

/** The climate with the house worked out in another of its years. */
export function inYear(climate: HourlyClimate, index: number): HourlyClimate {
  const all = measuredYears(climate)
  return climateOf(climate, [all[index]!, ...all.filter((_, i) => i !== index)])
}

/** The climate without one of its years; null where it is the only one. */
export function withoutYear(climate: HourlyClimate, index: number): HourlyClimate | null {
  const left = measuredYears(climate).filter((_, i) => i !== index)
  return left.length === 0 ? null : climateOf(climate, left)
}
