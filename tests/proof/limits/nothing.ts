import { AIR_STORE_KINDS, anAirStore } from '../../../core/air-stores/registry'
import { BODY_KINDS } from '../../../core/bodies/registry'
import type { AirStore, Design, Opening, Source } from '../../../core/design'
import { startOf, type AnyField, type GroupField } from '../../../core/design/field'
import { fittedOpenings, freeBody } from '../../../core/editing'
import { aFan, FAN_KINDS, type AnyFan } from '../../../core/fans/registry'
import { OPENING_KINDS } from '../../../core/openings/registry'
import { partsOf } from '../../../core/geometry/parts'
import { makeOutline } from '../../../core/geometry/section'
import { aSource, SOURCE_KINDS } from '../../../core/sources/registry'
import type { Limit } from './limit'

const EXTENSIVE: readonly (string | null)[] = [
  'power',
  'electricPower',
  'airflow',
  'area',
  'mass',
  'volume',
  'conductance',
]
/** Quantities of which twice as much is two of it. */
const SIZES: readonly (string | null)[] = [...EXTENSIVE, 'count', 'length']

/** A thing of which every size is the least that its fields allow. */
export function least<T extends object>(thing: T, { fields }: GroupField): T {
  const small = { ...thing } as Record<string, unknown>
  for (const [name, field] of Object.entries(fields)) {
    const own: AnyField = field.kind === 'or null' ? field.of : field
    if (
      own.kind === 'number' &&
      (SIZES.includes(own.quantity) || name.startsWith('flow')) &&
      small[name] !== null &&
      !PLACES.test(name)
    )
      small[name] = own.low
  }
  return small as T
}
/** Fields that say where, not how much. */
const PLACES = /^(at|offset|raised|sill|depth)M$|^stages$/

/** A house with one more of a list. */
export const withSource = (d: Design, s: Source): Design => ({
  ...d,
  topUp: { ...d.topUp, sources: [...d.topUp.sources, s] },
})
export const withFan = (d: Design, f: AnyFan): Design => ({
  ...d,
  breathe: { ...d.breathe, fans: [...d.breathe.fans, f] },
})
export const withAirStore = (d: Design, s: AirStore): Design => ({
  ...d,
  store: { ...d.store, airStores: [...d.store.airStores, s] },
})
export const withBody = (d: Design, kind: (typeof BODY_KINDS)[number]): Design | null => {
  const body = freeBody(d, kind)
  return body && { ...d, store: { ...d.store, bodies: [...d.store.bodies, body] } }
}
/** One more opening of a kind, on the first part that takes it. */
export function withOpening(d: Design, kind: (typeof OPENING_KINDS)[number], own: object = {}): Design | null {
  for (const part of partsOf(d, makeOutline(d.shape))) {
    const made = { ...(startOf(kind.fields) as Opening), kind: kind.kind, part, ...own } as Opening
    const fitted = fittedOpenings(d, [...d.skin.openings, made])
    if (fitted.every(f => f !== null)) return { ...d, skin: { ...d.skin, openings: fitted } }
  }
  return null
}

/** A thing that does nothing: off where it can be, else as small as can be. */
const idle = <T extends object>(thing: T, kind: { fields: GroupField }): T =>
  'on' in kind.fields.fields ? { ...thing, on: false } : least(thing, kind.fields)

/** What is off, or of next to no size, is as if it were not there: every kind of thing, from its registry. */
export const nothingLimits = (): Limit[] => {
  const changesNothing = (name: string, tolerance: number, pair: Limit['pair']): Limit[] =>
    (['coldest', 'hottest'] as const).map(figure => ({ name, figure, pair, then: 'same', tolerance }))
  return [
    ...SOURCE_KINDS.flatMap(kind => [
      ...changesNothing(`${kind.kind} that is off`, 1e-9, d => [d, withSource(d, idle(fresh(kind), kind))]),
      ...changesNothing(`${kind.kind} of no size`, 0.02, d => [d, withSource(d, least(fresh(kind), kind.fields))]),
    ]),
    ...FAN_KINDS.flatMap(kind =>
      changesNothing(`${kind.kind} of no size`, 0.02, d => [
        d,
        withFan(d, idle(aFan(kind.kind as AnyFan['kind']), kind)),
      ]),
    ),
    ...AIR_STORE_KINDS.flatMap(kind =>
      changesNothing(`${kind.kind} that is off`, 1e-9, d => [
        d,
        withAirStore(d, idle(anAirStore(kind.kind as AirStore['kind']), kind)),
      ]),
    ),
    ...BODY_KINDS.flatMap(kind =>
      changesNothing(`${kind.name} of the least size`, 0.25, d => {
        const body = freeBody(d, kind, least(kind.fresh({ lengthM: 2, widthM: 2, dome: false }), kind.fields) as never)
        return body && [d, { ...d, store: { ...d.store, bodies: [...d.store.bodies, body] } }]
      }),
    ),
  ]
}
const fresh = (kind: (typeof SOURCE_KINDS)[number]) => aSource(kind.kind as Source['kind'], { on: true })

/** A house with one of a kind of source, and with two of half the size in its place; null where it has no size. */
export function halved(d: Design, kind: (typeof SOURCE_KINDS)[number]): [Design, Design] | null {
  const whole = fresh(kind)
  const sizes = Object.entries(kind.fields.fields).filter(
    ([name, f]) => f.kind === 'number' && EXTENSIVE.includes(f.quantity) && !PLACES.test(name),
  )
  if (sizes.length === 0) return null
  const half = Object.fromEntries(
    sizes.map(([name]) => [name, (whole as unknown as Record<string, number>)[name]! / 2]),
  )
  const alone = { ...d, topUp: { ...d.topUp, sources: [] } }
  return [withSource(alone, whole), withSource(withSource(alone, { ...whole, ...half }), { ...whole, ...half })]
}
