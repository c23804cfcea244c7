import type { Layer, Opening } from '../design/types'
import type { LeafMade } from '../openings/leaf'
import { openingKind } from '../openings/registry'

/** Leaves by what they are made of, outside to inside; null for what is a sheet of light. */
const LAYERS: Record<LeafMade, Layer[] | null> = {
  sheet: null,
  glazed: null,
  timber: [{ material: 'softwood', thicknessM: 0.02 }],
  panel: [
    { material: 'plywood', thicknessM: 0.006 },
    { material: 'eps', thicknessM: 0.04 },
    { material: 'plywood', thicknessM: 0.006 },
  ],
  fabric: [
    {
      material: 'own',
      thicknessM: 0.001,
      own: { name: 'Fabric', conductivity: 0.1, density: 700, specificHeat: 1300, solarAbsorptance: 0.6 },
    },
  ],
}
export const leafLayers = (leaf: LeafMade): Layer[] | null => LAYERS[leaf]

/** The frame that a door stands out of the skin in: of boards where the door is, else of panel with foam in it. */
export function dormerLayers(door: Opening): Layer[] {
  const { made } = openingKind(door).leaf(door) ?? { made: 'panel' }
  return leafLayers(made === 'timber' ? 'timber' : 'panel')!
}
