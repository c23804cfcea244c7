import { GRAVITY, RAD, ZERO_C_K } from '../physics/constants'

const { cos, log, max, min, sin } = Math

/** An opening as the air finds it: its discharge coefficient times area, m², its height, m, and the wind's share. */
export interface Orifice {
  conduct: number
  heightM: number
  /** Pressure of the wind over its dynamic pressure. */
  wind: number
}

/**
 * Of an upright opening by itself, the warm air goes out at its top and the cold comes in at its foot. Two halves so
 * far apart, as a share of its height, pass what EN 16798-7 gives for it.
 */
const HALVES_APART = 4 / 9
/** Gusts push as much between those halves. */
const GUSTS = HALVES_APART * 0.05

/** An opening as two orifices, its lower half and its upper. @param area m² @param tallM from edge to edge, upright */
export function halves(area: number, discharge: number, atM: number, tallM: number, wind: number): [Orifice, Orifice] {
  const conduct = (discharge * area) / 2
  const apart = (HALVES_APART * tallM) / 2
  return [
    { conduct, heightM: atM - apart, wind: wind + GUSTS / 2 },
    { conduct, heightM: atM + apart, wind: wind - GUSTS / 2 },
  ]
}

/**
 * What warm air inside drives out for each metre that an opening lies higher, 2 Δp / ρ, m²/s² a metre; °C. Wind drives
 * in its pressure's share of the wind's speed squared.
 */
export function stackPerMetre(insideC: number, outsideC: number): number {
  return (2 * GRAVITY * (insideC - outsideC)) / (max(insideC, outsideC) + ZERO_C_K)
}

/**
 * Wind pressure on a wall of a low building of square plan in the open, as a share of the dynamic pressure.
 * @param fromDeg angle between the wall's outward normal and where the wind comes from, any
 * Source: Swami & Chandra 1987, normal pressure 0.6.
 */
export function wallPressure(fromDeg: number): number {
  const a = ((((fromDeg + 180) % 360) + 360) % 360) - 180
  const half = (a * RAD) / 2
  const of =
    1.248 - 0.703 * sin(Math.abs(half)) - 1.175 * sin(a * RAD) ** 2 + 0.769 * cos(half) + 0.717 * cos(half) ** 2
  return 0.6 * log(max(0.1, of))
}

/** In the open: suction at a ridge, whatever side the wind is on; and what any wall has while that is not known. */
export const RIDGE_PRESSURE = -0.3
export const ANY_WALL_PRESSURE = 0.3

/**
 * How far a wax-piston opener pushes at a temperature once it has had time: 0 below start, 1 from full, straight
 * between.
 */
export function openerTarget(airC: number, startC: number, fullC: number): number {
  return max(0, min(1, (airC - startC) / (fullC - startC)))
}
