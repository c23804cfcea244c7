import { CROPS, entry, GLAZINGS } from '../catalog'
import {
  GLAZING_ANGLE_RANGE,
  type ChainPart,
  type Cover,
  type Design,
  type Fault,
  type Layer,
  type PartId,
} from '../design'
import { fieldFaults } from '../design/validate'
import { airStoreKind } from '../air-stores/registry'
import { misfits } from '../geometry/fit'
import { openingFaults, openingMisfits } from '../geometry/let-in'
import { edgeLength, makeOutline, outlineFaults } from '../geometry/section'
import { makeBuilding } from '../geometry/surfaces'
import { WARMEST_AIR_C } from '../sources/heater'
import { sourceKind } from '../sources/registry'

/** Lamps give full sunlight at about this power, W per m² of floor. */
const MOST_LAMPS_WM2 = 1000

/** Checks that hold between fields; run once the fields themselves are sound. */
function faultsBetween(design: Design): Fault[] {
  const out: Fault[] = []
  const add = (path: string, message: string, allowed: string) => out.push({ path, message, allowed })
  design.aim.crops.forEach((c, i) => {
    if (c.needs === null && !CROPS.some(k => k.id === c.id))
      add(
        `aim.crops[${i}].id`,
        `“${c.id}” is in no catalogue and brings no needs`,
        `one of ${CROPS.map(c => c.id).join(', ')}, or needs of its own`,
      )
    else if (design.aim.crops.findIndex(o => o.id === c.id) < i)
      add(`aim.crops[${i}].id`, `“${c.id}” stands twice`, 'each crop once')
  })
  if (design.aim.lowestAirC >= design.aim.highestAirC)
    add('aim.lowestAirC', 'is not below the highest air', `below ${design.aim.highestAirC} °C`)
  for (const f of outlineFaults(design.shape, GLAZING_ANGLE_RANGE)) add(f.path, f.message, f.allowed)
  for (const f of skinFaults(design)) add(f.path, f.message, f.allowed)
  if (out.length === 0) for (const f of openingFaults(design)) add(f.path, f.message, f.allowed)
  if (out.length === 0 && !makeBuilding(design).surfaces.some(s => s.kind === 'glazed'))
    add('skin.parts', 'let no light in', 'a glazed part, or a glazed share of an end')
  const floorM2 = design.shape.lengthM * design.shape.widthM
  const { path, beds, rest } = design.store.floor
  for (const [zone, layers] of Object.entries({ path: path ?? [], beds, rest }))
    out.push(...ownFaults(`store.floor.${zone}`, layers))
  for (const f of sourceFaults(design, floorM2)) add(f.path, f.message, f.allowed)
  let under = 0
  design.store.airStores.forEach((s, i) => {
    under += airStoreKind(s).footM2(s)
    if (under > floorM2 && airStoreKind(s).footM2(s) > 0)
      add(
        `store.airStores[${i}].areaM2`,
        'is larger than the floor that it lies under',
        `${floorM2.toFixed(1)} m² in all`,
      )
  })
  return out
}

/** Checks of what adds heat and light, against each other and against what it warms. */
function sourceFaults({ topUp: { sources }, store }: Design, floorM2: number): Fault[] {
  const out: Fault[] = []
  const most = Math.floor(MOST_LAMPS_WM2 * floorM2)
  let lampsW = 0
  sources.forEach((s, i) => {
    const add = (field: string, message: string, allowed: string) =>
      out.push({ path: `topUp.sources[${i}].${field}`, message, allowed })
    if (s.kind === 'lamps') {
      lampsW += s.powerW
      if (lampsW > most) add('powerW', 'is more light than any plant bears', `at most ${most} W of lamps on this floor`)
    }
    if (s.kind === 'heater' && s.into !== 'body' && s.setPointC > WARMEST_AIR_C)
      add('setPointC', 'is warmer than any air is kept', `at most ${WARMEST_AIR_C} °C, or a body that it warms`)
    const body = sourceKind(s).body(s)
    if (body !== null && body >= store.bodies.length)
      add('body', 'names no body', `less than ${store.bodies.length}, or null for the first that holds water`)
  })
  return out
}

/** A wall or roof is at least this thick, m. */
const LEAST_SKIN_M = 0.002

/** A material of one's own brings its figures. */
const ownFaults = (path: string, layers: readonly Layer[]): Fault[] =>
  layers.flatMap((l, i) =>
    l.material === 'own' && !l.own
      ? [
          {
            path: `${path}[${i}].own`,
            message: 'is missing',
            allowed: 'name, conductivity, density, specificHeat and solarAbsorptance of the material',
          },
        ]
      : [],
  )

/** Checks of the skin: of what the house has in common, and of its parts. The shape's own come before. */
function skinFaults({ shape, skin }: Design): Fault[] {
  const out: Fault[] = []
  const add = (path: string, message: string, allowed: string) => out.push({ path: `skin.${path}`, message, allowed })
  const layers = (path: string, list: readonly Layer[]) => {
    out.push(...ownFaults(`skin.${path}`, list))
    if (list.reduce((sum, l) => sum + l.thicknessM, 0) < LEAST_SKIN_M)
      add(path, 'has no thickness', 'layers that add up to 2 mm or more')
  }
  const cover = (path: string, { id, place }: Cover, glazing: string) => {
    if (id !== 'none' && place === 'between' && entry(GLAZINGS, glazing).layers < 2)
      add(
        `${path}.place`,
        'is “between”, and this glazing has one sheet',
        'inside or outside, or a glazing of two sheets',
      )
  }
  layers('wall', skin.wall)
  layers('roof', skin.roof)
  cover('cover', skin.cover, skin.glazing)
  for (const [id, part] of Object.entries(skin.parts)) {
    if (part.layers) layers(`parts.${id}.layers`, part.layers)
    if (part.cover || part.glazing)
      cover(part.cover ? `parts.${id}.cover` : 'cover', part.cover ?? skin.cover, part.glazing ?? skin.glazing)
  }
  const outline = makeOutline(shape)
  const there = new Set(outline.edges.map(e => e.part))
  for (const id of there) {
    const { kind, solidTopM } = skin.parts[id]
    const long = outline.edges.filter(e => e.part === id).reduce((sum, e) => sum + edgeLength(e), 0)
    const most = Math.floor(95 * long) / 100
    if (kind === 'glazed' && shape.form !== 'dome' && solidTopM > 0.95 * long)
      add(`parts.${id}.solidTopM`, 'leaves no glazing', `at most ${most} m, or a solid part`)
  }
  if (shape.form === 'lean-to' && skin.parts.backWall.kind === 'glazed')
    add('parts.backWall.kind', 'is glazed, and stands against the house', 'solid for a lean-to')
  const low = (id: PartId) => there.has(id as ChainPart) && skin.parts[id].kind === 'glazed'
  if ((shape.sunkM > 0 && low('kneeWall')) || (shape.sunkM + shape.riseM > 0 && low('backWall')))
    add(
      low('kneeWall') ? 'parts.kneeWall.kind' : 'parts.backWall.kind',
      'is glazed, and would stand in the ground',
      'solid, or a floor that is not dug in',
    )
  return out
}

/**
 * All faults of a document; an empty list means that it is a sound {@link Design}, and that what stands in the house
 * can stand there. Never throws, whatever it is given.
 */
export function designFaults(document: unknown): Fault[] {
  const faults = documentFaults(document)
  if (faults.length > 0) return faults
  const design = document as Design
  return [...openingMisfits(design), ...misfits(design)]
}

/**
 * Faults of a document by itself: whether all that stands in the house can stand there is not asked. Never throws,
 * whatever it is given.
 */
export function documentFaults(document: unknown): Fault[] {
  const faults = fieldFaults(document)
  return faults.length > 0 ? faults : faultsBetween(document as Design)
}
