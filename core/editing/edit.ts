import { plantedOf } from '../beds/common'
import { bedKind } from '../beds/registry'
import { roundBeds } from '../beds/round-beds'
import { DOME_FLOOR } from '../geometry/dome'
import { hasFront, makeOutline, ridgeForAngle, TIED, tiedShape } from '../geometry/section'
import { CHAIN, rangeOf, type Bed, type ChainPart, type Corner, type Design, type Form } from '../design'

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

const within = (path: string, v: number): number => {
  const [low, high] = rangeOf(path)
  return cm(Math.min(high, Math.max(low, v)))
}

/**
 * A shape written with what its form ties, so that the file says what is built. A gambrel's break keeps its place
 * between knee wall and ridge as it `was`; the top of another form's front stays as far above the knee wall.
 */
function settled(shape: Shape, was: Shape = shape): Shape {
  const t = tiedShape(shape)
  const tied = { ...shape, kneeWallM: cm(t.kneeWallM), ridgeAtM: cm(t.ridgeAtM), backWallM: cm(t.backWallM) }
  if (shape.form === 'own')
    return {
      ...tied,
      kneeWallM: within('shape.kneeWallM', t.kneeWallM),
      ridgeHeightM: within('shape.ridgeHeightM', t.ridgeHeightM),
      ridgeAtM: within('shape.ridgeAtM', t.ridgeAtM),
    }
  const old = tiedShape(was)
  if (shape.form === 'gambrel') {
    const rise = old.ridgeHeightM - old.kneeWallM
    const along = old.ridgeAtM > 0 ? shape.breakAtM / old.ridgeAtM : 0.3
    const up = rise > 0 ? (shape.breakHeightM - old.kneeWallM) / rise : 0.6
    const breakHeightM = cm(t.kneeWallM + up * (t.ridgeHeightM - t.kneeWallM))
    return { ...tied, breakAtM: cm(along * t.ridgeAtM), breakHeightM }
  }
  return hasFront(shape) ? { ...tied, breakHeightM: cm(shape.breakHeightM + t.kneeWallM - old.kneeWallM) } : tied
}

/** A front from the knee wall up, upright unless told, or none; the ridge rises where it would not clear it. */
export function withFront(shape: Shape, front: boolean): Shape {
  if (!front) return { ...shape, front }
  const most = 0.75 * (shape.ridgeHeightM - shape.kneeWallM)
  return { ...shape, front, breakAtM: 0, breakHeightM: cm(shape.kneeWallM + Math.min(FRONT_M, most)) }
}
/** How high a new front is, m: a standing pane. */
const FRONT_M = 0.9

/** The corners of a shape as the form `own` has them: bent parts by their ends. */
function cornersOf(shape: Shape): Corner[] {
  const { edges } = makeOutline(shape)
  return edges
    .filter((e, i) => edges[i + 1]?.part !== e.part)
    .map(e => ({ part: e.part, atM: cm(e.b.x), heightM: cm(e.b.z) }))
}

const withCorners = (shape: Shape, corners: readonly Corner[]): Shape => settled({ ...shape, corners: [...corners] })

/**
 * A corner of the form `own` at another place. The last one is the foot of the pole side, and moves along the floor.
 */
export function withCorner(shape: Shape, index: number, atM: number, heightM: number): Shape {
  if (index === shape.corners.length - 1) return withWidth(shape, atM)
  return withCorners(
    shape,
    shape.corners.map((c, i) => (i === index ? { ...c, atM: cm(atM), heightM: cm(heightM) } : c)),
  )
}

/**
 * A part of the form `own` broken in its middle; what it was made of, both of its halves are. Null where there is no
 * name left for a part there.
 */
export function cornerAdded(design: Design, part: ChainPart): Patch[] | null {
  const { corners } = design.shape
  const i = corners.findIndex(c => c.part === part)
  if (i < 0) return null
  const place = (p: ChainPart | undefined, otherwise: number) => (p ? CHAIN.indexOf(p) : otherwise)
  const before = CHAIN.slice(place(corners[i - 1]?.part, -1) + 1, CHAIN.indexOf(part)).at(-1)
  const after = CHAIN.slice(CHAIN.indexOf(part) + 1, place(corners[i + 1]?.part, CHAIN.length))[0]
  const end = corners[i]!
  const start = corners[i - 1] ?? { atM: 0, heightM: 0 }
  const middle = { atM: cm((start.atM + end.atM) / 2), heightM: cm((start.heightM + end.heightM) / 2) }
  const fresh = before ?? after
  if (!fresh) return null
  const halves: Corner[] = before
    ? [{ ...middle, part: before }, end]
    : [
        { ...middle, part },
        { ...end, part: fresh },
      ]
  const made = { ...design.skin.parts[part], solidTopM: 0 }
  return [
    ['shape', withCorners(design.shape, [...corners.slice(0, i), ...halves, ...corners.slice(i + 1)])],
    [`skin.parts.${fresh}`, made],
  ]
}

/** The form `own` without one of its corners, and without the part that leads there. The ridge and the foot stay. */
export function withoutCorner(shape: Shape, index: number): Shape {
  const corner = shape.corners[index]
  if (!corner || corner.part === 'sunnySlope' || index === shape.corners.length - 1) return shape
  return withCorners(
    shape,
    shape.corners.filter((_, i) => i !== index),
  )
}

/** How far a floor may be off one of the same area, as a share: dimensions are whole centimetres. */
const SAME_FLOOR = 0.01
/** A house that comes of a dome is so many times as long as it is wide, where it was none before. */
const USUAL_LENGTHS = 2

/** Width and length on which another form has the floor that a house has: a dome's is round. */
function onSameFloor(shape: Shape, form: Form, earlier: readonly Shape[]): Shape {
  const [was, is] = [shape.form === 'dome', form === 'dome']
  if (was === is) return shape
  const floorOf = (s: Shape) => s.widthM * s.lengthM * (s.form === 'dome' ? DOME_FLOOR : 1)
  const floorM2 = floorOf(shape)
  const before = [...earlier].reverse().find(s => (s.form === 'dome') === is)
  const known = before && Math.abs(floorOf(before) / floorM2 - 1) < SAME_FLOOR ? before : null
  const lengths = before ? before.lengthM / before.widthM : USUAL_LENGTHS
  const widthM = cm(known ? known.widthM : Math.sqrt(floorM2 / (is ? DOME_FLOOR : lengths)))
  const k = widthM / shape.widthM
  return {
    ...shape,
    widthM,
    lengthM: known ? known.lengthM : is ? widthM : cm(floorM2 / widthM),
    ridgeAtM: cm(shape.ridgeAtM * k),
    beds: shape.beds.map(b => ({ ...b, ...bedKind(b).stretched(b, k) }) as Bed),
    corners: shape.corners.map(c => ({ ...c, atM: cm(c.atM * k) })),
  }
}

/**
 * Another form on the same floor area. A dimension that the new form sets free and the old one did not starts where it
 * was last free in `earlier` (latest last), else where the old form had it.
 */
export function withForm(from: Shape, form: Form, earlier: readonly Shape[] = []): Shape {
  const shape = onSameFloor(from, form, earlier)
  const was = tiedShape(shape)
  const { kneeWallM, ridgeHeightM } = shape.form === 'own' ? was : shape
  // What lies round a dome lies along any other house.
  const beds = form === 'dome' ? shape.beds : shape.beds.map(b => (bedKind(b).notRound?.(b) ?? b) as Bed)
  const next = { ...shape, form, beds, kneeWallM, ridgeHeightM, ridgeAtM: was.ridgeAtM, backWallM: was.backWallM }
  if (form === 'own') {
    const known = [...earlier].reverse().find(s => s.form === 'own')
    return withCorners(next, known?.corners ?? cornersOf(shape))
  }
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
  if (form === 'dome') {
    // Its beds lie round it.
    const [first] = shape.beds
    if (shape.form !== 'dome')
      next.beds = first ? roundBeds(shape.widthM, Math.max(...shape.beds.map(b => b.heightM)), plantedOf(first)) : []
  }
  return form === 'gambrel'
    ? { ...settled(next), breakAtM: next.breakAtM, breakHeightM: next.breakHeightM }
    : settled(next)
}

/** Another width: the beds keep their share of the floor, a saltbox's ridge its place. */
export function withWidth(shape: Shape, widthM: number): Shape {
  const k = widthM / shape.widthM
  const beds = shape.beds.map(b => ({ ...b, ...bedKind(b).stretched(b, k) }) as Bed)
  return settled(
    {
      ...shape,
      widthM: cm(widthM),
      beds,
      ridgeAtM: cm(Math.min(shape.ridgeAtM, widthM - 0.2)),
      corners: shape.corners.map(c => ({ ...c, atM: cm(c.atM * k) })),
      lengthM: shape.form === 'dome' ? cm(widthM) : shape.lengthM,
    },
    shape,
  )
}

/** The sunny wall moved out (positive) or in, ridge and back wall left standing; the glazing angle follows. */
export function withSunnyWallMoved(shape: Shape, byM: number): Shape {
  const widthM = cm(shape.widthM + byM)
  const beds = shape.beds.map(b => ({ ...b, ...bedKind(b).moved(b, byM) }) as Bed)
  return settled(
    {
      ...shape,
      widthM,
      beds,
      ridgeAtM: cm(shape.ridgeAtM + byM),
      corners: shape.corners.map(c => (c.atM > 0 ? { ...c, atM: cm(Math.max(0, c.atM + byM)) } : c)),
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
  if (shape.form === 'own') return withRidge(shape, ridgeHeightM)
  return settled({ ...shape, ridgeHeightM, backWallM: Math.min(shape.backWallM, ridgeHeightM) }, shape)
}

/** Another knee wall with the glazing angle held: the ridge rises with it. */
export function withKneeWallLifted(shape: Shape, kneeWallM: number): Shape {
  const angle = makeOutline(shape).glazingAngleDeg
  return withGlazingAngle(withKneeWall(shape, kneeWallM), angle)
}

/** Another knee wall with the ridge left where it is. */
export function withKneeWall(shape: Shape, kneeWallM: number): Shape {
  if (shape.form === 'own') {
    const by = kneeWallM - tiedShape(shape).kneeWallM
    const low = (c: Corner) => c.part === 'kneeWall' || c.part === 'front'
    return withCorners(
      shape,
      shape.corners.map(c => (low(c) ? { ...c, heightM: cm(c.heightM + by) } : c)),
    )
  }
  return settled({ ...shape, kneeWallM: cm(kneeWallM) }, shape)
}

/** The ridge at another height, and for a saltbox another place. */
export function withRidge(shape: Shape, ridgeHeightM: number, ridgeAtM = shape.ridgeAtM): Shape {
  if (shape.form === 'own') {
    const ridge = shape.corners.findIndex(c => c.part === 'sunnySlope')
    const top = cm(ridgeHeightM)
    return withCorners(
      shape,
      shape.corners.map((c, i) => ({
        ...c,
        heightM: i === ridge ? top : i > ridge ? Math.min(c.heightM, top) : c.heightM,
        atM: i === ridge && ridgeAtM !== shape.ridgeAtM ? cm(ridgeAtM) : c.atM,
      })),
    )
  }
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
