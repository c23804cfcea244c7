import type { AirStoreKindId } from '../air-stores/registry'
import type { BedKindId } from '../beds/registry'
import { type Drums, layDrums } from '../bodies/drums'
import { LEAST_WALL_M } from '../bodies/wall'
import { entry, RETIRED_PRICES, VESSELS } from '../catalog'
import type { FanKindId } from '../fans/registry'
import type { SourceKindId } from '../sources/registry'
import { filled, isTree, type Tree } from './complete'
import { DESIGN, SCHEMA_VERSION } from './types'

/**
 * A document brought forward to this version's schema: what was said otherwise is said anew, fields that came later
 * stand at their start. What is not an older design comes back as it was, for `designFaults` to judge. Never throws.
 */
export function migrateDesign(document: unknown): unknown {
  if (!isTree(document) || ![1, 2, 3, 4, SCHEMA_VERSION].includes(document.schemaVersion as number)) return document
  const said = STEPS.reduce((said, step) => step(said), document)
  const whole = filled(DESIGN, said) as Tree
  return whole === document && document.schemaVersion === SCHEMA_VERSION
    ? document
    : { ...whole, schemaVersion: SCHEMA_VERSION }
}

/** What each makes of a document that lacks what came with it; in their order. */
const STEPS: readonly ((document: Tree) => Tree)[] = [
  withBodies,
  withParts,
  withOpenings,
  withLeaves,
  withSources,
  withAirStores,
  withFans,
  withLinings,
  withoutLayers,
  withBeds,
  withBedKinds,
  withFloor,
  withoutRetiredPrices,
]

/** Prices of one's own for what is in the book no more. */
function withoutRetiredPrices(document: Tree): Tree {
  const topUp = tree(document.topUp)
  const prices = Array.isArray(topUp.prices) ? topUp.prices : []
  const kept = prices.filter(p => !RETIRED_PRICES.includes(tree(p).id as string))
  return kept.length === prices.length ? document : { ...document, topUp: { ...topUp, prices: kept } }
}

const num = (v: unknown, otherwise: number) => (typeof v === 'number' && Number.isFinite(v) ? v : otherwise)
const tree = (v: unknown): Tree => (isTree(v) ? v : {})

/** Version 3 knew one row of barrels, one tank, one pond and one wall. */
function withBodies(document: Tree): Tree {
  const store = tree(document.store)
  if (store.bodies !== undefined) return document
  const { barrels, tank, pond, innerWall, ...rest } = store
  const bodies = [
    barrelsOf(tree(barrels), tree(document.shape)),
    ...(num(tree(tank).lengthM, 0) > 0 ? [{ kind: 'tank', ...tree(tank), offsetM: 0 }] : []),
    ...(num(tree(pond).lengthM, 0) > 0 ? [{ kind: 'pond', ...tree(pond), offsetM: 0 }] : []),
    ...(num(tree(innerWall).thicknessM, 0) > 0
      ? [{ kind: 'wall', ...tree(innerWall), thicknessM: thick(tree(innerWall)), lengthM: 0, offsetM: 0 }]
      : []),
  ].filter(b => b !== null)
  return { ...document, store: { ...rest, bodies } }
}

/** Version 3 knew one make for both slopes of the pole side, and one for both ends. */
function withParts(document: Tree): Tree {
  const skin = tree(document.skin)
  if (skin.parts !== undefined || (skin.poleSlope === undefined && skin.endsGlazedShare === undefined)) return document
  const { poleSlope, endsGlazedShare, ...rest } = skin
  const pole = { kind: poleSlope === 'glazed' ? 'glazed' : 'solid' }
  const end = { glazedShare: endsGlazedShare ?? 0 }
  const parts = { poleSlope: pole, lowerPoleSlope: pole, eastEnd: end, westEnd: end }
  return { ...document, skin: { ...rest, parts } }
}

/** Version 3 knew one low and one high vent of one opener, and one door. */
function withOpenings(document: Tree): Tree {
  const { vents, doors, ...breathe } = tree(document.breathe)
  if (vents === undefined && doors === undefined) return document
  const shape = tree(document.shape)
  const { lowM2, highM2, ...opener } = tree(vents)
  const low = num(lowM2, 0)
  const high = num(highM2, 0)
  const kneeM = shape.form === 'a-frame' ? 0 : num(shape.kneeWallM, 0)
  const dome = shape.form === 'dome'
  // A single opening of a metre passes what it passed then; with another above it, it is a slot.
  const tallM = low > 0 && high > 0 ? SLOT_M : 1
  const ridgeM = num(shape.ridgeHeightM, 3) - 0.2
  const openings = [
    vent(kneeM > 0.01 || dome ? 'kneeWall' : 'sunnySlope', low, Math.min(0.3, kneeM / 2), tallM, opener),
    low > 0
      ? { kind: 'ridge vent', part: 'sunnySlope', areaM2: high, ...opener }
      : vent('sunnySlope', high, ridgeM, tallM, opener),
  ].filter(o => num(o.areaM2, 0) > 0)
  const { areaM2, ...traffic } = tree(doors)
  const doorM = Math.min(DOOR_M, 0.9 * num(shape.ridgeHeightM, 3))
  const door = {
    kind: 'door',
    part: dome ? 'kneeWall' : 'eastEnd',
    heightM: doorM,
    widthM: num(areaM2, 1.8) / doorM,
    ...traffic,
  }
  const skin = { ...tree(document.skin), openings: [...openings, door] }
  return { ...document, breathe, skin }
}

/** The widest leaf that an area is made of, m; and how high the flaps at a ridge were. */
const LEAF_M = 1.2
const RIDGE_FLAP_M = 0.2
const mm = (v: number) => Math.round(v * 1000) / 1000

/** Version 4 knew vents and louvres by their free area, and doors as glazed or not. */
function withLeaves(document: Tree): Tree {
  const skin = tree(document.skin)
  const { openings } = skin
  if (!Array.isArray(openings)) return document
  const shape = tree(document.shape)
  const parts = tree(skin.parts)
  const solid = (part: unknown) =>
    tree(parts[part as string]).kind !== 'glazed' && !SLOPES_GLAZED.includes(part as string)
  const kneeM = num(shape.kneeWallM, 0)
  const leaved = openings.map((o: unknown): unknown => {
    if (!isTree(o)) return o
    if (o.kind === 'door' && 'glazed' in o) {
      const { glazed, ...door } = o
      return { ...door, glazedShare: glazed === true ? 1 : 0 }
    }
    if (o.kind === 'window' && !('evenly' in o)) return { ...o, evenly: 'together' }
    if (!('areaM2' in o)) return o
    const { areaM2, atM, tallM, ...rest } = o
    const heightM = mm(Math.max(0.05, o.kind === 'ridge vent' ? RIDGE_FLAP_M : num(tallM, 0.3)))
    const wide = num(areaM2, 0) / heightM
    const count = Math.min(60, Math.max(1, Math.ceil(wide / LEAF_M - 1e-9)))
    const row = { ...rest, count, widthM: mm(Math.max(0.1, wide / count)), heightM, strokeM: STROKE_M }
    if (o.kind === 'louvre') return without(row, 'strokeM', sillOf(num(atM, 0.5), heightM))
    const leaf = { leaf: solid(o.part) ? 'panel' : 'sheet' }
    if (o.kind === 'ridge vent') return { ...row, ...leaf }
    const foot =
      o.part === 'kneeWall' || o.part === 'eastEnd' || o.part === 'westEnd' || o.part === 'backWall' ? 0 : kneeM
    return { ...row, ...leaf, sillM: sillOf(num(atM, 0.3) - foot, heightM) }
  })
  return leaved.some((o, i) => o !== openings[i]) ? { ...document, skin: { ...skin, openings: leaved } } : document
}
const SLOPES_GLAZED = ['sunnySlope', 'front']
/** It stood as wide open as its area said. */
const STROKE_M = 1
const sillOf = (atM: number, heightM: number) => mm(Math.max(0, atM - heightM / 2))
const without = (row: Tree, name: string, sillM: number): Tree =>
  Object.fromEntries(Object.entries({ ...row, sillM }).filter(([key]) => key !== name))

/** A heap was weighed in tonnes. */
const heapOf = ({ tonnes, ...heap }: Tree): Tree => ({ ...heap, massKg: num(tonnes, 0) * 1000 })

/** Version 3 knew one of each source, and one heater, used or not. */
function withSources(document: Tree): Tree {
  const { heater, solarAir, solarWater, compost, bedLoop, lamps, dumpLoad, people, ...topUp } = tree(document.topUp)
  if (heater === undefined && lamps === undefined) return document
  const { currency, kind, ...fired } = tree(heater)
  const fuel = fired.fuel === undefined ? {} : { fuel: fired.fuel, pricePerKWh: fired.pricePerKWh }
  const made = (to: SourceKindId, from: unknown, measure: string, more: Tree = {}): Tree[] =>
    num(tree(from)[measure], 0) > 0 ? [{ ...more, ...tree(from), kind: to }] : []
  const sources = [
    ...(heater === undefined ? [] : [{ ...fired, kind: 'heater', into: kind ?? 'air' }]),
    ...made('bed loop', bedLoop, 'capacityW', fuel),
    ...made('lamps', lamps, 'powerW'),
    ...made('people', people, 'count'),
    ...made('solar air panel', solarAir, 'areaM2'),
    ...made('solar water panel', solarWater, 'areaM2'),
    ...made('compost', heapOf(tree(compost)), 'massKg'),
    ...made('spare power', dumpLoad, 'peakW'),
  ]
  return { ...document, topUp: { ...topUp, ...(currency === undefined ? {} : { currency }), sources } }
}

/** Version 3 knew one air store of each kind, used or not. */
function withAirStores(document: Tree): Tree {
  const { earth, channels, rockBed, ...store } = tree(document.store)
  const { earthTube, ...breathe } = tree(document.breathe)
  if (store.airStores !== undefined || (earth ?? channels ?? rockBed ?? earthTube) === undefined) return document
  const made = (kind: AirStoreKindId, from: unknown): Tree[] =>
    tree(from).on === true ? [{ ...tree(from), kind }] : []
  const airStores = [
    ...made('earth store', earth),
    ...made('bed channels', channels),
    ...made('rock bed', rockBed),
    ...made('earth tube', earthTube),
  ]
  return { ...document, store: { ...store, airStores }, breathe }
}

/** Vessels in layers did nothing that vessels well stirred do not. */
function withoutLayers(document: Tree): Tree {
  const store = tree(document.store)
  const { bodies } = store
  if (!Array.isArray(bodies) || !bodies.some(b => isTree(b) && 'stratified' in b)) return document
  const stirred = bodies.map((b: unknown) => {
    if (!isTree(b)) return b
    return Object.fromEntries(Object.entries(b).filter(([name]) => name !== 'stratified'))
  })
  return { ...document, store: { ...store, bodies: stirred } }
}

/** There was one lining, that of the back wall, used or not. */
function withLinings(document: Tree): Tree {
  const { massWall, ...store } = tree(document.store)
  if (massWall === undefined) return document
  const { material, thicknessM } = tree(massWall)
  const linings = num(thicknessM, 0) > 0 ? [{ part: 'backWall', material, thicknessM }] : []
  return { ...document, store: { linings, ...store } }
}

/** There was one lot of extract fans, used or not. */
function withFans(document: Tree): Tree {
  const { fans, ...breathe } = tree(document.breathe)
  if (!isTree(fans)) return document
  const extract = num(fans.stages, 0) > 0 ? [{ ...fans, kind: 'extract fan' satisfies FanKindId }] : []
  return { ...document, breathe: { ...breathe, fans: extract } }
}

/** Version 3 knew one leaf area for all beds. */
function withBeds(document: Tree): Tree {
  const { leafArea, ...breathe } = tree(document.breathe)
  const shape = tree(document.shape)
  const { beds } = shape
  if (leafArea === undefined || !Array.isArray(beds)) return document
  const planted = beds.map((b: unknown) => (isTree(b) ? { leafArea, ...b } : b))
  return { ...document, breathe, shape: { ...shape, beds: planted } }
}

/** Every bed was as long as the house. */
function withBedKinds(document: Tree): Tree {
  const shape = tree(document.shape)
  const { beds } = shape
  if (!Array.isArray(beds) || !beds.some(b => isTree(b) && b.kind === undefined)) return document
  const kind: BedKindId = 'bed'
  return { ...document, shape: { ...shape, beds: beds.map((b: unknown) => (isTree(b) ? { kind, ...b } : b)) } }
}

/** Version 3 knew a floor of one material, under the paths alone; one of no thickness was bare earth. */
function withFloor(document: Tree): Tree {
  const store = tree(document.store)
  const { material, thicknessM } = tree(store.floor)
  if (material === undefined) return document
  const rest = num(thicknessM, 0) > 0 ? [{ material, thicknessM }] : []
  return { ...document, store: { ...store, floor: { path: null, beds: [], rest } } }
}

/** Heights of what version 3 said by areas alone, m. */
const SLOT_M = 0.2
const DOOR_M = 2
const vent = (part: string, areaM2: number, atM: number, tallM: number, opener: Tree): Tree => ({
  kind: 'vent',
  part,
  areaM2,
  atM,
  tallM,
  ...opener,
})

/** Walls of mass are at least this thick; thinner ones were taken, and are kept. */
const thick = ({ thicknessM }: Tree) => Math.max(LEAST_WALL_M, num(thicknessM, LEAST_WALL_M))

/** The barrels stood in one of three places; now it is said where. */
function barrelsOf(barrels: Tree, shape: Tree): Tree | null {
  const { place, count, ...rest } = barrels
  if (num(count, 0) <= 0 || typeof barrels.vessel !== 'string') return null
  const vessel = VESSELS.find(v => v.id === barrels.vessel) ?? entry(VESSELS, 'barrel-200')
  const dome = shape.form === 'dome'
  const widthM = num(shape.widthM, 4)
  const rim = dome ? 0.12 * widthM : 0
  const room = { lengthM: num(shape.lengthM, 8), widthM, dome }
  const at = place === 'middle' ? widthM / 2 - vessel.diameterM / 2 : rim
  const body = { ...rest, count, kind: 'drums', atM: at, lengthM: 0, offsetM: 0 }
  const { rows } = layDrums({ ...body, vessel: vessel.id, stack: num(barrels.stack, 1) } as unknown as Drums, room)
  const depth = Math.min(rows * vessel.diameterM, widthM)
  const gap = Math.min(rim + 0.05, (widthM - depth) / 2)
  const atM = place === 'sunny' ? gap : place === 'middle' ? (widthM - depth) / 2 : widthM - depth - gap
  return { ...body, atM: Math.max(0, atM) }
}
