import { entry, GLAZINGS, type Glazing } from '../catalog'
import { limpFilm } from '../catalog/glazings'
import {
  PART_NAMES,
  type ChainPart,
  type Cover,
  type Design,
  type Form,
  type Layer,
  type PartId,
  type PartName,
} from '../design/types'
import { openingName } from '../openings/registry'
import type { WinterHabit } from '../openings/winter'
import { edgeLength, type Outline, type Point } from './section'

/**
 * What the reader calls a piece of skin; pieces of one name share a face of the light table.
 */
export type SurfaceId =
  | PartName
  | `top of the ${PartName}`
  | `${PartName} glazing`
  | OpeningFace
  | LeafFace
  | 'dome glazing'
  | 'dome roof'
  | 'riser wall'
  | 'floor'

/** The panes of an opening, by its place in the document. */
export type OpeningFace = `opening ${number}`
export const openingFace = (index: number): OpeningFace => `opening ${index}`

/** What of its leaves is no pane, by its place in the document. */
export type LeafFace = `leaf of opening ${number}`
export const leafFaceOf = (index: number): LeafFace => `leaf of opening ${index}`
/** Which opening a face is of, glazed or not; −1 where it is of none. */
export const openingOf = (face: string): number => Number(/^(?:leaf of )?opening (\d+)$/.exec(face)?.[1] ?? -1)

/** Whether a piece of skin is of an opening, and no piece of wall, roof or glazing. */
export const isLeaf = ({ id }: { id: SurfaceId }): boolean => openingOf(id) >= 0

/** As the reader calls a piece of skin. */
export function surfaceName(openings: Design['skin']['openings'], id: SurfaceId): string {
  const opening = openingOf(id)
  return opening >= 0 && opening < openings.length ? openingName(openings, opening).toLowerCase() : id
}

/** What is drawn over panes: a night cover, or the boards that stand before them on the days of a winter. */
export type PaneCover = Cover & { boards?: WinterHabit }

/** What a part is made of, with what it leaves to the house filled in. */
export interface Made {
  kind: 'solid' | 'glazed'
  glazing: Glazing
  condition: Design['skin']['condition']
  cover: PaneCover
  /** Outside to inside: of the part where it is solid, and of its solid upper stretch. */
  layers: Layer[]
  topLayers: Layer[]
  /** Finishes of the inner and the outer face, by their ids. */
  finish: string
  topFinish: string
  outside: string
}

/** Whether a part is the wall of the house that a lean-to leans on. */
export const isHouseWall = ({ form }: Pick<Design['shape'], 'form'>, part: PartId): boolean =>
  form === 'lean-to' && part === 'backWall'

/** Parts that are roof where they are solid: built and finished like the solid roof unless they say otherwise. */
const SLOPES: readonly PartId[] = ['sunnySlope', 'poleSlope', 'lowerPoleSlope']
export const isSlope = (part: PartId): boolean => SLOPES.includes(part)
/** Parts whose upper end is the one towards the ridge as the chain runs. */
export const RISING: readonly PartId[] = ['kneeWall', 'front', 'sunnySlope']

const DOME_NAMES: Partial<Record<PartId, string>> = {
  kneeWall: 'riser wall',
  sunnySlope: 'dome glazing',
  poleSlope: 'dome roof',
}
/** As the reader calls a part of a form. */
export const partName = (part: PartId, form: Form): string =>
  (form === 'dome' ? DOME_NAMES[part] : undefined) ?? PART_NAMES[part]

/** As the reader calls the corner that a part of the section leads to: on the pole side that is its lower one. */
export const cornerName = (part: ChainPart): string =>
  `${RISING.includes(part) ? 'Top' : 'Foot'} of the ${PART_NAMES[part]}`

/** The parts that a design's form has, round the section and then the ends. */
export function partsOf(design: Pick<Design, 'shape' | 'skin'>, outline: Outline): PartId[] {
  const there: PartId[] = [...new Set(stretches(design, outline).map(s => s.part))]
  // A dome whose pole side is glazed as well has its part all the same: that is where it is said.
  if (outline.form === 'dome') return [...new Set([...there, 'poleSlope' as const])]
  return [...there, 'eastEnd', 'westEnd']
}

/** A glazing as it hangs: film that nothing blows up lies sheet on sheet. */
function asBlown(glazing: Glazing, { blowerW }: Made['condition']): Glazing {
  return blowerW > 0 ? glazing : limpFilm(glazing)
}

/** A part of a skin as it is made. */
export function madeOf(skin: Design['skin'], part: PartId): Made {
  const own = skin.parts[part]
  const slope = isSlope(part)
  const condition = own.condition ?? skin.condition
  return {
    kind: own.kind,
    glazing: asBlown(entry(GLAZINGS, own.glazing ?? skin.glazing), condition),
    condition,
    cover: own.cover ?? skin.cover,
    layers: own.layers ?? (slope ? skin.roof : skin.wall),
    topLayers: own.layers ?? skin.roof,
    finish: own.finish ?? (slope ? skin.finish.roof : skin.finish.wall),
    topFinish: own.finish ?? skin.finish.roof,
    outside: own.outside,
  }
}

/** Mass on the inner face of a solid part, outside to inside. */
export const liningsOn = ({ linings }: Design['store'], part: PartId): Design['store']['linings'] =>
  linings.filter(l => l.part === part)
export const liningM = (store: Design['store'], part: PartId): number =>
  liningsOn(store, part).reduce((sum, l) => sum + l.thicknessM, 0)

/** A straight piece of the section's skin, all of one make. */
export interface Stretch {
  part: ChainPart
  id: SurfaceId
  glazed: boolean
  /** The solid upper stretch of a glazed part. */
  top: boolean
  a: Point
  b: Point
}

/**
 * The skin of a section piece by piece, from the sunny foot round to the pole-side foot. A dome is cut in its middle.
 */
export function stretches({ shape, skin }: Pick<Design, 'shape' | 'skin'>, outline: Outline): Stretch[] {
  if (shape.form === 'dome') return domeStretches(shape, skin, outline)
  const along = new Map<ChainPart, number>()
  const whole = (part: ChainPart) =>
    outline.edges.filter(e => e.part === part).reduce((sum, e) => sum + edgeLength(e), 0)
  return outline.edges.flatMap((e): Stretch[] => {
    const { kind, solidTopM } = skin.parts[e.part]
    const from = along.get(e.part) ?? 0
    const long = edgeLength(e)
    along.set(e.part, from + long)
    const piece = (top: boolean, t0: number, t1: number): Stretch => ({
      part: e.part,
      id: top ? `top of the ${PART_NAMES[e.part]}` : PART_NAMES[e.part],
      glazed: kind === 'glazed' && !top,
      top,
      a: between(e.a, e.b, t0),
      b: between(e.a, e.b, t1),
    })
    if (kind === 'solid' || solidTopM <= 0) return [piece(false, 0, 1)]
    const rises = RISING.includes(e.part)
    // Where the solid stretch begins or ends, as a share of this edge.
    const cut = ((rises ? whole(e.part) - solidTopM : solidTopM) - from) / long
    if (cut <= 1e-6) return [piece(rises, 0, 1)]
    if (cut >= 1 - 1e-6) return [piece(!rises, 0, 1)]
    return [piece(!rises, 0, cut), piece(rises, cut, 1)]
  })
}

function between(a: Point, b: Point, t: number): Point {
  return t === 0 ? a : t === 1 ? b : { x: a.x + (b.x - a.x) * t, z: a.z + (b.z - a.z) * t }
}

function domeStretches(shape: Design['shape'], skin: Design['skin'], outline: Outline): Stretch[] {
  let ring = 0
  return outline.edges.map(({ part, a, b }): Stretch => {
    const wall = part === 'kneeWall' || part === 'backWall'
    const solid =
      part === 'poleSlope' &&
      domeFacetSolid({ shape, skin }, 0, outline.edges.filter(e => e.part === part).length - 1 - ring++)
    return {
      part: wall ? 'kneeWall' : solid ? 'poleSlope' : 'sunnySlope',
      id: wall ? 'riser wall' : solid ? 'dome roof' : 'dome glazing',
      glazed: wall ? skin.parts.kneeWall.kind === 'glazed' : !solid,
      top: false,
      a,
      b,
    }
  })
}

/** Whether a facet of a dome is solid: so many degrees round from the pole, in the ring from the riser wall up. */
export function domeFacetSolid(
  { shape, skin }: Pick<Design, 'shape' | 'skin'>,
  fromPoleDeg: number,
  ring: number,
): boolean {
  return (
    skin.parts.poleSlope.kind === 'solid' &&
    shape.dome.poleSideDeg > 0 &&
    Math.abs(fromPoleDeg) <= shape.dome.poleSideDeg &&
    ring < shape.dome.poleSideRings
  )
}
