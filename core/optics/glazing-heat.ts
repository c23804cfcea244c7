import { FILM_INSIDE, FILM_OUTSIDE, GRAVITY } from '../physics/constants'
import { fittedCover, type Glazing, type NightCover } from '../catalog'
import type { Cover } from '../design/types'

const { max } = Math

/** Longwave exchange across a gap between sheets of emissivity 0.84 near 10 °C, W/m²K. */
const GAP_RADIATION = 3.8
const AIR_CONDUCTIVITY = 0.0253
/** A leak past a cover's edge is held back by the films alone, W/m²K. */
const EDGE_FILM = 8

/**
 * Convection and conduction across one gap of air, W/m²K, for 15 K across it. Nu = A·(Gr·Pr)ⁿ with A and n of EN 673:
 * upright 0.035 and 0.38, at 45° 0.10 and 0.31, level with heat flowing up 0.16 and 0.28; straight between them, and
 * below Nu = 1 the air stands still.
 * @param gapM above 0
 * @param tiltDeg from level, 0–90
 */
export function gapConvection(gapM: number, tiltDeg: number): number {
  // Wide gaps break into cells: what they pass stops falling at about 80 mm.
  const s = Math.min(gapM, 0.08)
  const grashof = (GRAVITY * s ** 3 * 15 * 1.232 ** 2) / (283 * 1.761e-5 ** 2)
  const rayleigh = grashof * 0.711
  const level = max(1, 0.16 * rayleigh ** 0.28)
  const slant = max(1, 0.1 * rayleigh ** 0.31)
  const upright = max(1, 0.035 * rayleigh ** 0.38)
  const nu =
    tiltDeg >= 45 ? slant + ((upright - slant) * (tiltDeg - 45)) / 45 : level + ((slant - level) * tiltDeg) / 45
  return (nu * AIR_CONDUCTIVITY) / s
}

/**
 * Resistance of a glazing from face to face at a tilt, m²K/W, films left out. Its rated U-value is for an upright pane;
 * its gaps pass more the flatter it lies.
 */
export function tiltedResistance(glazing: Pick<Glazing, 'uValue' | 'layers' | 'gapM'>, tiltDeg: number): number {
  const upright = max(0.003, 1 / glazing.uValue - FILM_INSIDE - FILM_OUTSIDE)
  if (glazing.layers < 2 || glazing.gapM <= 0) return upright
  const h = (tilt: number) => GAP_RADIATION + gapConvection(glazing.gapM, tilt)
  return (upright * h(90)) / h(tiltDeg)
}

/** Face-to-face conductance of a glazing with a night cover that leaks at its edges, W/m²K. */
export function glazingConductance(resistance: number, cover: Pick<NightCover, 'resistance' | 'edgeLeak'>): number {
  return (1 - cover.edgeLeak) / (resistance + cover.resistance) + cover.edgeLeak / resistance
}

/** Resistance of a glazing with its cover drawn, from face to face, m²K/W: that which the year is worked out with. */
export function coveredResistance(resistance: number, cover: Pick<Cover, 'id' | 'fit' | 'place'>): number {
  const fitted = fittedCover(cover)
  if (fitted.resistance === 0) return resistance
  return cover.place === 'between'
    ? 1 / glazingConductance(resistance, fitted)
    : resistance + 1 / coverConductance(fitted)
}

/** Conductance of a drawn cover by itself, W/m²K, its leaking edges beside it. */
export function coverConductance(cover: Pick<NightCover, 'resistance' | 'edgeLeak'>): number {
  return (1 - cover.edgeLeak) / cover.resistance + cover.edgeLeak * EDGE_FILM
}
