import { airStoreKind, airStoreName } from './air-stores/registry'
import { HOURS, MONTH_DAYS, MONTH_OF_DAY, type SiteYear } from './climate/types'
import type { Design } from './design/types'
import type { Building } from './geometry/surfaces'
import { ductDensity } from './network/exchangers'
import type { YearSeries } from './network/series'
import { AIR_SPECIFIC_HEAT, LATENT } from './physics/constants'
import { groundOf } from './materials/ground'

/** What an air store did in a month. */
export interface AirStoreMonth {
  tookKWh: number
  gaveKWh: number
  fanKWh: number
  /** Mean of its soil or rock, °C; null while it is not in use. */
  storeC: number | null
  /** Water that condensed in it, less what dried again, kg. */
  condensedKg: number
}

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
  /** Electricity of its fan, kWh. */
  fanKWh: number
  /** For each kWh of it, heat that it gave back to the air, and heat moved either way; null where the fan never ran. */
  broughtBack: number | null
  coefficient: number | null
  /** With the fan running: flow, m³/h, changes of the house's air an hour, pressure, Pa. */
  flowM3h: number
  changesPerHour: number
  pressurePa: number
  /** Air in and out while it takes heat and while it gives, means of the year, °C; null where it never did. */
  taking: { inC: number; outC: number } | null
  giving: { inC: number; outC: number } | null
  months: AirStoreMonth[]
}

/** The year of each air store, in the order of the document. */
export function airStoreAnswers(
  design: Design,
  building: Building,
  { pressurePa: [pressure] }: Pick<SiteYear, 'pressurePa'>,
  series: YearSeries,
): AirStoreAnswer[] {
  const { airStores } = design.store
  const under = { lengthM: building.lengthM, soilConductivity: groundOf(design.site).conductivity }
  return airStores.map((s, i) => {
    const { storeC, takesW, runs, condensedKg } = series.airStores[i]!
    const { flowM3s, pressurePa, fanW, intake } = airStoreKind(s).work(s, under)
    const carries = flowM3s * ductDensity(pressure!) * AIR_SPECIFIC_HEAT
    const months = MONTH_DAYS.map(
      (): AirStoreMonth => ({ tookKWh: 0, gaveKWh: 0, fanKWh: 0, storeC: 0, condensedKg: 0 }),
    )
    const way = () => ({ hours: 0, inC: 0, outC: 0 })
    const ways = { taking: way(), giving: way() }
    let coldestC = Infinity
    let warmestC = -Infinity
    for (let h = 0; h < HOURS; h++) {
      const m = MONTH_OF_DAY[(h / 24) | 0]!
      const month = months[m]!
      const t = storeC[h]!
      coldestC = Math.min(coldestC, t)
      warmestC = Math.max(warmestC, t)
      const watts = takesW[h]!
      if (watts > 0) month.tookKWh += watts / 1000
      else month.gaveKWh -= watts / 1000
      month.fanKWh += (fanW * runs[h]!) / 1000
      month.storeC! += t / (MONTH_DAYS[m]! * 24)
      month.condensedKg += condensedKg[h]!
      if (runs[h]! < 0.05 || carries <= 0) continue
      const inC = intake === 'ridge' ? series.ridgeC[h]! : intake === 'floor' ? series.pathC[h]! : series.airC[h]!
      // Of what it takes, what warms or cools the air: the rest is water that condenses or dries.
      const dry = watts - (LATENT * condensedKg[h]!) / 3600
      const found = dry > 0 ? ways.taking : ways.giving
      found.hours += runs[h]!
      found.inC += inC * runs[h]!
      found.outC += (inC - dry / (carries * runs[h]!)) * runs[h]!
    }
    if (!s.on) for (const month of months) month.storeC = null
    const sum = (of: (m: AirStoreMonth) => number) => months.reduce((all, m) => all + of(m), 0)
    const [tookKWh, gaveKWh, fanKWh] = [sum(m => m.tookKWh), sum(m => m.gaveKWh), sum(m => m.fanKWh)]
    const mean = ({ hours, inC, outC }: ReturnType<typeof way>) =>
      hours > 0 ? { inC: inC / hours, outC: outC / hours } : null
    return {
      kind: s.kind,
      name: airStoreName(airStores, i),
      coldestC: s.on ? coldestC : null,
      warmestC: s.on ? warmestC : null,
      hours: runs.reduce((all, share) => all + share, 0),
      tookKWh,
      gaveKWh,
      fanKWh,
      broughtBack: fanKWh > 0 ? gaveKWh / fanKWh : null,
      coefficient: fanKWh > 0 ? (tookKWh + gaveKWh) / fanKWh : null,
      flowM3h: flowM3s * 3600,
      changesPerHour: (flowM3s * 3600) / building.volumeM3,
      pressurePa,
      taking: mean(ways.taking),
      giving: mean(ways.giving),
      months,
    }
  })
}
