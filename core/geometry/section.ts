import type { Bed, Design, Form } from '../design/types'

/** A point of the section: x from the sunny wall's inside face towards the pole, z up from the floor, m. */
export interface Point { x: number, z: number }

export interface Shape {
  form: Form
  widthM: number
  kneeWallM: number
  ridgeHeightM: number
  ridgeAtM: number
  backWallM: number
}

/** The section with each form's tied dimensions worked out: what a shed or a gable does not let you set follows from the rest. */
export interface Outline extends Shape {
  /** Slope of the sunny glazing from level, degrees. */
  glazingAngleDeg: number
  /** Inside corners, sunny foot first, round over the ridge to the pole-side foot. */
  corners: Point[]
  /** Area of the section, m². */
  areaM2: number
  sunnySlopeM: number
  /** 0 for a shed. */
  poleSlopeM: number
}

const DEG = 180 / Math.PI

/** The dimensions that a form ties to others. */
export function tiedShape(shape: Shape): Shape {
  const { form, widthM, kneeWallM, ridgeHeightM } = shape
  if (form === 'shed') return { ...shape, ridgeAtM: widthM, backWallM: ridgeHeightM }
  if (form === 'gable') return { ...shape, ridgeAtM: widthM / 2, backWallM: kneeWallM }
  return shape
}

/** The outline of a section. Its numbers may come from the middle of a drag: it never throws, and `outlineFaults` says what is wrong. */
export function makeOutline(given: Shape): Outline {
  const s = tiedShape({ form: given.form, widthM: given.widthM, kneeWallM: given.kneeWallM, ridgeHeightM: given.ridgeHeightM, ridgeAtM: given.ridgeAtM, backWallM: given.backWallM })
  const ridge = { x: s.ridgeAtM, z: s.ridgeHeightM }
  const corners = [{ x: 0, z: 0 }, { x: 0, z: s.kneeWallM }, ridge, { x: s.widthM, z: s.backWallM }, { x: s.widthM, z: 0 }]
    .filter((p, i, all) => i === 0 || Math.hypot(p.x - all[i - 1]!.x, p.z - all[i - 1]!.z) > 1e-9)
  return {
    ...s, corners, areaM2: polygonArea(corners),
    glazingAngleDeg: Math.atan2(s.ridgeHeightM - s.kneeWallM, s.ridgeAtM) * DEG,
    sunnySlopeM: Math.hypot(s.ridgeAtM, s.ridgeHeightM - s.kneeWallM),
    poleSlopeM: Math.hypot(s.widthM - s.ridgeAtM, s.ridgeHeightM - s.backWallM),
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

/** Height of the roof or glazing above the floor at x, m. */
export function clearHeightAt(outline: Outline, x: number): number {
  if (x <= outline.ridgeAtM) return outline.kneeWallM + (outline.ridgeHeightM - outline.kneeWallM) * x / outline.ridgeAtM
  return outline.ridgeHeightM + (outline.backWallM - outline.ridgeHeightM) * (x - outline.ridgeAtM) / (outline.widthM - outline.ridgeAtM)
}

/** What is wrong between the dimensions of a section, each with its path. */
export function outlineFaults(shape: Design['shape'], angles: readonly [number, number]): { path: string, message: string, allowed: string }[] {
  const out: { path: string, message: string, allowed: string }[] = []
  const o = makeOutline(shape)
  const m = (v: number) => `${Math.round(v * 100) / 100} m`
  if (shape.form === 'saltbox') {
    if (shape.ridgeAtM > shape.widthM - 0.2) out.push({ path: 'shape.ridgeAtM', message: 'puts the ridge outside the back wall', allowed: `at most ${m(shape.widthM - 0.2)}, or the form “shed”` })
    if (shape.backWallM > shape.ridgeHeightM) out.push({ path: 'shape.backWallM', message: 'is higher than the ridge', allowed: `at most ${m(shape.ridgeHeightM)}` })
  }
  if (o.ridgeHeightM <= o.kneeWallM) out.push({ path: 'shape.ridgeHeightM', message: 'is not above the knee wall', allowed: `above ${m(o.kneeWallM)}` })
  else if (o.glazingAngleDeg < angles[0] || o.glazingAngleDeg > angles[1]) {
    out.push({ path: 'shape.ridgeHeightM', message: `gives a glazing angle of ${o.glazingAngleDeg.toFixed(1)}°`, allowed: `an angle from ${angles[0]}° to ${angles[1]}°` })
  }
  shape.beds.forEach((bed, i) => {
    if (bed.atM + bed.widthM > shape.widthM + 1e-9) out.push({ path: `shape.beds[${i}].atM`, message: 'runs through the back wall', allowed: `near edge plus width at most ${m(shape.widthM)}` })
    const other = shape.beds.findIndex((b, j) => j < i && overlaps(b, bed))
    if (other >= 0) out.push({ path: `shape.beds[${i}].atM`, message: `overlaps bed ${other + 1}`, allowed: 'beds that stand apart' })
  })
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
