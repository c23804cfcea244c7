import { entry, FUELS } from './catalog'
import { HOURS, MONTH_DAYS, MONTH_OF_DAY } from './climate/types'
import type { Design } from './design/types'
import type { Building } from './geometry/surfaces'
import { LOSS, type YearSeries } from './network/series'
import { boughtFor, firedBy, heatOf } from './sources/registry'
import { pricesOf } from './takeoff/price-book'

/** One thing that the running of a house buys in a year. */
export interface RunningLine {
  name: string
  /** How much of it, as it is sold. */
  amount: number
  unit: string
  /** By month, January first, in the currency of the design. */
  months: number[]
  cost: number
}

/** What a year of a house buys: fuel, all electricity, heat of the house behind it, water. */
export interface RunningCost {
  lines: RunningLine[]
  months: number[]
  cost: number
}

/** The line of what is bought from the main. */
export const WATER_LINE = 'Water'

const WATER_KG_M3 = 1000

/** Sums by month of what is bought hour by hour, at a price each. */
function byMonth(of: (hour: number) => number): number[] {
  const months = new Array<number>(12).fill(0)
  for (let h = 0; h < HOURS; h++) months[MONTH_OF_DAY[Math.floor(h / 24)]!]! += of(h)
  return months
}
const total = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0)

/** Electricity of what blows film up, W: one blower for all panes of one condition. */
export function blowersW({ surfaces }: Pick<Building, 'surfaces'>): number {
  const blown = surfaces.filter(s => s.glazing?.limpUValue !== undefined)
  return total(Array.from(new Set(blown.map(s => s.condition)), c => c.blowerW))
}

/** What the motor of a cover takes to draw or open it once, Wh: 150 W for two minutes, as tubular motors are rated. */
const A_DRAW_WH = 5

/** Whether any cover of the house is drawn by a motor. */
const hasMotor = ({ skin }: Pick<Design, 'skin'>): boolean =>
  [skin.cover, ...Object.values(skin.parts).flatMap(p => p.cover ?? [])].some(
    c => c.id !== 'none' && c.moved === 'motor',
  )

/** Lines of one name as one. */
function merged(lines: readonly RunningLine[]): RunningLine[] {
  const out = new Map<string, RunningLine>()
  for (const line of lines) {
    const same = out.get(line.name)
    out.set(
      line.name,
      same
        ? {
            ...same,
            amount: same.amount + line.amount,
            months: same.months.map((v, m) => v + line.months[m]!),
            cost: same.cost + line.cost,
          }
        : line,
    )
  }
  return [...out.values()]
}

/**
 * What the running of a house buys in its year, each line with its months, at the design's own prices. What costs
 * nothing is left out.
 */
export function runningCost(design: Design, building: Building, series: YearSeries): RunningCost {
  const { sources } = design.topUp
  const price = pricesOf(design)
  const bought = (name: string, unit: string, amounts: number[], each: number): RunningLine => {
    const months = amounts.map(a => a * each)
    return { name, unit, amount: total(amounts), months, cost: total(months) }
  }
  const kWh = (of: (hour: number) => number) => byMonth(h => of(h) / 1000)
  const powered = (name: string, of: (hour: number) => number) =>
    bought(name, 'kWh', kWh(of), price('fuel.electricity'))
  const heat = sources.flatMap((source, i): RunningLine[] => {
    const fired = firedBy(source)
    if (!fired) return []
    const months = kWh(h => heatOf(fired, series.sources[i]![h]!)).map(sum => boughtFor(fired, sum))
    const { name } = entry(FUELS, fired.fuel)
    return [
      {
        name: `Heat: ${name.toLowerCase()}`,
        unit: months[0]!.unit,
        amount: total(months.map(m => m.amount)),
        months: months.map(m => m.cost),
        cost: total(months.map(m => m.cost)),
      },
    ]
  })
  const lamps = sources.map((s, i) => ({ s, watts: series.sources[i]! })).filter(({ s }) => s.kind === 'lamps')
  const blowers = blowersW(building)
  const { house } = design.shape
  const isLeaning = design.shape.form === 'lean-to'
  const lines = [
    ...merged(heat),
    powered('Fans', h => series.fanW[h]!),
    powered('Pumps', h => series.pumpsW[h]!),
    powered('Lamps', h => total(lamps.map(l => l.watts[h]!))),
    powered('Blower of film', () => blowers),
    powered('Motor of the cover', h =>
      hasMotor(design) ? A_DRAW_WH * Math.abs(series.coverDrawn[h]! - series.coverDrawn[Math.max(0, h - 1)]!) : 0,
    ),
    bought(
      'Heat of the house',
      'kWh',
      kWh(h => (isLeaning ? Math.max(0, -series.losses[LOSS.house]![h]!) : 0)),
      house.pricePerKWh,
    ),
    bought(
      WATER_LINE,
      'm³',
      byMonth(h => (design.aim.practical.water ? (series.drunkKg[h]! + series.mistKg[h]!) / WATER_KG_M3 : 0)),
      price('fuel.water'),
    ),
  ].filter(l => l.cost > 0)
  const months = MONTH_DAYS.map((_, m) => total(lines.map(l => l.months[m]!)))
  return { lines, months, cost: total(months) }
}
