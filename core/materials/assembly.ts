import { entry, MATERIALS } from '../catalog'
import type { Layer } from '../design/types'

/** Resistance of layers from face to face, m²K/W, films left out. ISO 6946 §6.7. */
export function layersResistance(layers: readonly Layer[]): number {
  return layers.reduce((sum, l) => sum + l.thicknessM / entry(MATERIALS, l.material).conductivity, 0)
}

/** A wall cut into cells for heat flow, outside first: each cell's heat capacity and the conductances between neighbours, per m². */
export interface WallCells {
  /** J/m²K; the faces are cells without capacity. */
  capacity: number[]
  /** W/m²K from cell i to i + 1. */
  between: number[]
}

/** Cuts layers into cells: light ones whole, heavy ones no thicker than `thickest` (6 cm), with a face at either end. */
export function cutWall(layers: readonly Layer[], thickest = 0.06): WallCells {
  const capacity: number[] = [0]
  const resistance: number[] = []
  let last = 0
  for (const layer of layers) {
    if (layer.thicknessM <= 0) continue
    const m = entry(MATERIALS, layer.material)
    const cells = m.group === 'insulation' ? Math.max(1, Math.round(layer.thicknessM / 0.1)) : Math.max(1, Math.ceil(layer.thicknessM / thickest - 1e-9))
    const dz = layer.thicknessM / cells
    for (let i = 0; i < cells; i++) {
      resistance.push(last + dz / 2 / m.conductivity)
      capacity.push(dz * m.density * m.specificHeat)
      last = dz / 2 / m.conductivity
    }
  }
  resistance.push(last)
  capacity.push(0)
  return { capacity, between: resistance.map(r => 1 / Math.max(r, 1e-5)) }
}
