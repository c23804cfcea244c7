import { bedAt, DEMOS, type Design } from '../core/design'
import { withFront } from '../core/editing'

const [demo] = DEMOS as [Design]

/** The first demo as a plain saltbox of one glazing: no front, no solid stretch. */
export const plain: Design = {
  ...demo,
  shape: { ...withFront(demo.shape, false), ridgeHeightM: 3.3, beds: [bedAt(0.15, 1.1, 0.6), bedAt(2.2, 0.95, 0.6)] },
  skin: {
    ...demo.skin,
    // Without a front its vents are at the foot of the slope, and its door where heads are clear.
    openings: demo.skin.openings.map(o =>
      o.part === 'front' ? { ...o, part: 'sunnySlope' } : o.kind === 'door' ? { ...o, offsetM: -0.13 } : o,
    ),
    parts: {
      ...demo.skin.parts,
      front: { ...demo.skin.parts.front, glazing: null },
      sunnySlope: { ...demo.skin.parts.sunnySlope, solidTopM: 0 },
    },
  },
}
