import { makeOutline, ridgeForAngle, TIED, tiedShape } from '../geometry/section'
import type { Bed, Design, Form } from '../design'

/** A change to one place of the document: its path, as in `shape.beds.1.widthM`, and the new value. */
export type Patch = readonly [path: string, value: unknown]

/**
 * A document with places changed. What is not on a path is shared with the old one, which stays as it was. Throws
 * RangeError for a path that is not there.
 */
export function patchDesign(design: Design, patches: readonly Patch[]): Design {
  return patches.reduce<Design>((d, [path, value]) => setAt(d, path.split('.'), value, path) as Design, design)
}

function setAt(node: unknown, keys: readonly string[], value: unknown, path: string): unknown {
  const [key, ...rest] = keys
  if (key === undefined) return value
  if (typeof node !== 'object' || node === null || !Object.hasOwn(node, key))
    throw new RangeError(`There is no ${path} in a design.`)
  const copy: Record<string, unknown> | unknown[] = Array.isArray(node)
    ? [...node]
    : { ...(node as Record<string, unknown>) }
  const at = copy as Record<string, unknown>
  at[key] = setAt(at[key], rest, value, path)
  return copy
}

type Shape = Design['shape']
const cm = (v: number) => Math.round(v * 1000) / 1000

/**
 * A shape written with what its form ties, so that the file says what is built. A gambrel's break keeps its place
 * between knee wall and ridge as it `was`.
 */
function settled(shape: Shape, was: Shape = shape): Shape {
  const t = tiedShape(shape)
  const old = tiedShape(was)
  const rise = old.ridgeHeightM - old.kneeWallM
  const along = old.ridgeAtM > 0 ? shape.breakAtM / old.ridgeAtM : 0.3
  const up = rise > 0 ? (shape.breakHeightM - old.kneeWallM) / rise : 0.6
  const gambrel =
    shape.form === 'gambrel'
      ? { breakAtM: cm(along * t.ridgeAtM), breakHeightM: cm(t.kneeWallM + up * (t.ridgeHeightM - t.kneeWallM)) }
      : {}
  return { ...shape, kneeWallM: cm(t.kneeWallM), ridgeAtM: cm(t.ridgeAtM), backWallM: cm(t.backWallM), ...gambrel }
}

/**
 * Another form at the same size. A dimension that the new form sets free and the old one did not starts where it was
 * last free in `earlier` (latest last), else where the old form had it.
 */
export function withForm(shape: Shape, form: Form, earlier: readonly Shape[] = []): Shape {
  const was = tiedShape(shape)
  const next = { ...shape, form, ridgeAtM: was.ridgeAtM, backWallM: was.backWallM }
  const freed = TIED[shape.form].filter(f => !TIED[form].includes(f))
  if (freed.includes('ridgeAtM')) {
    next.ridgeAtM = cm(shape.widthM * 0.75)
    next.backWallM = cm(Math.max(shape.kneeWallM, shape.ridgeHeightM * 0.7))
  }
  if (freed.includes('breakAtM')) {
    next.breakAtM = cm(shape.widthM * 0.15)
    next.breakHeightM = cm(shape.kneeWallM + 0.65 * (shape.ridgeHeightM - shape.kneeWallM))
  }
  for (const field of freed) {
    const known = [...earlier].reverse().find(s => !TIED[s.form].includes(field))
    if (known) Object.assign(next, { [field]: known[field] })
  }
  if (form === 'a-frame') next.sunkM = 0
  if (form === 'lean-to')
    next.house = { ...shape.house, heightM: Math.max(shape.house.heightM, cm(shape.ridgeHeightM)) }
  // A dome is as long as it is wide.
  if (form === 'dome') next.lengthM = shape.widthM
  return form === 'gambrel'
    ? { ...settled(next), breakAtM: next.breakAtM, breakHeightM: next.breakHeightM }
    : settled(next)
}

/** Another width: the beds keep their share of the floor, a saltbox's ridge its place. */
export function withWidth(shape: Shape, widthM: number): Shape {
  const k = widthM / shape.widthM
  const beds = shape.beds.map((b): Bed => ({ ...b, atM: cm(b.atM * k), widthM: cm(b.widthM * k) }))
  return settled(
    {
      ...shape,
      widthM: cm(widthM),
      beds,
      ridgeAtM: cm(Math.min(shape.ridgeAtM, widthM - 0.2)),
      lengthM: shape.form === 'dome' ? cm(widthM) : shape.lengthM,
    },
    shape,
  )
}

/** The sunny wall moved out (positive) or in, ridge and back wall left standing; the glazing angle follows. */
export function withSunnyWallMoved(shape: Shape, byM: number): Shape {
  const widthM = cm(shape.widthM + byM)
  const beds = shape.beds.map((b): Bed => ({ ...b, atM: cm(Math.max(0, b.atM + byM)) }))
  return settled(
    {
      ...shape,
      widthM,
      beds,
      ridgeAtM: cm(shape.ridgeAtM + byM),
      lengthM: shape.form === 'dome' ? widthM : shape.lengthM,
    },
    shape,
  )
}

/**
 * Another glazing angle: the ridge goes up or down, all else stays. A back wall that would rise above the ridge comes
 * down with it.
 */
export function withGlazingAngle(shape: Shape, angleDeg: number): Shape {
  const ridgeHeightM = cm(ridgeForAngle(shape, angleDeg))
  return settled({ ...shape, ridgeHeightM, backWallM: Math.min(shape.backWallM, ridgeHeightM) }, shape)
}

/** Another knee wall with the glazing angle held: the ridge rises with it. */
export function withKneeWallLifted(shape: Shape, kneeWallM: number): Shape {
  const angle = makeOutline(shape).glazingAngleDeg
  return withGlazingAngle({ ...shape, kneeWallM: cm(kneeWallM) }, angle)
}

/** Another knee wall with the ridge left where it is. */
export function withKneeWall(shape: Shape, kneeWallM: number): Shape {
  return settled({ ...shape, kneeWallM: cm(kneeWallM) }, shape)
}

/** The ridge at another height, and for a saltbox another place. */
export function withRidge(shape: Shape, ridgeHeightM: number, ridgeAtM = shape.ridgeAtM): Shape {
  return settled(
    {
      ...shape,
      ridgeHeightM: cm(ridgeHeightM),
      ridgeAtM: cm(ridgeAtM),
      backWallM: Math.min(shape.backWallM, cm(ridgeHeightM)),
    },
    shape,
  )
}

/**
 * A gambrel's break at another place: it may not leave the ridge's side of the chord, which the document's check holds.
 */
export function withBreak(shape: Shape, breakAtM: number, breakHeightM: number): Shape {
  return { ...shape, breakAtM: cm(breakAtM), breakHeightM: cm(breakHeightM) }
}

/** Another back wall; a shed's and a lean-to's is its ridge, that of forms alike on both sides the knee wall. */
export function withBackWall(shape: Shape, backWallM: number): Shape {
  if (shape.form === 'shed' || shape.form === 'lean-to') return withRidge(shape, backWallM)
  if (shape.form !== 'saltbox' && shape.form !== 'arch') return withKneeWall(shape, backWallM)
  return settled({ ...shape, backWallM: cm(backWallM) })
}
