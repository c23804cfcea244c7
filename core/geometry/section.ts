import { RAD } from '../physics/constants'
import { DOME_RINGS } from './round'
import { CHAIN, PART_NAMES, type ChainPart, type Corner, type Design, type Form } from '../design/types'

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
  front: boolean
  corners: readonly Corner[]
}

/** One straight piece of the section's skin, from the sunny foot round to the pole-side foot. */
export interface Edge {
  part: ChainPart
  a: Point
  b: Point
}

/** The section with each form's tied dimensions worked out: what a form does not let you set follows from the rest. */
export interface Outline extends Omit<Shape, 'corners'> {
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
  'hoop': ['ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM'],
  'own': ['kneeWallM', 'ridgeHeightM', 'ridgeAtM', 'backWallM', 'breakAtM', 'breakHeightM'],
}

/** Forms that may have a steep front under their sunny slope; a gambrel always has one. */
const FRONTED: readonly Form[] = ['shed', 'lean-to', 'gable', 'saltbox']
/** Forms whose pole side is the sunny side's mirror image. */
const MIRRORED: readonly Form[] = ['gambrel', 'dome', 'hoop']

export const canHaveFront = (form: Form): boolean => FRONTED.includes(form)
export const hasFront = ({ form, front }: Pick<Shape, 'form' | 'front'>): boolean =>
  form === 'gambrel' || (front && FRONTED.includes(form))

/** The dimensions that a form ties to others. */
export function tiedShape(shape: Shape): Shape {
  const { form, widthM, kneeWallM, ridgeHeightM } = shape
  switch (form) {
    case 'shed':
    case 'lean-to':
      return { ...shape, ridgeAtM: widthM, backWallM: ridgeHeightM }
    case 'gable':
    case 'gambrel':
    case 'hoop':
    case 'dome':
      return { ...shape, ridgeAtM: widthM / 2, backWallM: kneeWallM }
    case 'own':
      return { ...shape, ...ownDimensions(shape) }
    case 'a-frame':
      return { ...shape, kneeWallM: 0, ridgeAtM: widthM / 2, backWallM: 0 }
    default:
      return shape
  }
}

/** What is said of other forms by their dimensions, read off corners. */
function ownDimensions({ corners, widthM }: Shape) {
  const ridge = corners.reduce((top, c) => (c.heightM > top.heightM + 1e-9 ? c : top), { atM: 0, heightM: 0 })
  const knee = corners.find(c => c.part === 'kneeWall')
  const back = corners.at(-2)
  return {
    ridgeAtM: ridge.atM,
    ridgeHeightM: ridge.heightM,
    kneeWallM: knee?.heightM ?? 0,
    backWallM: corners.at(-1)?.part === 'backWall' && back && back.atM > widthM - 0.01 ? back.heightM : 0,
  }
}

/** Points of the sunny glazing from the knee wall to the ridge. */
function sunnyLine(s: Shape): Point[] {
  const foot = { x: 0, z: s.kneeWallM }
  const ridge = { x: s.ridgeAtM, z: s.ridgeHeightM }
  if (hasFront(s)) return [foot, { x: s.breakAtM, z: s.breakHeightM }, ridge]
  if (s.form === 'dome') return arc(foot, ridge, DOME_RINGS)
  if (s.form === 'arch' || s.form === 'hoop') return arc(foot, ridge, ARCH_PIECES)
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
  const { form, widthM, kneeWallM, ridgeHeightM, ridgeAtM, backWallM, breakAtM, breakHeightM, front, corners } = given
  const s = tiedShape({
    form,
    widthM,
    kneeWallM,
    ridgeHeightM,
    ridgeAtM,
    backWallM,
    breakAtM,
    breakHeightM,
    front,
    corners,
  })
  const edges: Edge[] = []
  let last: Point = { x: 0, z: 0 }
  const to = (part: ChainPart, p: Point) => {
    if (Math.hypot(p.x - last.x, p.z - last.z) > 1e-9) edges.push({ part, a: last, b: p })
    last = p
  }
  if (s.form === 'own') for (const c of s.corners) to(c.part, { x: c.atM, z: c.heightM })
  else {
    const sunny = sunnyLine(s)
    const parts = sunny.map(
      (_, i): ChainPart => (i === 0 ? 'kneeWall' : i === 1 && hasFront(s) ? 'front' : 'sunnySlope'),
    )
    sunny.forEach((p, i) => to(parts[i]!, p))
    if (MIRRORED.includes(s.form))
      for (let i = sunny.length - 2; i >= 0; i--)
        to(parts[i + 1] === 'front' ? 'lowerPoleSlope' : 'poleSlope', { x: s.widthM - sunny[i]!.x, z: sunny[i]!.z })
    else to('poleSlope', { x: s.widthM, z: s.backWallM })
    to('backWall', { x: s.widthM, z: 0 })
  }
  const length = (...parts: ChainPart[]) =>
    edges.filter(e => parts.includes(e.part)).reduce((sum, e) => sum + edgeLength(e), 0)
  const points = [{ x: 0, z: 0 }, ...edges.map(e => e.b)]
  return {
    ...s,
    corners: points,
    edges,
    areaM2: polygonArea(points),
    glazingAngleDeg: glazingAngle(s, edges),
    sunnySlopeM: length('front', 'sunnySlope'),
    poleSlopeM: length('poleSlope', 'lowerPoleSlope'),
  }
}

export const edgeLength = ({ a, b }: Pick<Edge, 'a' | 'b'>): number => Math.hypot(b.x - a.x, b.z - a.z)

/** Where the sunny slope begins: over a front or the knee wall; a gambrel's is measured from its knee wall. */
export function slopeFoot({ form, kneeWallM, edges }: Pick<Outline, 'form' | 'kneeWallM' | 'edges'>): Point {
  const slope = edges.find(e => e.part === 'sunnySlope')
  return form === 'gambrel' || !slope ? { x: 0, z: kneeWallM } : slope.a
}

/** Slope of the sunny glazing: over a front, of the slope above it; where it bends, of its chord. */
function glazingAngle(s: Shape, edges: Edge[]): number {
  const from = slopeFoot({ ...s, edges })
  const to = edges.filter(e => e.part === 'sunnySlope').at(-1)?.b ?? { x: s.ridgeAtM, z: s.ridgeHeightM }
  return Math.atan2(to.z - from.z, to.x - from.x) * DEG
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

/** Ridge height that gives the sunny slope an angle, all else kept, m: knee wall, front, and the ridge's place. */
export function ridgeForAngle(shape: Shape, angleDeg: number): number {
  const s = tiedShape(shape)
  const foot = slopeFoot(makeOutline(shape))
  return foot.z + (s.ridgeAtM - foot.x) * Math.tan(angleDeg / DEG)
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
  if (shape.form === 'own') {
    for (const f of cornerFaults(shape)) add(f.field, f.message, f.allowed)
    if (out.length > 0) return out
  }
  if (shape.form === 'saltbox' || shape.form === 'arch') {
    if (shape.ridgeAtM > shape.widthM - 0.2)
      add('ridgeAtM', 'puts the ridge outside the back wall', `at most ${m(shape.widthM - 0.2)}, or the form “shed”`)
    if (shape.backWallM > shape.ridgeHeightM)
      add('backWallM', 'is higher than the ridge', `at most ${m(shape.ridgeHeightM)}`)
  }
  if (o.ridgeHeightM <= o.kneeWallM) add('ridgeHeightM', 'is not above the knee wall', `above ${m(o.kneeWallM)}`)
  else if (o.glazingAngleDeg < angles[0] || o.glazingAngleDeg > angles[1]) {
    add(
      shape.form === 'own' ? 'corners' : 'ridgeHeightM',
      `gives a glazing angle of ${o.glazingAngleDeg.toFixed(1)}°`,
      `an angle from ${angles[0]}° to ${angles[1]}°`,
    )
  } else if (hasFront(shape)) {
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
  const slope = o.edges.filter(e => e.part === 'sunnySlope').reduce((sum, e) => sum + edgeLength(e), 0)
  if (shape.shadeStripM > 0.95 * slope) add('shadeStripM', 'covers the whole sunny slope', `at most ${m(0.95 * slope)}`)
  return out
}

/** Least length of a part, and how far a corner may fall behind the line between its neighbours, m. */
const LEAST_PART_M = 0.1
const FLUSH_M = 0.002

/** What is wrong with the corners of the form `own`. */
function cornerFaults({ corners, widthM }: Design['shape']): { field: string; message: string; allowed: string }[] {
  const out: { field: string; message: string; allowed: string }[] = []
  const add = (i: number, field: string, message: string, allowed: string) =>
    out.push({ field: `corners[${i}]${field}`, message, allowed })
  const last = corners.at(-1)
  if (corners.length < 3 || !last)
    return [{ field: 'corners', message: 'are too few for a house', allowed: 'three corners or more' }]
  corners.forEach((c, i) => {
    if (i > 0 && CHAIN.indexOf(c.part) <= CHAIN.indexOf(corners[i - 1]!.part))
      add(i, '.part', `“${PART_NAMES[c.part]}” is out of its order`, CHAIN.map(p => PART_NAMES[p]).join(', '))
  })
  if (!corners.some(c => c.part === 'sunnySlope'))
    out.push({ field: 'corners', message: 'have no sunny slope', allowed: 'a sunny slope among the parts' })
  if (last.heightM > 1e-9 || Math.abs(last.atM - widthM) > 1e-9)
    add(corners.length - 1, '', 'is not the foot of the pole side', `0 m high, ${widthM} m from the sunny wall`)
  if (out.length > 0) return out
  const at = (i: number): Point => (i < 0 ? { x: 0, z: 0 } : { x: corners[i]!.atM, z: corners[i]!.heightM })
  corners.forEach((c, i) => {
    const [p, q] = [at(i - 1), at(i)]
    const long = Math.hypot(q.x - p.x, q.z - p.z)
    if (c.atM > widthM + 1e-9) add(i, '.atM', 'stands outside the pole-side foot', `at most ${widthM} m`)
    if (long < LEAST_PART_M) add(i, '', 'lies too near to the corner before it', `${LEAST_PART_M} m or more away`)
    if (i + 1 === corners.length) return
    const r = at(i + 1)
    // Going round with the inside on the right, each corner turns to the right.
    const turn = (q.x - p.x) * (r.z - q.z) - (q.z - p.z) * (r.x - q.x)
    if (turn > FLUSH_M * Math.hypot(r.x - p.x, r.z - p.z))
      add(i, '', 'dents the section', 'corners that all stand out, as seen from outside')
  })
  return out
}

/** Azimuth that the sunny side faces, degrees from true north: the equator's, turned to the east by a positive turn. */
export function sunnyAzimuthDeg(latitudeDeg: number, turnDeg: number): number {
  const azimuth = latitudeDeg >= 0 ? 180 - turnDeg : turnDeg
  return (azimuth + 360) % 360
}
