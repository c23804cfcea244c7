import { AIR_SPECIFIC_HEAT } from '../physics/constants'
import type { Fan } from './common'

const { log, log10, max, PI, sqrt } = Math

const AIR_DENSITY = 1.2
const AIR_VISCOSITY = 1.81e-5
const AIR_CONDUCTIVITY = 0.0257
const PRANDTL = 0.71
/** Bends, tees, entry and exit of a buried pipe with its manifolds, in velocity heads. */
const FITTINGS = 4
/** A bend of half a turn of two elbows, in velocity heads. */
const RETURN = 1.5
/** Height of the corrugations of drainage pipe, m: the roughness that the flow feels. */
export const CORRUGATION_M = 0.003

/**
 * Friction factor (Darcy) of a pipe. Reynolds number above 1, roughness over diameter 0–0.1. 64/Re below 2300, above it
 * Swamee & Jain 1976.
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  if (reynolds < 2300) return 64 / max(1, reynolds)
  return 0.25 / log10(relativeRoughness / 3.7 + 5.74 / reynolds ** 0.9) ** 2
}

/** Heat passed from air to a pipe's wall, W/m²K. Gnielinski 1976 above Re 3000; 3.66 below. */
export function pipeFilm(reynolds: number, friction: number, diameterM: number): number {
  if (reynolds < 3000) return (3.66 * AIR_CONDUCTIVITY) / diameterM
  const f = friction / 8
  // The formula holds for smooth and slightly rough pipes: corrugations add friction faster than heat.
  const smooth = (0.79 * log(reynolds) - 1.64) ** -2 / 8
  const used = Math.min(f, 2 * smooth)
  return (
    (((used * (reynolds - 1000) * PRANDTL) / (1 + 12.7 * sqrt(used) * (PRANDTL ** (2 / 3) - 1))) * AIR_CONDUCTIVITY) /
    diameterM
  )
}

/** Where a fan's straight curve meets a path's resistance: flow, m³/s, by halving. `pressurePa` must rise with flow. */
export function operatingFlow(fan: Fan, pressurePa: (flowM3s: number) => number): number {
  let low = 0
  let high = fan.freeFlowM3h / 3600
  for (let i = 0; i < 50; i++) {
    const q = (low + high) / 2
    if (fan.shutOffPa * (1 - q / (fan.freeFlowM3h / 3600)) > pressurePa(q)) low = q
    else high = q
  }
  return (low + high) / 2
}

export interface PipeBundle {
  pipes: number
  lengthM: number
  /** Hydraulic diameter, m, and open area of one pipe, m². */
  diameterM: number
  areaM2: number
  /** Wetted round of one pipe, m. */
  perimeterM: number
  roughnessM: number
  fan: Fan
  /** W/m·K of the soil round the pipes. */
  soilConductivity: number
  /** Bends of half a turn that each pipe makes. */
  returns?: number
  /** Places that all of the air must pass: their open area, m², and what they cost in velocity heads there. */
  narrow?: readonly { areaM2: number; heads: number }[]
}

/** What a bundle of buried pipes does with its fan running. */
export interface AirPath {
  flowM3s: number
  pressurePa: number
  velocityMs: number
  reynolds: number
  /** Number of transfer units, and the share of the difference between air and soil that the air gives up. */
  ntu: number
  effectiveness: number
}

/** A round pipe's numbers for a bundle. */
export function roundPipe(diameterM: number): Pick<PipeBundle, 'diameterM' | 'areaM2' | 'perimeterM'> {
  return { diameterM, areaM2: (PI * diameterM ** 2) / 4, perimeterM: PI * diameterM }
}

/** A channel of a width and height, m, by its hydraulic diameter. */
export function rectangularChannel(
  widthM: number,
  heightM: number,
): Pick<PipeBundle, 'diameterM' | 'areaM2' | 'perimeterM'> {
  return {
    diameterM: (2 * widthM * heightM) / (widthM + heightM),
    areaM2: widthM * heightM,
    perimeterM: 2 * (widthM + heightM),
  }
}

/** Pressure to drive a flow through a bundle, Pa: Darcy–Weisbach with fittings. */
export function bundlePressurePa(bundle: Omit<PipeBundle, 'fan'>, flowM3s: number): number {
  const v = flowM3s / bundle.pipes / bundle.areaM2
  const reynolds = (AIR_DENSITY * v * bundle.diameterM) / AIR_VISCOSITY
  const f = frictionFactor(reynolds, bundle.roughnessM / bundle.diameterM)
  const heads = (f * bundle.lengthM) / bundle.diameterM + FITTINGS + RETURN * (bundle.returns ?? 0)
  return (
    (heads * AIR_DENSITY * v * v) / 2 +
    (bundle.narrow ?? []).reduce((sum, n) => sum + (n.heads * AIR_DENSITY * (flowM3s / n.areaM2) ** 2) / 2, 0)
  )
}

/**
 * Flow, pressure and heat transfer of parallel pipes in soil with their fan. The soil's own resistance is that of a
 * sleeve reaching a quarter metre from the pipe's middle, to the cell that holds it.
 */
export function airPath(bundle: PipeBundle): AirPath {
  const flowM3s = operatingFlow(bundle.fan, q => bundlePressurePa(bundle, q))
  const velocityMs = flowM3s / bundle.pipes / bundle.areaM2
  const reynolds = (AIR_DENSITY * velocityMs * bundle.diameterM) / AIR_VISCOSITY
  const h = pipeFilm(reynolds, frictionFactor(reynolds, bundle.roughnessM / bundle.diameterM), bundle.diameterM)
  const sleeve = log(max(1.2, 0.5 / bundle.diameterM)) / (2 * PI * bundle.soilConductivity)
  const perMetre = 1 / (1 / (h * bundle.perimeterM) + sleeve)
  const ntu = (perMetre * bundle.lengthM * bundle.pipes) / max(1e-9, flowM3s * AIR_DENSITY * AIR_SPECIFIC_HEAT)
  return {
    flowM3s,
    pressurePa: bundlePressurePa(bundle, flowM3s),
    velocityMs,
    reynolds,
    ntu,
    effectiveness: 1 - Math.exp(-ntu),
  }
}
