import { airStoreName } from './air-stores/registry'
import type { Design } from './design/types'
import type { YearSeries } from './network/series'

/** What an air store did in the year. */
export interface AirStoreAnswer {
  kind: string
  name: string
  /** Soil round its pipes, or its rock, °C; null while it is not in use. */
  coldestC: number | null
  warmestC: number | null
  /** Hours that its fan ran for, heat that it took from the air and that it gave back, kWh. */
  hours: number
  tookKWh: number
  gaveKWh: number
}

/** The year of each air store, in the order of the document. */
export function airStoreAnswers({ store: { airStores } }: Design, series: YearSeries): AirStoreAnswer[] {
  return airStores.map((s, i) => {
    const { storeC, takesW, runs } = series.airStores[i]!
    let coldestC = Infinity
    let warmestC = -Infinity
    for (const t of storeC) {
      coldestC = Math.min(coldestC, t)
      warmestC = Math.max(warmestC, t)
    }
    let took = 0
    let gave = 0
    for (const watts of takesW) {
      if (watts > 0) took += watts
      else gave -= watts
    }
    return {
      kind: s.kind,
      name: airStoreName(airStores, i),
      coldestC: s.on ? coldestC : null,
      warmestC: s.on ? warmestC : null,
      hours: runs.reduce((sum, share) => sum + share, 0),
      tookKWh: took / 1000,
      gaveKWh: gave / 1000,
    }
  })
}
