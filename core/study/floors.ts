import type { Design, Layer } from '../design/types'
import { designFaults } from '../editing'

/** A floor that is set beside a design's own: under what is walked on, with the beds on the soil. */
interface FloorKind {
  id: string
  words: string
  /** From below upwards; none for bare earth. */
  rest: readonly Layer[]
}

const SAND: Layer = { material: 'sandy-soil', thicknessM: 0.08 }
const STONE: Layer = { material: 'stone', thicknessM: 0.05 }
const SLAB: Layer = { material: 'concrete', thicknessM: 0.1 }
const FOAM: Layer = { material: 'xps', thicknessM: 0.08 }

const KINDS: readonly FloorKind[] = [
  { id: 'earth', words: 'Bare earth', rest: [] },
  { id: 'gravel', words: 'Gravel', rest: [{ material: 'gravel', thicknessM: 0.08 }] },
  { id: 'stone', words: 'Stone on sand', rest: [SAND, STONE] },
  { id: 'slab', words: 'A slab on the ground', rest: [SLAB] },
  { id: 'slab-foam', words: 'A slab on foam', rest: [FOAM, SLAB] },
]

/** Each floor laid on a design, its path made like the rest. Those that the document refuses are left out. */
export function floorChoices(design: Design): { id: string; words: string; design: Design }[] {
  return KINDS.map(({ id, words, rest }) => ({
    id,
    words,
    design: { ...design, store: { ...design.store, floor: { ...design.store.floor, path: null, rest: [...rest] } } },
  })).filter(f => designFaults(f.design).length === 0)
}
