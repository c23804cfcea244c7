import type { Point } from '../geometry/section'
import { polygonAbove } from '../geometry/above'
import type { Building } from '../geometry/surfaces'
import { AIR_SPECIFIC_HEAT } from '../physics/constants'
import type { Design } from '../design/types'
import type { Chain } from './chains'

/**
 * The airs of a house: that round the beds, from the floor half way up from their tops to the ridge; that above it; and
 * where paths are dug lower, that in them.
 */
export interface Airs {
  /** Height at which lower and upper air meet, m, and area of that plane, m²; 0 where all is one air. */
  splitM: number
  planeM2: number
  /** Paths dug lower: their area, m², 0 for none; and how much of what runs down into them they hold, 0–1. */
  pathM2: number
  pathHolds: number
  /** Share of the house's air in each of the two. */
  aboveShare: number
  pathShare: number
  /** By chain: share of its face that stands in the upper air; and 1 for the floor of a path that is dug lower. */
  above: Float64Array
  inPath: Uint8Array
  /** By opening's orifice: 1 where it lies in the upper air. */
  orificeAbove: Uint8Array
}

/** A path dug so deep holds the cold air that runs into it; a shallower one so much less of it, m. Thin evidence. */
const HOLDS_ALL_M = 0.3
/** A step down that is lower than this holds none, m. */
export const STEP_M = 0.1

/** Pieces that the height of a section is cut into to know its volume. */
const SLICES = 200

export function makeAirs(
  design: Design,
  building: Building,
  chains: readonly Chain[],
  orificeHeightsM: Float64Array,
): Airs {
  const { shape } = design
  const { outline, lengthM } = building
  const top = Math.max(0, ...shape.beds.map(b => b.heightM))
  const splitM = (top + outline.ridgeHeightM) / 2
  const dome = shape.form === 'dome'
  const plane = (z: number) => (dome ? (Math.PI / 4) * widthAt(outline.corners, z) ** 2 : widthAt(outline.corners, z))
  let below = 0
  let above = 0
  for (let i = 0; i < SLICES; i++) {
    const z = ((i + 0.5) / SLICES) * outline.ridgeHeightM
    if (z < splitM) below += plane(z)
    else above += plane(z)
  }
  const pathM2 = shape.pathM <= -STEP_M ? building.pathM2 : 0
  return {
    splitM,
    planeM2: plane(splitM) * (dome ? 1 : lengthM),
    pathM2,
    pathHolds: Math.min(1, -shape.pathM / HOLDS_ALL_M),
    aboveShare: above / (above + below),
    pathShare: Math.min(0.5, (pathM2 * -shape.pathM) / building.volumeM3),
    above: Float64Array.from(chains, c => shareAbove(building, c, splitM)),
    inPath: Uint8Array.from(chains, c => Number(c.onPath && pathM2 > 0)),
    orificeAbove: Uint8Array.from(orificeHeightsM, z => Number(z > splitM)),
  }
}

/** How wide a section is at a height, m. */
function widthAt(corners: readonly Point[], z: number): number {
  let least = Infinity
  let most = -Infinity
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!
    if (p.z === q.z || (p.z - z) * (q.z - z) > 0) return
    const x = p.x + ((q.x - p.x) * (z - p.z)) / (q.z - p.z)
    least = Math.min(least, x)
    most = Math.max(most, x)
  })
  return Math.max(0, most - least)
}

/** Share of a chain's face that stands above a height. */
function shareAbove({ surfaces, objects }: Building, chain: Chain, z: number): number {
  if (chain.skin) {
    const those = surfaces.filter(s => s.id === chain.skin && s.kind !== 'floor')
    const all = those.reduce((sum, s) => sum + s.areaM2, 0)
    return those.reduce((sum, s) => sum + s.areaM2 * polygonAbove(s.polygon, z), 0) / all
  }
  const box = objects.find(o => o.kind === 'body' && o.index === chain.body)
  return box ? Math.min(1, Math.max(0, (box.z1 - z) / (box.z1 - box.z0))) : 0
}

/** Of what air gives and takes at a face, the share that its plume or its downdraught carries into the next air. */
export const PLUME = 0.5
/** Between two airs of which the lower is colder, W/m²K: what people, leaks and the flow along walls still pass. */
const STILL_EXCHANGE = 6
/** Of the air that openings let through, the share that also mixes the two. */
export const VENTS_MIX = 0.5
/** Epstein 1988: of √(g ΔT/T) A^(5/4), the flow each way through a level plane with the lighter air beneath. */
const BUOYANT = 0.055

/**
 * What two airs, one above the other, exchange, W/K: quick when the lower is warmer, slow when it is colder. Epstein,
 * J. Heat Transfer 110 (1988); the slow one is thin evidence.
 * @param planeM2 area of the plane between them
 * @param lowerLessUpperK how much warmer the lower is
 * @param density of the air, kg/m³
 */
export function airExchange(planeM2: number, lowerLessUpperK: number, density: number): number {
  const still = STILL_EXCHANGE * planeM2
  if (lowerLessUpperK <= 0) return still
  const flow = BUOYANT * Math.sqrt((9.81 / 290) * lowerLessUpperK) * planeM2 ** 1.25
  return still + flow * density * AIR_SPECIFIC_HEAT
}
