import type { Design } from './design/types'
import { kWhOf, type YearSeries } from './network/series'
import { boughtFor, firedBy, heatOf, sourceName } from './sources/registry'

/** What a source did in the year. */
export interface SourceAnswer {
  kind: string
  name: string
  /** Heat and light that it brought, kWh: for what is paid for, the heat that its fuel gave. */
  kWh: number
  /** Heat that it carried from one thing in the house to another, kWh. */
  movedKWh: number
  /** The most in an hour, W, and hours in which it brought anything. */
  peakW: number
  hours: number
  /** What is paid for: fuel as sold, and what it costs; null for all others. */
  bought: { fuel: string; amount: number; unit: string; cost: number } | null
}

/** The year of each source, in the order of the document. */
export function sourceAnswers({ topUp: { sources } }: Design, series: YearSeries): SourceAnswer[] {
  return sources.map((s, i) => {
    const fired = firedBy(s)
    let sum = 0
    let peakW = 0
    let hours = 0
    for (const brought of series.sources[i]!) {
      const watts = fired ? heatOf(fired, brought) : brought
      sum += watts
      peakW = Math.max(peakW, watts)
      if (watts > 0) hours++
    }
    const kWh = sum / 1000
    return {
      kind: s.kind,
      name: sourceName(sources, i),
      kWh,
      movedKWh: kWhOf(series.sourcesMoved[i]),
      peakW,
      hours,
      bought: fired ? { fuel: fired.fuel, ...boughtFor(fired, kWh) } : null,
    }
  })
}

/** Fuels bought in the year, each in all. */
export function fuelsBought(answers: readonly SourceAnswer[]): { fuel: string; amount: number; unit: string }[] {
  const out = new Map<string, { fuel: string; amount: number; unit: string }>()
  for (const { bought } of answers) {
    if (!bought) continue
    const amount = (out.get(bought.fuel)?.amount ?? 0) + bought.amount
    out.set(bought.fuel, { fuel: bought.fuel, amount, unit: bought.unit })
  }
  return [...out.values()]
}
