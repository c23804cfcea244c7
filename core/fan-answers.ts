import type { Design } from './design/types'
import { fanName } from './fans/registry'
import { kWhOf, type YearSeries } from './network/series'

/** What a fan did in the year. */
export interface FanAnswer {
  kind: string
  name: string
  /** Hours in which it ran at all, and the electricity that it drew, kWh. */
  hours: number
  kWh: number
}

/** The year of each fan, in the order of the document. */
export function fanAnswers({ breathe: { fans } }: Pick<Design, 'breathe'>, series: YearSeries): FanAnswer[] {
  return fans.map((f, i) => {
    const watts = series.fans[i]!
    let hours = 0
    for (const w of watts) if (w > 0) hours++
    return { kind: f.kind, name: fanName(fans, i), hours, kWh: kWhOf(watts) }
  })
}
