import type { Design } from '../design/types'
import {
  carriedBodies,
  madeToStand,
  withGlazingAngle,
  withKneeWallLifted,
  withOpeningsCarried,
  type Patch,
} from '../editing'
import { makeOutline } from '../geometry/section'
import type { Move } from './move'

const MORNING_DEG = 15

/** A design of another shape, what stands in it moved as little as that takes; null where nothing stands. */
function inShape(design: Design, shape: Design['shape']): Patch[] | null {
  const bodies = [...carriedBodies(design, shape)]
  const made = madeToStand(withOpeningsCarried({ ...design, shape, store: { ...design.store, bodies } }))
  if (!made) return null
  return [
    ['shape', made.shape],
    ['store.bodies', made.store.bodies],
    ...(made.skin.openings === design.skin.openings ? [] : [['skin.openings', made.skin.openings] as const]),
  ]
}
const angled = (byDeg: number): Move => ({
  id: byDeg > 0 ? 'steeper' : 'flatter',
  group: 'shape',
  before: 'glazing',
  again: true,
  words: `Make the glazing ${Math.abs(byDeg)}° ${byDeg > 0 ? 'steeper, the ridge higher' : 'flatter, the ridge lower'}`,
  of: design => {
    if (design.shape.form === 'dome') return null
    const angle = makeOutline(design.shape).glazingAngleDeg + byDeg
    return angle < 15 || angle > 75 ? null : inShape(design, withGlazingAngle(design.shape, angle))
  },
})
const turned = (id: string, toDeg: number, words: string): Move => ({
  id,
  group: 'shape',
  before: 'backfill',
  words,
  // What leans on a house faces where its wall does.
  of: ({ shape }) =>
    shape.form === 'lean-to' || Math.abs(shape.turnDeg - toDeg) < 3 ? null : [['shape.turnDeg', toDeg]],
})

/** Moves of how a house stands and how it is shaped. */
export const SHAPE_MOVES: readonly Move[] = [
  angled(5),
  angled(-5),
  turned('to-the-sun', 0, 'Turn it straight to the sun at noon'),
  turned('to-the-morning', MORNING_DEG, `Turn it ${MORNING_DEG}° to the morning side`),
  {
    id: 'sunk-floor',
    group: 'shape',
    before: 'backfill',
    words: ({ shape }, show) => `Dig the floor in by ${show(Math.min(0.4, shape.kneeWallM), 'length')}`,
    of: ({ shape }) =>
      shape.sunkM > 0.05 || shape.kneeWallM < 0.4 ? null : [['shape.sunkM', Math.min(0.4, shape.kneeWallM)]],
  },
  {
    id: 'low-path',
    group: 'shape',
    before: 'backfill',
    words: (_, show) => `Dig the paths ${show(0.25, 'length')} lower`,
    of: ({ shape }) => (shape.pathM < -0.05 || shape.beds.length === 0 ? null : [['shape.pathM', -0.25]]),
  },
  {
    id: 'lower-knee-wall',
    group: 'shape',
    before: 'glazing',
    again: true,
    words: (_, show) => `Take the knee wall and the ridge ${show(0.2, 'length')} lower`,
    of: design =>
      design.shape.kneeWallM < 0.4 || design.shape.form === 'dome' || design.shape.sunkM > 0
        ? null
        : inShape(design, withKneeWallLifted(design.shape, design.shape.kneeWallM - 0.2)),
  },
  {
    id: 'eave',
    group: 'shape',
    before: 'glazing',
    words: (_, show) => `Let the eave reach ${show(0.3, 'length')} over the glazing, for shade in summer`,
    of: ({ shape }) =>
      shape.overhangM > 0.05 || ['dome', 'hoop'].includes(shape.form) ? null : [['shape.overhangM', 0.3]],
  },
  {
    id: 'shade-strip',
    group: 'shape',
    words: (_, show) => `Fix a strip of shade of ${show(0.6, 'length')} inside the top of the roof`,
    of: ({ shape }) => (shape.shadeStripM > 0.05 || shape.form === 'dome' ? null : [['shape.shadeStripM', 0.6]]),
  },
]
