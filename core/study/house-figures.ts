import { formatNumber, type Quantity, type Show } from '../units'
import type { Brief } from './brief'

/** A figure that houses are held against each other by: the same name and the same words wherever it is told. */
export interface HouseFigure {
  name: string
  of: (brief: Brief) => number | null
  /** In the reader's units; money in the design's currency. */
  told: (brief: Brief, show: Show, currency: string) => string
  /** What more of it is. */
  more: 'good' | 'bad'
}

type Of = HouseFigure['of']
const KWH_J = 3.6e6
const shown = (name: string, of: Of, quantity: Quantity, more: HouseFigure['more']): HouseFigure => ({
  name,
  of,
  told: (brief, show) => {
    const value = of(brief)
    return value === null ? '' : show(value, quantity)
  },
  more,
})
const heat = (name: string, of: (brief: Brief) => number): HouseFigure => ({
  name,
  of,
  told: (brief, show) => (of(brief) === 0 ? 'none' : show(of(brief) * KWH_J, 'energy')),
  more: 'bad',
})
const money = (name: string, of: (brief: Brief) => number): HouseFigure => ({
  name,
  of,
  told: (brief, _show, currency) => `${currency} ${formatNumber(of(brief), 0)}`,
  more: 'bad',
})

/** All of them, in the order in which they are told. */
export const HOUSE_FIGURES = {
  coldest: shown('coldest night', b => b.coldestC, 'temperature', 'good'),
  leaf: shown('the leaf itself', b => b.leafC, 'temperature', 'good'),
  life: {
    name: 'what lives there, over its bound',
    of: b => b.life.marginK,
    told: ({ life }, show) =>
      `${life.name.toLowerCase()} ${life.marginK < 0 ? '' : '+'}${show(life.marginK, 'temperatureDifference')}`,
    more: 'good',
  },
  ridgeColdest: shown('ridge, coldest', b => b.ridgeColdestC, 'temperature', 'good'),
  pathColdest: shown('dug path, coldest', b => b.pathColdestC, 'temperature', 'good'),
  hottest: shown('hottest afternoon', b => b.hottestC, 'temperature', 'bad'),
  ridgeHottest: shown('ridge, hottest', b => b.ridgeHottestC, 'temperature', 'bad'),
  soil: shown('coldest soil', b => b.soilC, 'temperature', 'good'),
  soilMonth: shown('soil in its coldest month', b => b.soilMonthC, 'temperature', 'good'),
  winterLight: {
    name: 'winter light, mol/m²·d',
    of: b => b.winterDli,
    told: b => b.winterDli.toFixed(1),
    more: 'good',
  },
  damp: shown('damp hours', b => b.hoursDamp, 'hours', 'bad'),
  growing: shown('growing days', b => b.growingDays, 'count', 'good'),
  heat: heat('heat bought', b => b.heatKWh),
  electric: heat('electricity', b => b.electricKWh),
  aYear: money('bought in a year', b => b.aYear),
  cost: money('cost', b => b.cost),
} satisfies Record<string, HouseFigure>
export type HouseFigureId = keyof typeof HOUSE_FIGURES

/** One of them by its id. */
export const houseFigure = (id: HouseFigureId): HouseFigure => HOUSE_FIGURES[id]
