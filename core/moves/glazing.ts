import { entry, GLAZINGS } from '../catalog'
import type { ChainPart } from '../design/types'
import { partName, partsOf } from '../geometry/parts'
import { makeOutline } from '../geometry/section'
import { glazedPart, withPart } from './parts'
import { nameIn, type Show } from '../units'
import type { Move } from './move'

/** Glazings that a house might take in place of its own, thinner and thicker. */
const TRIED = ['film-2', 'glass-2', 'glass-4', 'glass-3', 'twinwall-10', 'multiwall-16', 'multiwall-32']
/** Slopes and walls that may have a glazing of their own. */
const PARTS: readonly ChainPart[] = ['front', 'sunnySlope', 'poleSlope']
/** What one part might take by itself. */
const BY_PART = ['glass-2', 'multiwall-16']
const SOLID_M = 0.6

const nameOf = (id: string, show: Show) => nameIn(entry(GLAZINGS, id).name.toLowerCase(), show)
const uOf = (id: string) => entry(GLAZINGS, id).uValue
/** Of one part by itself: where it is glazed, and there is another beside it. */
const byPart = (part: ChainPart, id: string): Move => ({
  id: `glazing-${part}-${id}`,
  group: 'glazing',
  before: 'glazing',
  words: ({ shape }, show) => `Glaze the ${partName(part, shape.form)} alone with ${nameOf(id, show)}`,
  of: design => {
    const others = PARTS.filter(p => p !== part && glazedPart(design, p))
    if (!glazedPart(design, part) || others.length === 0) return null
    const now = design.skin.parts[part].glazing ?? design.skin.glazing
    return uOf(id) >= uOf(now) - 0.05 ? null : [[`skin.parts.${part}.glazing`, id]]
  },
})

/** Moves of what light comes through. */
export const GLAZING_MOVES: readonly Move[] = [
  ...TRIED.map(
    (id): Move => ({
      id: `glazing-${id}`,
      group: 'glazing',
      before: 'glazing',
      words: (_, show) => `Glaze it with ${nameOf(id, show)}`,
      of: ({ skin }) => (Math.abs(uOf(id) - uOf(skin.glazing)) < 0.05 ? null : [['skin.glazing', id]]),
    }),
  ),
  ...PARTS.flatMap(part => BY_PART.map(id => byPart(part, id))),
  {
    id: 'solid-top',
    group: 'glazing',
    before: 'glazing',
    words: (_, show) => `Build the upper ${show(SOLID_M, 'length')} of the sunny slope solid`,
    of: design =>
      glazedPart(design, 'sunnySlope') && design.skin.parts.sunnySlope.solidTopM === 0
        ? [['skin.parts.sunnySlope.solidTopM', SOLID_M]]
        : null,
  },
  {
    id: 'solid-pole-side',
    group: 'glazing',
    before: 'glazing',
    words: 'Build the pole side solid and insulated',
    of: design => {
      const glazed = (['poleSlope', 'lowerPoleSlope', 'backWall'] as const).filter(p => glazedPart(design, p))
      return glazed.length > 0 ? glazed.map(p => withPart(p, 'solid')) : null
    },
  },
  {
    id: 'solid-ends',
    group: 'glazing',
    before: 'glazing',
    words: 'Build the ends solid and insulated',
    of: design => {
      const there = partsOf(design, makeOutline(design.shape))
      const patches = (['eastEnd', 'westEnd'] as const).flatMap((p): [string, unknown][] => {
        const { kind, glazedShare } = design.skin.parts[p]
        if (!there.includes(p) || (kind === 'solid' && glazedShare === 0)) return []
        return [withPart(p, 'solid'), [`skin.parts.${p}.glazedShare`, 0]]
      })
      return patches.length > 0 ? patches : null
    },
  },
  {
    id: 'clean-glazing',
    group: 'glazing',
    words: 'Wash the glazing every autumn',
    of: ({ skin }) => (skin.condition.dirt <= 0.02 ? null : [['skin.condition.dirt', 0.02]]),
  },
]
