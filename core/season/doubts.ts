import { fittedCover } from '../catalog'
import type { Design } from '../design/types'
import { ach50Of } from '../air/ach50'
import { groundOf } from '../materials/ground'
import type { Patch } from '../editing'
import type { Quantity } from '../units'

/** Something of a house that readings may tell: a number that a design takes for known. */
export interface Doubt {
  id: string
  words: string
  /** null for a number in a unit of its own. */
  quantity: Quantity | null
  unit?: string
  /** Where the document holds it once it was found. */
  path: string
  /** What the design says; null where the house has no such thing. */
  now: (design: Design) => number | null
  /** Its design with another value. */
  patch: (value: number) => readonly Patch[]
  low: number
  high: number
  /** Sought by its logarithm, and as far off as this is plausible before any reading: standard deviation of that. */
  spread: number
  /** As far off the model itself may put it, on the same scale: wind and sky that nobody measured. */
  modelSpread: number
  /** And so much further where nobody measured the sun: its estimate may be off for a whole season. */
  sunSpread?: number
  /** What more of it, and what less, would say to look at. */
  more: string
  less: string
}

const hasCover = ({ skin }: Design) => fittedCover(skin.cover).resistance > 0

/** What readings are asked for: a new one is an entry here. */
export const DOUBTS: readonly Doubt[] = [
  {
    id: 'leakage',
    words: 'air leaks',
    quantity: null,
    unit: 'changes an hour under 50 Pa',
    path: 'breathe.ach50',
    now: ({ breathe }) => ach50Of(breathe),
    patch: v => [
      ['breathe.leakage', 'measured'],
      ['breathe.ach50', v],
    ],
    low: 0.5,
    high: 200,
    spread: 0.9,
    modelSpread: 0.15,
    more: 'Look for a vent that stands ajar, the foot of the door, laps and the ridge.',
    less: 'It is tighter than was thought: watch the damp.',
  },
  {
    id: 'cover',
    words: 'leak at the edges of the night cover',
    quantity: 'share',
    path: 'skin.cover.edgeLeak',
    now: design => (hasCover(design) ? Math.max(0.005, fittedCover(design.skin.cover).edgeLeak) : null),
    patch: v => [['skin.cover.edgeLeak', v]],
    low: 0.005,
    high: 0.5,
    spread: 0.9,
    modelSpread: 0.2,
    more: 'Look whether the cover is drawn every night, and along its edges: tuck them in, or give them channels.',
    less: 'It fits better than was thought.',
  },
  {
    id: 'glazing',
    words: 'light that dirt takes',
    quantity: 'share',
    path: 'skin.condition.dirt',
    // Sought as what it lets through.
    now: ({ skin }) => 1 - skin.condition.dirt,
    patch: v => [['skin.condition.dirt', Math.max(0, 1 - v)]],
    low: 0.4,
    high: 1,
    spread: 0.15,
    modelSpread: 0.05,
    sunSpread: 0.12,
    more: 'The glazing lets in more than was thought.',
    less: 'Look at the glazing: wash it, and see what shades it.',
  },
  {
    id: 'soil',
    words: 'conductivity of the ground',
    quantity: 'conductivity',
    path: 'site.soilConductivity',
    now: ({ site }) => groundOf(site).conductivity,
    patch: v => [['site.soilConductivity', v]],
    low: 0.25,
    high: 3.5,
    spread: 0.5,
    modelSpread: 0.15,
    more: 'Wet ground or wet insulation at the edge: look at drains and gutters.',
    less: 'Dry ground.',
  },
  {
    id: 'reach',
    words: 'share of the mass that the air reaches',
    quantity: 'share',
    path: 'store.reach',
    now: ({ store }) => (store.bodies.length > 0 ? store.reach : null),
    patch: v => [['store.reach', v]],
    low: 0.1,
    high: 1,
    spread: 0.6,
    modelSpread: 0.1,
    more: 'All of it works.',
    less: 'Pull bodies apart and away from beds, so that air goes round them.',
  },
]

/** As the document and a reader hold a value that is sought: dirt is what does not come through. */
export const toldValue = (doubt: Doubt, v: number): number => (doubt.id === 'glazing' ? 1 - v : v)
