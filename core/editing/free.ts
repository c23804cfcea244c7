import type { BedKind } from '../beds/kind'
import { aBed, type BedKindId } from '../beds/registry'
import type { BodyKind } from '../bodies/kind'
import { valueAt, type Bed, type Bench, type Body, type Design } from '../design'
import { benchAt } from '../design/complete'
import { accessOf } from '../geometry/access'
import { misfits } from '../geometry/fit'
import { bedRoomOf, roomOf, type ObjectKind } from '../geometry/objects'
import { patchDesign } from './edit'
import { stands, things, waysToStand } from './place'
import { keepsWays } from './ways'

/**
 * Another body of a kind where there is room for it, alike to one or fresh, lower where it must be. It leaves the ways
 * to all else where that can be; `strictly`, null where it cannot. null where there is no free floor.
 */
export const freeBody = (design: Design, kind: BodyKind, alike?: Body, strictly = false): Body | null =>
  freeThing(design, 'body', (alike ?? kind.fresh(roomOf(design.shape))) as Body, strictly)

/** Another bed of a kind, alike to one or fresh, where there is room for it, shorter where it must be; or null. */
export const freeBed = (design: Design, kind: BedKind, alike?: Bed): Bed | null =>
  freeThing(
    design,
    'bed',
    alike ?? (aBed(kind.kind as BedKindId, kind.fresh(bedRoomOf(design.shape)) as object) as Bed),
  )

/** Another bench where there is room for it; null where there is none. */
export const freeBench = (design: Design): Bench | null => freeThing(design, 'bench', benchAt(0.15, 0.6, 0.8))

/** Parts of the house's length that another bed or bench is tried at where none as long as the house finds room. */
const SHORTER = [0.7, 0.5, 0.35, 0.25]

function freeThing<T extends object>(design: Design, kind: ObjectKind, made: T, strictly = false): T | null {
  const lists = { bed: design.shape.beds, bench: design.shape.benches, body: design.store.bodies }
  const index = lists[kind].length
  const path = kind === 'body' ? 'store.bodies' : kind === 'bed' ? 'shape.beds' : 'shape.benches'
  const before = misfits(design).length
  const ways = accessOf(design)
  /** Where it would stand, but for who is shut out by it. */
  let inTheWay: T | null = null
  const found = (thing: T): T | null => {
    const start = patchDesign(design, [[path, [...lists[kind], thing]]])
    const it = things(start).find(t => t.kind === kind && t.index === index)!
    for (const patches of [[], ...waysToStand(start, it)]) {
      const house = patchDesign(start, patches)
      if (misfits(house).length > before || !stands(house, { kind, index })) continue
      const stood = valueAt(house, `${path}.${index}`) as T
      if (keepsWays(ways, accessOf(house))) return stood
      inTheWay ??= stood
    }
    return null
  }
  const whole = found(made)
  if (whole) return whole
  const lengthM = design.shape.lengthM
  const shorter = kind === 'body' || !('lengthM' in made) ? [] : SHORTER.map(s => Math.floor(s * lengthM * 20) / 20)
  for (const long of shorter.filter(l => l >= 0.6))
    for (const offsetM of [0, (long - lengthM) / 2, (lengthM - long) / 2]) {
      const part = found({ ...made, lengthM: long, offsetM: Math.round(offsetM * 100) / 100 })
      if (part) return part
    }
  return strictly ? null : inTheWay
}
