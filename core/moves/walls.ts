import type { Design, Layer } from '../design/types'
import { hasSolidRoof } from '../advice/cautions'
import { mainInsulation } from '../materials/assembly'
import type { Move } from './move'

const MORE_M = 0.05
const MOST_M = 0.4

/** A build-up with so much more of the layer that insulates most, or with a board of foam where none does. */
function thicker(layers: readonly Layer[], byM: number): Layer[] | null {
  const i = mainInsulation(layers)
  if (i < 0) return [{ material: 'eps', thicknessM: byM }, ...layers]
  const thicknessM = Math.round((layers[i]!.thicknessM + byM) * 1000) / 1000
  return thicknessM > MOST_M ? null : layers.map((l, k) => (k === i ? { ...l, thicknessM } : l))
}
const walls = (byM: number) => (design: Design) => {
  const wall = thicker(design.skin.wall, byM)
  return wall ? ([['skin.wall', wall]] as const) : null
}

/** Moves of solid walls, the solid roof and the edge in the ground. */
export const WALL_MOVES: readonly Move[] = [
  {
    id: 'thicker-walls',
    group: 'walls',
    again: true,
    words: (_, show) => `Put ${show(MORE_M, 'thickness')} more insulation into the walls`,
    of: walls(MORE_M),
  },
  {
    id: 'much-thicker-walls',
    group: 'walls',
    again: true,
    words: (_, show) => `Put ${show(2 * MORE_M, 'thickness')} more insulation into the walls`,
    of: walls(2 * MORE_M),
  },
  {
    id: 'thicker-roof',
    group: 'walls',
    again: true,
    words: (_, show) => `Put ${show(MORE_M, 'thickness')} more insulation into the solid roof`,
    of: design => {
      const roof = hasSolidRoof(design) ? thicker(design.skin.roof, MORE_M) : null
      return roof ? [['skin.roof', roof]] : null
    },
  },
  {
    id: 'white-walls',
    group: 'walls',
    words: 'Paint the walls white inside, for light on the beds',
    of: ({ skin }) => (skin.finish.wall === 'white' ? null : [['skin.finish.wall', 'white']]),
  },
  {
    id: 'dark-walls',
    group: 'walls',
    words: 'Paint the walls dark inside, to take in heat',
    of: ({ skin }) => (skin.finish.wall === 'dark' ? null : [['skin.finish.wall', 'dark']]),
  },
  {
    id: 'deeper-edge',
    group: 'edge',
    before: 'backfill',
    again: true,
    words: (_, show) => `Take the board at the edge ${show(0.4, 'length')} deeper`,
    of: ({ skin }) => {
      const depthM = Math.round((skin.edge.depthM + 0.4) * 100) / 100
      if (depthM > 1.6) return null
      const board: [string, unknown][] = skin.edge.thicknessM < 0.05 ? [['skin.edge.thicknessM', 0.05]] : []
      return [['skin.edge.depthM', depthM], ...board]
    },
  },
  {
    id: 'thicker-edge',
    group: 'edge',
    before: 'backfill',
    again: true,
    words: (_, show) => `Make the board at the edge ${show(0.05, 'thickness')} thicker`,
    of: ({ skin }) =>
      skin.edge.depthM < 0.1 || skin.edge.thicknessM > 0.2
        ? null
        : [['skin.edge.thicknessM', Math.round((skin.edge.thicknessM + 0.05) * 1000) / 1000]],
  },
  {
    id: 'skirt',
    group: 'edge',
    before: 'backfill',
    words: (_, show) => `Lay a skirt of board ${show(0.6, 'length')} outwards in the ground`,
    of: ({ skin }) =>
      skin.edge.skirtM >= 0.6
        ? null
        : [
            ['skin.edge.skirtM', 0.6],
            ...(skin.edge.thicknessM < 0.05 ? ([['skin.edge.thicknessM', 0.05]] as [string, unknown][]) : []),
          ],
  },
]
