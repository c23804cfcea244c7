import { RAD } from '../physics/constants'
import type { Bed, Design, Form } from '../design/types'

/** A point of the section: x from the sunny wall's inside face towards the pole, z up from the floor, m. */
export interface Point {
  x: number
  z: number
}

export interface Shape {
  form: Form
  widthM: number
  kneeWallM: number
  ridgeHeightM: number
  ridgeAtM: number
  backWallM: number
  breakAtM: number
  breakHeightM: number
}

/** One straight piece of the section's skin, from the sunny foot round to the pole-side foot. */
export interface Edge {
  part: 'knee wall' | 'sunny slope' | 'pole slope' | 'back wall'
  a: Point
  b: Point
}

/** The section with each form's tied dimensions worked out: what a form does not let you set follows from the rest. */
export interface Outline extends Shape {
  /** Slope of the sunny glazing from level, degrees: its chord where it bends. */
  glazingAngleDeg: number
  /** Inside corners, sunny foot first, round over the ridge to the pole-side foot. */
  corners: Point[]
  /** Skin between the corners; the floor is not among them. */
  edges: Edge[]
  /** Area of the section, m². */
  areaM2: number
  /** Length along the sunny glazing, and along the roof on the pole side (0 where there is none). */
  sunnySlopeM: number
  poleSlopeM: number
}

const DEG = 1 / RAD
/** Flat pieces that stand for a curve. */
const ARCH_PIECES = 5
/** Rings of a dome between its riser wall and its top, and sides to each ring. */
export const DOME_RINGS = 3
export const DOME_SIDES = 12

/** Fields of a shape that a form ties to others or does not have: what stands in them there was not chosen. */
export const TIED: Record<Form, readonly (keyof Design['shape'])[]> = {
  'shed': ['ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM'],
  'lean-to': ['ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM'],
  'gable': ['ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM'],
  'gambrel': ['ridgeAtM', 'backWallM'],
  'dome': ['ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM', 'lengthM'],
  'a-frame': ['kneeWallM', 'ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM', 'sunkM'],
  'saltbox': ['breakAtM', 'breakHeightM'],
  'arch': ['breakAtM', 'breakHeightM'],
}

/** The dimensions that a form ties to others. */
export function tiedShape(shape: Shape): Shape {
  const { form, widthM, kneeWallM, ridgeHeightM } = shape
  switch (form) {
    case 'shed':
    case 'lean-to':
      return { ...shape, ridgeAtM: widthM, backWallM: ridgeHeightM }
    case 'gable':
    case 'gambrel':
    case 'dome':
      return { ...shape, ridgeAtM: widthM / 2, backWallM: kneeWallM }
    case 'a-frame':
      return { ...shape, kneeWallM: 0, ridgeAtM: widthM / 2, backWallM: 0 }
    default:
      return shape
  }
}

/** Points of the sunny glazing from the knee wall to the ridge. */
function sunnyLine(s: Shape): Point[] {
  const foot = { x: 0, z: s.kneeWallM }
  const ridge = { x: s.ridgeAtM, z: s.ridgeHeightM }
  if (s.form === 'gambrel') return [foot, { x: s.breakAtM, z: s.breakHeightM }, ridge]
  if (s.form === 'dome') return arc(foot, ridge, DOME_RINGS)
  if (s.form === 'arch') return arc(foot, ridge, ARCH_PIECES)
  return [foot, ridge]
}

/** A quarter ellipse in flat pieces: it leaves the foot upright and reaches the ridge level. */
function arc(foot: Point, ridge: Point, pieces: number): Point[] {
  return Array.from({ length: pieces + 1 }, (_, i) => {
    const t = ((Math.PI / 2) * i) / pieces
    return { x: ridge.x + (foot.x - ridge.x) * Math.cos(t), z: foot.z + (ridge.z - foot.z) * Math.sin(t) }
  })
}

/**
 * The outline of a section. Its numbers may come from the middle of a drag: it never throws, and `outlineFaults` says
 * what is wrong.
 */
export function makeOutline(given: Shape): Outline {
  const { form, widthM, kneeWallM, ridgeHeightM, ridgeAtM, backWallM, breakAtM, breakHeightM } = given
  const s = tiedShape({ form, widthM, kneeWallM, ridgeHeightM, ridgeAtM, backWallM, breakAtM, breakHeightM })
  const sunny = sunnyLine(s)
  const mirrored = s.form === 'gambrel' || s.form === 'dome'
  const pole = mirrored
    ? sunny
        .slice(0, -1)
        .reverse()
        .map(p => ({ x: s.widthM - p.x, z: p.z }))
    : [{ x: s.widthM, z: s.backWallM }]
  const edges: Edge[] = []
  let last: Point = { x: 0, z: 0 }
  const to = (part: Edge['part'], p: Point) => {
    if (Math.hypot(p.x - last.x, p.z - last.z) > 1e-9) edges.push({ part, a: last, b: p })
    last = p
  }
  sunny.forEach((p, i) => to(i === 0 ? 'knee wall' : 'sunny slope', p))
  for (const p of pole) to('pole slope', p)
  to('back wall', { x: s.widthM, z: 0 })
  const corners = [{ x: 0, z: 0 }, ...edges.map(e => e.b)]
  const length = (part: Edge['part']) =>
    edges.filter(e => e.part === part).reduce((sum, e) => sum + Math.hypot(e.b.x - e.a.x, e.b.z - e.a.z), 0)
  return {
    ...s,
    corners,
    edges,
    areaM2: polygonArea(corners),
    glazingAngleDeg: Math.atan2(s.ridgeHeightM - s.kneeWallM, s.ridgeAtM) * DEG,
    sunnySlopeM: length('sunny slope'),
    poleSlopeM: length('pole slope'),
  }
}

/** Area of a polygon, m², whichever way round it runs. */
export function polygonArea(corners: readonly Point[]): number {
  let twice = 0
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!
    twice += p.x * q.z - q.x * p.z
  })
  return Math.abs(twice) / 2
}

/** Ridge height that gives the sunny slope an angle, knee wall and ridge place kept, m. */
export function ridgeForAngle(shape: Shape, angleDeg: number): number {
  const s = tiedShape(shape)
  return s.kneeWallM + s.ridgeAtM * Math.tan(angleDeg / DEG)
}

/**
 * Height of the ground outside over the floor at x of the section, m: it rises or falls evenly from the sunny wall to
 * the back wall.
 */
export function groundAt(shape: Pick<Design['shape'], 'sunkM' | 'riseM' | 'widthM'>, x: number): number {
  return shape.sunkM + (shape.riseM * x) / shape.widthM
}

/** Height of the roof or glazing above the floor at x, m. */
export function clearHeightAt(outline: Outline, x: number): number {
  for (const { a, b } of outline.edges) {
    if (b.x - a.x > 1e-9 && x >= a.x - 1e-9 && x <= b.x + 1e-9)
      return a.z + (b.z - a.z) * Math.min(1, Math.max(0, (x - a.x) / (b.x - a.x)))
  }
  return outline.ridgeHeightM
}

export interface OutlineFault {
  path: string
  message: string
  allowed: string
}

/** What is wrong between the dimensions of a section, each with its path. */
export function outlineFaults(shape: Design['shape'], angles: readonly [number, number]): OutlineFault[] {
  const out: OutlineFault[] = []
  const o = makeOutline(shape)
  const m = (v: number) => `${Math.round(v * 100) / 100} m`
  const add = (field: string, message: string, allowed: string) =>
    out.push({ path: `shape.${field}`, message, allowed })
  if (shape.form === 'saltbox' || shape.form === 'arch') {
    if (shape.ridgeAtM > shape.widthM - 0.2)
      add('ridgeAtM', 'puts the ridge outside the back wall', `at most ${m(shape.widthM - 0.2)}, or the form “shed”`)
    if (shape.backWallM > shape.ridgeHeightM)
      add('backWallM', 'is higher than the ridge', `at most ${m(shape.ridgeHeightM)}`)
  }
  if (o.ridgeHeightM <= o.kneeWallM) add('ridgeHeightM', 'is not above the knee wall', `above ${m(o.kneeWallM)}`)
  else if (o.glazingAngleDeg < angles[0] || o.glazingAngleDeg > angles[1]) {
    add(
      'ridgeHeightM',
      `gives a glazing angle of ${o.glazingAngleDeg.toFixed(1)}°`,
      `an angle from ${angles[0]}° to ${angles[1]}°`,
    )
  } else if (shape.form === 'gambrel') {
    const chord = o.kneeWallM + ((o.ridgeHeightM - o.kneeWallM) * shape.breakAtM) / o.ridgeAtM
    if (shape.breakAtM > o.ridgeAtM - 0.1)
      add('breakAtM', 'puts the break beyond the ridge', `at most ${m(o.ridgeAtM - 0.1)}`)
    else if (shape.breakHeightM > o.ridgeHeightM - 0.05 || shape.breakHeightM < chord + 0.01)
      add('breakHeightM', 'does not stand out from the slope', `from ${m(chord + 0.01)} to ${m(o.ridgeHeightM - 0.05)}`)
  }
  if (shape.sunkM > o.kneeWallM + 1e-9 && shape.form !== 'a-frame')
    add('sunkM', 'would stand the glass in the ground', `at most the knee wall of ${m(o.kneeWallM)}`)
  if (shape.form === 'a-frame' && shape.sunkM > 0)
    add('sunkM', 'would stand the glass in the ground', '0 m for an A-frame, whose glass comes down to its floor')
  const atBack = shape.sunkM + shape.riseM
  if (atBack < -1e-9)
    add('riseM', 'leaves the floor hanging over the ground at the back wall', `at least ${m(-shape.sunkM)}`)
  else if (shape.form !== 'lean-to' && atBack > o.backWallM + 1e-9)
    add(
      'riseM',
      'puts the roof on the pole side in the ground',
      `at most ${m(o.backWallM - shape.sunkM)}, so that the back wall stands clear`,
    )
  if (shape.form === 'lean-to' && shape.house.heightM < o.ridgeHeightM)
    add('house.heightM', 'is lower than the greenhouse that leans on it', `at least ${m(o.ridgeHeightM)}`)
  if (shape.shadeStripM > 0.95 * o.sunnySlopeM)
    add('shadeStripM', 'covers the whole glazing', `at most ${m(0.95 * o.sunnySlopeM)}`)
  for (const name of ['beds', 'benches'] as const) {
    shape[name].forEach((bed, i) => {
      const one = name === 'beds' ? 'bed' : 'bench'
      if (bed.atM + bed.widthM > shape.widthM + 1e-9)
        add(`${name}[${i}].atM`, 'runs through the back wall', `near edge plus width at most ${m(shape.widthM)}`)
      const other = shape[name].findIndex((b, j) => j < i && overlaps(b, bed))
      if (other >= 0) add(`${name}[${i}].atM`, `overlaps ${one} ${other + 1}`, `${name} that stand apart`)
    })
  }
  return out
}

function overlaps(a: Bed, b: Bed): boolean {
  return a.atM < b.atM + b.widthM - 1e-9 && b.atM < a.atM + a.widthM - 1e-9
}

/** Azimuth that the sunny side faces, degrees from true north: the equator's, turned to the east by a positive turn. */
export function sunnyAzimuthDeg(latitudeDeg: number, turnDeg: number): number {
  const azimuth = latitudeDeg >= 0 ? 180 - turnDeg : turnDeg
  return (azimuth + 360) % 360
}
