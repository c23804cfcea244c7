import type { Material } from '../catalog'
import { DAYS, groundTemperatureC, type GroundClimate } from '../climate'

/** Depth at which the ground is held at its undisturbed temperature, m. */
export const GROUND_DEPTH_M = 3
/** Cells from the floor down, m; they add up to the depth. */
const CELLS = [0.05, 0.08, 0.12, 0.2, 0.3, 0.45, 0.65, 1.15]

/** The ground under one square metre of floor, top cell first. */
export interface GroundColumn {
  thicknessM: number[]
  /** Middle of each cell below the floor, m. */
  depthM: number[]
  capacityJm2K: number[]
  conductivity: number
  diffusivity: number
}

/** A column of one soil. */
export function makeGroundColumn(soil: Material): GroundColumn {
  let top = 0
  const depthM = CELLS.map((dz) => {
    top += dz
    return top - dz / 2
  })
  return {
    thicknessM: CELLS, depthM, capacityJm2K: CELLS.map(dz => dz * soil.density * soil.specificHeat),
    conductivity: soil.conductivity, diffusivity: soil.conductivity / (soil.density * soil.specificHeat),
  }
}

export interface GroundEdge { resistance: number, depthM: number }

/**
 * Sideways conductance of each cell to the ground outside at its depth, W/K, for the whole floor. The path from the floor's inner third to open ground outside
 * is a quarter of the width and the cell's own depth; an edge board adds its resistance down to its foot. A first model in one dimension.
 */
export function edgeConductances(column: GroundColumn, perimeterM: number, widthM: number, edge: GroundEdge): number[] {
  return column.thicknessM.map((dz, i) => {
    const depth = column.depthM[i]!
    const path = 0.25 * widthM + 0.5 * depth
    const boarded = Math.max(0, Math.min(1, (edge.depthM - (depth - dz / 2)) / dz))
    const bare = perimeterM * dz / (path / column.conductivity)
    const held = perimeterM * dz / (path / column.conductivity + edge.resistance)
    return bare * (1 - boarded) + held * boarded
  })
}

/** Undisturbed temperatures for each day and cell, and at the foot of the column (last in each row). */
export function undisturbedTemperatures(column: GroundColumn, ground: GroundClimate): Float64Array {
  const n = column.depthM.length
  const out = new Float64Array(DAYS * (n + 1))
  for (let d = 0; d < DAYS; d++) {
    for (let i = 0; i < n; i++) out[d * (n + 1) + i] = groundTemperatureC(ground, column.depthM[i]!, d, column.diffusivity)
    out[d * (n + 1) + n] = groundTemperatureC(ground, GROUND_DEPTH_M, d, column.diffusivity)
  }
  return out
}
