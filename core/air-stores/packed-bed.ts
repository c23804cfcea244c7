import { AIR_SPECIFIC_HEAT } from '../physics/constants'
import type { Fan } from './common'
import { operatingFlow } from './air-path'

const { exp, max } = Math

const AIR_DENSITY = 1.2
const AIR_VISCOSITY = 1.81e-5
const VOID = 0.42
const ROCK_CAPACITY = 2600 * 900 * (1 - VOID)
/** Nodes along the flow. */
export const ROCK_NODES = 5

/** Heat passed between air and rock, W/m³K: 650·(G/d)^0.7. Löf & Hawley 1948. Mass flux kg/m²s, rock size m. */
export function rockFilm(massFlux: number, rockM: number): number {
  return 650 * (massFlux / rockM) ** 0.7
}

/** Pressure drop through a bed, Pa. Ergun 1952. Velocity over the whole face, m/s. */
export function rockPressurePa(velocityMs: number, lengthM: number, rockM: number): number {
  const e = VOID
  return (
    lengthM *
    (((150 * AIR_VISCOSITY * (1 - e) ** 2) / (e ** 3 * rockM ** 2)) * velocityMs +
      ((1.75 * AIR_DENSITY * (1 - e)) / (e ** 3 * rockM)) * velocityMs ** 2)
  )
}

export interface PackedBedInput {
  areaM2: number
  depthM: number
  rockM: number
  fan: Fan
}

/** A packed bed with its fan running: nodes in line with the flow. */
export interface PackedBed {
  flowM3s: number
  pressurePa: number
  /** Share of the difference between air and a node that the air leaves in it. */
  nodeEffectiveness: number
  /** J/K of one node. */
  nodeCapacity: number
}

/** Flow and heat transfer of a bed through which the air runs from top to bottom or back. */
export function packedBed(input: PackedBedInput): PackedBed {
  const at = (q: number) =>
    rockPressurePa(q / input.areaM2, input.depthM, input.rockM) + 40 * (q / (input.fan.freeFlowM3h / 3600)) ** 2
  const flowM3s = operatingFlow(input.fan, at)
  const flux = (flowM3s * AIR_DENSITY) / input.areaM2
  const ntu = (rockFilm(flux, input.rockM) * input.depthM) / ROCK_NODES / max(1e-9, flux * AIR_SPECIFIC_HEAT)
  return {
    flowM3s,
    pressurePa: at(flowM3s),
    nodeEffectiveness: 1 - exp(-ntu),
    nodeCapacity: (input.areaM2 * input.depthM * ROCK_CAPACITY) / ROCK_NODES,
  }
}
