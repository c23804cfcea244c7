import { SLID_PACKS, slidPile } from '../optics/snow'
import { RAD } from '../physics/constants'
import type { Point } from '../geometry/section'
import { line, need, plain, type Sum } from './sum'

/** A section reduced to what rays need: straight sunny glazing from `foot` to `top`, x towards the pole. */
export interface GlazedSection {
  foot: Point
  top: Point
}

/** A mass in the section: its sunny face at x0, its top from x0 to x1. */
export interface MassBox {
  x0: number
  x1: number
  z0: number
  z1: number
}

/**
 * How high up a wall at x the sun reaches, and how far along the floor: the ray through the top of the glazing. Profile
 * angle in degrees, 1–89.
 */
export function rayInSection(
  section: GlazedSection,
  profileDeg: number,
  wallX: number,
): Sum<{ wallZ: number; floorX: number }> {
  need('profile angle', profileDeg, 1, 89)
  const slope = Math.tan(profileDeg * RAD)
  const { top } = section
  const floorX = top.x + top.z / slope
  const wallZ = top.z - (wallX - top.x) * slope
  return {
    result: { wallZ, floorX },
    rule: 'A straight line from the top of the glazing, falling by the profile angle.',
    lines: [
      line('β', 'angle of the ray in the section', profileDeg, 'angle'),
      line('z', 'top of the glazing', top.z, 'length'),
      line('x', 'from the sunny wall', top.x, 'length'),
      line(
        'h',
        wallZ >= 0
          ? 'the ray meets the wall at this height'
          : 'the ray lands before the wall: this far below the floor it would meet it',
        wallZ,
        'length',
      ),
      line('d', 'the ray meets the floor this far in', floorX, 'length'),
    ],
  }
}

/** Share up the glazing (0 foot, 1 top) at which a ray to a point comes through; outside 0–1 it misses the glazing. */
function enters({ foot, top }: GlazedSection, profileDeg: number, p: Point): number {
  const dx = -Math.cos(profileDeg * RAD)
  const dz = Math.sin(profileDeg * RAD)
  const ex = top.x - foot.x
  const ez = top.z - foot.z
  // foot + u·e = p + t·d
  const det = ex * -dz + ez * dx
  return ((p.x - foot.x) * -dz + (p.z - foot.z) * dx) / det
}

/** The stretch of glazing through which a sun reaches a mass, as shares up it; null when it does not. */
export function stretchToMass(
  section: GlazedSection,
  profileDeg: number,
  mass: MassBox,
): { from: number; to: number } | null {
  const shares = [
    { x: mass.x0, z: mass.z0 },
    { x: mass.x0, z: mass.z1 },
    { x: mass.x1, z: mass.z1 },
  ].map(p => enters(section, profileDeg, p))
  const from = Math.max(0, Math.min(...shares))
  const to = Math.min(1, Math.max(...shares))
  return to - from > 1e-6 ? { from, to } : null
}

export type ShadeStrip =
  | {
      kind: 'strip'
      /** Shortest that shades the mass in summer, and longest that leaves it lit in winter, m down from the top. */
      leastM: number
      mostM: number
    }
  | { kind: 'none needed' }
  | {
      kind: 'no strip does both'
      /** Metres by which the stretches overlap. */
      overlapM: number
      /** Raising the mass by this would do; null when nothing up to 1.5 m does. */
      raiseM: number | null
    }
  | { kind: 'no winter sun' }

/**
 * The fixed strip of shade inside the top of the glazing that keeps a mass in shade on the hot day and in sun on the
 * cold one. Its length follows from the two rays and the mass's place: it must cover the stretch through which the
 * summer sun reaches the mass, and leave free that of the winter sun.
 * @param summerDeg @param winterDeg profile angles of the two design days' rays, degrees, 1–89
 */
export function shadeStrip(
  section: GlazedSection,
  mass: MassBox,
  summerDeg: number,
  winterDeg: number,
): Sum<ShadeStrip> {
  need('summer ray', summerDeg, 1, 89)
  need('winter ray', winterDeg, 1, 89)
  need('height of the mass', mass.z1 - mass.z0, 1e-6)
  const length = Math.hypot(section.top.x - section.foot.x, section.top.z - section.foot.z)
  const summer = stretchToMass(section, summerDeg, mass)
  const winter = stretchToMass(section, winterDeg, mass)
  const result = solve(section, mass, summerDeg, winterDeg, length)
  const lines = [
    line('L', 'glazing, foot to top', length, 'length'),
    line('βs', 'ray of the hot day', summerDeg, 'angle'),
    line('βw', 'ray of the cold day', winterDeg, 'angle'),
    ...(summer
      ? [
          line('s₁', 'hot day: the mass is lit from this far below the top', (1 - summer.from) * length, 'length'),
          line('s₂', 'up to this far below it', (1 - summer.to) * length, 'length'),
        ]
      : [plain('s', 'hot day: no ray reaches the mass', 0)]),
    ...(winter
      ? [
          line('w₁', 'cold day: lit from this far below the top', (1 - winter.from) * length, 'length'),
          line('w₂', 'up to this far below it', (1 - winter.to) * length, 'length'),
        ]
      : [plain('w', 'cold day: no ray reaches the mass', 0)]),
  ]
  if (result.kind === 'strip')
    lines.push(line('a', 'strip at least', result.leastM, 'length'), line('b', 'strip at most', result.mostM, 'length'))
  if (result.kind === 'no strip does both')
    lines.push(line('s₁ − w₂', 'no strip does both: the stretches overlap by', result.overlapM, 'length'))
  return {
    result,
    lines,
    rule: 'Geometry of the two rays at noon. Sun from the sides is not in it: the year’s rays are.',
  }
}

function solve(
  section: GlazedSection,
  mass: MassBox,
  summerDeg: number,
  winterDeg: number,
  length: number,
): ShadeStrip {
  const summer = stretchToMass(section, summerDeg, mass)
  const winter = stretchToMass(section, winterDeg, mass)
  if (!winter) return { kind: 'no winter sun' }
  if (!summer) return { kind: 'none needed' }
  const leastM = (1 - summer.from) * length
  const mostM = (1 - winter.to) * length
  if (leastM <= mostM + 1e-9) return { kind: 'strip', leastM, mostM }
  let raiseM: number | null = null
  for (let up = 0.05; up <= 1.5 && raiseM === null; up += 0.05) {
    const raised = { ...mass, z0: mass.z0 + up, z1: mass.z1 + up }
    const s = stretchToMass(section, summerDeg, raised)
    const w = stretchToMass(section, winterDeg, raised)
    if (w && (!s || 1 - s.from <= 1 - w.to + 1e-9)) raiseM = up
  }
  return { kind: 'no strip does both', overlapM: leastM - mostM, raiseM }
}

/**
 * Height that snow sliding off the glazing piles up to against the knee wall. Snow depth m on the slope; a pile lies at
 * about 40°.
 */
export function kneeWallSnow(slopeM: number, snowM: number, compaction = SLID_PACKS): Sum {
  need('slope', slopeM, 0)
  need('snow', snowM, 0, 20)
  need('compaction', compaction, 0.1, 1)
  const { areaM2: area, heightM: height } = slidPile(slopeM, snowM, compaction)
  return {
    result: height,
    rule: 'Snow of the slope, packed, as a triangle at 40° against the wall. Loads are for an engineer.',
    lines: [
      line('l', 'slope', slopeM, 'length'),
      line('s', 'snow on it', snowM, 'length'),
      line('k', 'packed to', compaction, 'share'),
      line('A', 'in section', area, 'area'),
      line('h', '√(2 A tan 40°)', height, 'length'),
    ],
  }
}
