import { HOURS } from '../../climate/types'
import type { SumContext } from './entry'

/** Loss of a house for a kelvin by night, W/K: its skin with the covers drawn, and its leaks. */
function nightUaWK({ answers }: Pick<SumContext, 'answers'>): number {
  return answers.ua.byElement.reduce((sum, e) => sum + e.uaNight, 0) + answers.ua.infiltrationWK
}

/** Mean loss in the night after a day, W, from the air that the year had inside and outside. */
export function nightLossW(c: Pick<SumContext, 'answers' | 'series' | 'site'>, day: number): number {
  let difference = 0
  let hours = 0
  for (let h = day * 24 + 17; h < day * 24 + 31; h++) {
    const at = h % HOURS
    if (c.site.globalWm2[at]! > 1) continue
    difference += c.series.airC[at]! - c.site.dryBulbC[at]!
    hours++
  }
  return hours > 0 ? (nightUaWK(c) * difference) / hours : 0
}
