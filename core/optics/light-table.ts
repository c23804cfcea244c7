import { leafByMonth, leavesM } from '../aim/leaf'
import { kindOf } from '../bodies/registry'
import { entry, FINISHES, MATERIALS, usualFrameShare, type Glazing } from '../catalog'
import type { Design, Layer } from '../design/types'
import { bedFace, bedMeter, bedSide, bodyFace, leafFace, type FaceId } from '../geometry/faces'
import { edgesOf, isRectangle } from '../geometry/footprint'
import { bedSidesM2, freeSidesM2, freeStrips, inPieces, standsOnM2 } from '../geometry/objects'
import type { Canopy, Leaves } from '../geometry/ray-foliage'
import { shadingOf } from '../geometry/shading'
import type { Building, Surface } from '../geometry/surfaces'
import { materialOf } from '../materials/assembly'
import { within } from '../openings/winter'
import { canopyLight, EXTINCTION } from './canopy'
import { makeGlazingLight, type GlazingLight } from './glazing-light'
import { makeLandings, makeOuterShadows, objectAreaM2, type Landing, type LightFace, type OuterShadow } from './landing'

const { max, min } = Math

/** Plants and moist soil together. */
export const BED_ABSORPTANCE = 0.82
/** Soil at the bare side of a bed, dry on its face. */
const BED_SIDE_ABSORPTANCE = 0.65
const STRIP_ABSORPTANCE = 0.4
const BENCH_ABSORPTANCE = 0.6

/** What stays the same while only the sky changes: faces, landings and glazing curves. */
export interface LightTable {
  faces: LightFace[]
  panes: LitPane[]
  /** The same by month, January first: benches may stand for a part of the year. */
  byMonth: (readonly LitPane[])[]
  /** How many night covers there are, each over its own panes. */
  covers: number
  /** How often snow at the foot of the house is cleared. */
  cleared: Design['skin']['snow']['cleared']
  /** Of the outer walls that eaves or a house may shade: what the sun and the sky find free of them. */
  shadows: readonly OuterShadow[]
}

/** A glazed surface: where its light ends up, and what it is glazed with. */
export interface LitPane extends Landing {
  light: GlazingLight
  /** Share of an opening's light that bars, dirt and age leave, 0–1. */
  kept: number
  /** Share of an opening that is pane. */
  paneShare: number
}

/** Faces that light can land on, with what they take in. Those that only meter it come last. */
export function lightFaces(
  design: Pick<Design, 'store' | 'shape'>,
  building: Building,
  reflectanceOf: (pane: Surface) => number,
  growth: Growth = NO_LEAF,
): LightFace[] {
  const { store } = design
  const faces: LightFace[] = []
  const add = (id: FaceId, areaM2: number, absorptance: number, glazing = false) => {
    const same = faces.find(f => f.id === id)
    if (same) same.areaM2 += areaM2
    else if (areaM2 > 1e-6) faces.push({ id, areaM2, absorptance, glazing })
  }
  const inner = (s: Surface) =>
    entry(FINISHES, s.finish).solarAbsorptance ?? materialOf(s.layers[s.layers.length - 1]!).solarAbsorptance
  const standing = building.objects.filter(o => o.z0 < 0.01 && !o.bank).reduce((sum, o) => sum + standsOnM2(o), 0)
  for (const s of building.surfaces) {
    if (s.kind === 'glazed') add(s.id, s.areaM2, 1 - reflectanceOf(s), true)
    else if (s.kind === 'opaque') add(s.id, s.areaM2, inner(s))
    else add('floor', max(0.02 * s.areaM2, s.areaM2 - standing), floorAbsorptance(design))
  }
  for (const o of building.objects) {
    if (o.kind !== 'bed') continue
    const top = standsOnM2(o)
    const leafArea = growth.leafArea[o.index] ?? 0
    add(bedFace(o.index), top * (1 - canopyLight(leafArea).met), BED_ABSORPTANCE)
    const { boardM, boardMaterial } = design.shape.beds[o.index]!
    const side = boardM > 0 ? entry(MATERIALS, boardMaterial).solarAbsorptance : BED_SIDE_ABSORPTANCE
    add(bedSide(o.index), bedSidesM2(building, o), side)
  }
  add('benches', objectAreaM2(building, 'benches'), BENCH_ABSORPTANCE)
  store.bodies.forEach((b, i) => {
    const face = bodyFace(i)
    add(face, objectAreaM2(building, face), kindOf(b).absorptance(b))
  })
  add(
    'shade strip',
    design.shape.form === 'dome' ? 0 : 2 * design.shape.shadeStripM * building.lengthM,
    STRIP_ABSORPTANCE,
  )
  const meters: LightFace[] = []
  for (const bed of new Set(growth.canopies.map(c => c.bed))) {
    const stand = growth.canopies.filter(c => c.bed === bed)
    const top = stand.reduce((sum, c) => sum + standsOnM2(c), 0)
    const sides = stand.reduce((sum, c) => sum + freeSidesM2(c, growth.canopies, building.walls), 0)
    const { met, taken, down } = canopyLight(growth.leafArea[bed]!)
    // What goes down beyond what the leaves leave open anyway.
    const scattered = met > 0 ? max(0, down - 1 + met) / met : 0
    faces.push({
      id: leafFace(bed),
      areaM2: (top + sides) * met,
      absorptance: met > 0 ? taken / met / (1 - scattered) : 1,
      glazing: false,
      down: { to: bedFace(bed), share: scattered },
    })
    meters.push({ id: bedMeter(bed), areaM2: top, absorptance: 1, glazing: false, meter: true })
  }
  return [...faces, ...meters]
}

/** Leaves in a room in one of their states: leaf over bed area by bed, and the room that leaves take up. */
interface Growth {
  leafArea: readonly number[]
  canopies: readonly Canopy[]
}
const NO_LEAF: Growth = { leafArea: [], canopies: [] }

/** The leaves of those beds that ever have any, in some states of leaf over bed area, each by bed. */
function leavesIn(
  { shape }: Pick<Design, 'shape'>,
  building: Building,
  ever: readonly boolean[],
  states: readonly (readonly number[])[],
): Leaves {
  const canopies = inPieces(building.objects).flatMap((o): Canopy[] => {
    if (o.kind !== 'bed' || !ever[o.index]) return []
    const room = building.outline.ridgeHeightM - o.z1
    const tallM = max(LEAST_LEAVES_M, min(room, leavesM(shape.beds[o.index]!)))
    const { x0, x1, y0, y1, z1 } = o
    const perM = states.map(areas => (EXTINCTION * areas[o.index]!) / tallM)
    const piece = o.pieces[0]!
    const edges = isRectangle(piece) ? null : edgesOf(piece)
    return [{ bed: o.index, x0, x1, y0, y1, z0: z1, z1: z1 + tallM, pieces: [piece], edges, perM }]
  })
  return { states: states.length, canopies }
}
/** Leaves stand no lower, m. */
const LEAST_LEAVES_M = 0.02

/** Of the floor that nothing stands on: by its widest way through and the rest, each by its top layer. */
function floorAbsorptance(design: Pick<Design, 'store' | 'shape'>): number {
  const { path, rest } = design.store.floor
  const of = (layers: readonly Layer[]) => materialOf(layers.at(-1) ?? { material: 'soil' }).solarAbsorptance
  const strips = path ? freeStrips(design) : []
  const free = strips.reduce((sum, s) => sum + s.x1 - s.x0, 0)
  if (!path || free === 0) return of(rest)
  const walked = Math.max(...strips.map(s => s.x1 - s.x0)) / free
  return walked * of(path) + (1 - walked) * of(rest)
}

/** The light table of a building: independent of the weather. */
export function makeLightTable(
  design: Pick<Design, 'store' | 'skin' | 'shape' | 'site' | 'aim'>,
  building: Building,
): LightTable {
  const lights = new Map<Glazing, GlazingLight>()
  const lightOf = ({ glazing }: Surface): GlazingLight => {
    if (!lights.has(glazing!)) lights.set(glazing!, makeGlazingLight(glazing!))
    return lights.get(glazing!)!
  }
  const reflectanceOf = (s: Surface) => lightOf(s).diffuse.reflectance
  const extras = shadingOf(design.shape, building.outline)
  const { beds, benches } = design.shape
  const leaf = beds.map(b => leafByMonth(design.aim, b))
  const months = Array.from({ length: 12 }, (_, m) => ({
    stands: benches.map(b => within(m + 1, b.fromMonth, b.untilMonth)),
    leafArea: leaf.map(byMonth => byMonth[m]!),
  }))
  const ever = leaf.map(byMonth => byMonth.some(area => area > 0))
  const byMonth = new Array<LitPane[]>(12)
  let faces: LightFace[] = []
  // Rays are cast anew for other benches; leaves are seen in all their states at once.
  for (const benchesNow of new Set(months.map(m => m.stands.join()))) {
    const these = [...months.keys()].filter(m => months[m]!.stands.join() === benchesNow)
    const keys = [...new Set(these.map(m => months[m]!.leafArea.join()))]
    const states = keys.map(key => months[these.find(m => months[m]!.leafArea.join() === key)!]!.leafArea)
    const { stands } = months[these[0]!]!
    const house = { ...building, objects: building.objects.filter(o => o.kind !== 'bench' || stands[o.index]) }
    const leaves = leavesIn(design, building, ever, states)
    const here = states.map(leafArea =>
      lightFaces(design, building, reflectanceOf, { leafArea, canopies: leaves.canopies }).map(f =>
        f.id === 'benches' ? { ...f, areaM2: objectAreaM2(house, 'benches') } : f,
      ),
    )
    faces = here[0]!
    const landings = makeLandings({
      building: house,
      extras,
      faces: here,
      leaves,
      latitudeDeg: design.site.latitudeDeg,
    })
    const lit = landings.map(list =>
      list.map((landing): LitPane => {
        const { glazing, condition } = landing.surface
        const { ageYears, dirt } = condition
        const frameShare = condition.frameShare ?? usualFrameShare(design.shape.form, glazing!)
        return {
          ...landing,
          light: lightOf(landing.surface),
          kept: (1 - frameShare) * (1 - dirt) * (1 - glazing!.ageingPerYear) ** ageYears,
          paneShare: 1 - frameShare,
        }
      }),
    )
    for (const m of these) byMonth[m] = lit[keys.indexOf(months[m]!.leafArea.join())]!
  }
  return {
    faces,
    covers: building.covers.length,
    cleared: design.skin.snow.cleared,
    shadows: makeOuterShadows(building, extras, design.site.latitudeDeg),
    panes: byMonth[0]!,
    byMonth,
  }
}
