import type { Design } from '../core/design'
import { patchDesign, type Patch } from '../core/editing'
import { dayNumber } from '../core/plan/calendar'
import { emptyLog, nominalDay, type HourlyLog } from '../core/season/log'
import type { YearEngine } from '../core/year'
import { yearOf } from './shared/years'

/** What is hidden in a house that readings are made from. */
export const HIDDEN: Patch[] = [
  ['breathe.leakage', 'measured'],
  ['breathe.ach50', 18],
  ['skin.cover.fit', 'loose'],
  ['site.soil', 'sandy-soil'],
]

/** A log as a logger in a house like this would have read it, to the tenth of a degree, in another year's weather. */
export function readingsOf(
  design: Design,
  {
    seed,
    from,
    days,
    hidden = HIDDEN,
    soil = false,
    house,
  }: {
    seed: number
    from: string
    days: number
    hidden?: Patch[]
    soil?: boolean
    /** A house to read in; a real one where none is given. */
    house?: YearEngine
  },
): HourlyLog {
  const read = patchDesign(design, [...hidden, ['site.seed', seed]])
  const start = dayNumber(from)
  const { series, site } = house
    ? {
        series: house.span(read, house.site(read), { fromDay: nominalDay(start), hours: days * 24 }),
        site: house.site(read),
      }
    : yearOf(read)
  const log = emptyLog(start * 24, days * 24)
  const tenth = (v: number) => Math.round(v * 10) / 10
  for (let n = 0; n < log.hours; n++) {
    const h = (nominalDay(start) * 24 + n) % 8760
    log.values.insideC[n] = tenth(series.airC[h]!)
    log.values.outsideC[n] = tenth(site.dryBulbC[h]!)
    if (soil) log.values.soilC[n] = tenth(series.soilC[h]!)
  }
  return log
}
