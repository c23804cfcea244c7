import { RAD } from '../physics/constants'
import type { Building, Surface, Vec } from '../geometry/surfaces'
import { mm, type At } from './drawing'

/** Seen from so far round from the sunny side, and from so high, degrees. */
const ROUND_DEG = 32
const HIGH_DEG = 20
/** What is let into another lies so far before it, m. */
const BEFORE_M = 0.05

/** A face of the house as it is seen from outside: its corners, mm, and what it is. */
export interface SeenFace {
  points: At[]
  kind: 'glazed' | 'opaque' | 'opening'
}

/** The house from the sunny side, aslant and from above: faces that are seen, the furthest first. */
export function coverPicture({ surfaces }: Pick<Building, 'surfaces'>, northern: boolean): SeenFace[] {
  // The room's axes are left-handed in the north: there east is on the right of who looks from the sun.
  const hand = northern ? 1 : -1
  const [round, high] = [ROUND_DEG * RAD, HIGH_DEG * RAD]
  const turned = ([x, y]: Vec): At => [
    hand * y * Math.cos(round) + x * Math.sin(round),
    x * Math.cos(round) - hand * y * Math.sin(round),
  ]
  const at = (p: Vec): At => {
    const [across, deep] = turned(p)
    return [mm(across), mm(p[2] * Math.cos(high) + deep * Math.sin(high))]
  }
  const depth = (p: Vec) => turned(p)[1] * Math.cos(high) - p[2] * Math.sin(high)
  const facesUs = ({ normal }: Surface) => depth(normal) < -1e-6
  const middle = ({ polygon }: Surface) => polygon.reduce((sum, p) => sum + depth(p), 0) / polygon.length
  const isOpening = ({ id }: Surface) => id.startsWith('opening') || id.startsWith('leaf')
  const nearness = (s: Surface) => middle(s) - (s.letIn ? BEFORE_M + Number(isOpening(s)) : 0)
  return surfaces
    .filter(s => s.kind !== 'floor' && facesUs(s))
    .sort((a, b) => nearness(b) - nearness(a))
    .map(s => ({
      points: s.polygon.map(at),
      kind: isOpening(s) ? 'opening' : s.kind === 'glazed' ? 'glazed' : 'opaque',
    }))
}
