import { aimLine } from '../aim/aim-line'
import type { Design } from '../design/types'
import { pricedHere } from '../editing/currency'
import { inSeason } from '../editing/season'
import { aSource, isHeated, SOURCE, sourceKind, type Source, type SourceKindId } from '../sources/registry'
import type { Move } from './move'

/** The lowest air that is asked for in any month, °C; 0 where nothing is asked. */
export function lowestAsked({ aim }: Pick<Design, 'aim'>): number {
  const lows = aimLine(aim).lowC.filter(c => c !== null)
  return lows.length > 0 ? Math.max(...lows) : 0
}

const has = ({ topUp }: Design, kind: SourceKindId) => topUp.sources.some(s => s.on && s.kind === kind)
/** A source comes with its dates as the seasons of the place have them. */
const withSource = (design: Design, source: Source) => {
  const here = inSeason(pricedHere(design, SOURCE, source), design.site.latitudeDeg)
  return [['topUp.sources', [...design.topUp.sources, here]]] as const
}
const PANEL_M2 = 4

/** Moves that bring heat and light in. */
export const HEAT_MOVES: readonly Move[] = [
  {
    id: 'stove',
    group: 'heat',
    words: 'Light a stove on the nights that are forecast to freeze hard',
    of: d => (has(d, 'stove') ? null : withSource(d, aSource('stove', { belowC: Math.min(0, lowestAsked(d) - 8) }))),
  },
  {
    id: 'heater',
    group: 'heat',
    words: 'Put in a small electric heater',
    of: d =>
      isHeated(d.topUp.sources.filter(s => s.on && sourceKind(s).thermostat(s) !== null))
        ? null
        : withSource(
            d,
            aSource('heater', { capacityW: 2000, setPointC: Math.max(2, lowestAsked(d)), fuel: 'electricity' }),
          ),
  },
  {
    id: 'bed-loop',
    group: 'heat',
    words: 'Lay a loop of warm water in the beds',
    of: d => (has(d, 'bed loop') || d.shape.beds.length === 0 ? null : withSource(d, aSource('bed loop', {}))),
  },
  {
    id: 'air-panel',
    group: 'heat',
    words: 'Put up a solar air panel',
    of: d => (has(d, 'solar air panel') ? null : withSource(d, aSource('solar air panel', { areaM2: PANEL_M2 }))),
  },
  {
    id: 'compost',
    group: 'heat',
    words: (_, show) => `Build a compost heap of ${show(4000, 'mass')} with a loop to the beds`,
    of: d =>
      has(d, 'compost') || d.shape.beds.length === 0 ? null : withSource(d, aSource('compost', { massKg: 4000 })),
  },
  {
    id: 'lower-set-point',
    group: 'heat',
    words: (_, show) => `Set the heaters ${show(2, 'temperatureDifference')} lower`,
    again: true,
    of: ({ topUp }) =>
      topUp.sources.some(s => s.on && s.kind === 'heater')
        ? [
            [
              'topUp.sources',
              topUp.sources.map(s =>
                s.on && s.kind === 'heater' ? { ...s, setPointC: Math.max(-10, s.setPointC - 2) } : s,
              ),
            ],
          ]
        : null,
  },
]
