import { type Drums, layDrums } from '../bodies/drums'
import { LEAST_WALL_M } from '../bodies/wall'
import { entry, VESSELS } from '../catalog'
import { filledFrom, isTree, PLAIN, type Tree } from './complete'
import { SCHEMA_VERSION } from './types'

/**
 * A document brought forward to this version's schema: what was said otherwise is said anew, fields that came later
 * stand at their start. What is not an older design comes back as it was, for `designFaults` to judge. Never throws.
 */
export function migrateDesign(document: unknown): unknown {
  if (!isTree(document) || ![1, 2, 3, SCHEMA_VERSION].includes(document.schemaVersion as number)) return document
  const said = withParts(withBodies(document))
  if (document.schemaVersion === SCHEMA_VERSION && said === document) return document
  return { ...filledFrom(said, PLAIN), schemaVersion: SCHEMA_VERSION }
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
  const body = {
    ...rest,
    count,
    kind: 'drums',
    atM: at,
    lengthM: 0,
    offsetM: 0,
    stratified: barrels.stratified ?? false,
  }
  const { rows } = layDrums({ ...body, vessel: vessel.id, stack: num(barrels.stack, 1) } as unknown as Drums, room)
  const depth = Math.min(rows * vessel.diameterM, widthM)
  const gap = Math.min(rim + 0.05, (widthM - depth) / 2)
  const atM = place === 'sunny' ? gap : place === 'middle' ? (widthM - depth) / 2 : widthM - depth - gap
  return { ...body, atM: Math.max(0, atM) }
}
