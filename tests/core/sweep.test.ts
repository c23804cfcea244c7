import { AIR_STORE_KINDS, anAirStore } from '../../core/air-stores/registry'
import { BODY_KINDS } from '../../core/bodies/registry'
import { startOf, type AnyField } from '../../core/design/field'
import { benchAt, DEMOS, type Design, type Layer, type Opening } from '../../core/design'
import { freeBody } from '../../core/editing'
import { aFan, FAN_KINDS } from '../../core/fans/registry'
import { makeBuilding } from '../../core/geometry/surfaces'
import { elementLosses } from '../../core/network/chains'
import { OPENING_KINDS } from '../../core/openings/registry'
import { aSource, firedBy, SOURCE_KINDS } from '../../core/sources/registry'
import { unheated, withAirStores, withFans, withSources } from '../added'
import { barrelsOf } from '../bodies'
import { withMore, withoutOpenings } from '../openings'
import { plain } from '../plain'
import { hourly as engine } from '../shared/years'

/** A plain box: one glazing, no store, no cover, its own vents. */
const bare: Design = {
  ...unheated(plain),
  store: { ...plain.store, bodies: [], linings: [], airStores: [] },
  skin: { ...plain.skin, cover: { ...plain.skin.cover, id: 'none' } },
}
const figures = (d: Design) => {
  const { answers, series } = engine.run(d, { unheated: false })
  expect(answers.ledger.closure).toBeLessThan(1e-3)
  const mean = series.airC.reduce((a, b) => a + b, 0) / 8760
  return { coldC: answers.coldestNight.insideC, hotC: answers.hottestAfternoon.insideC, meanC: mean, answers }
}
type Figures = ReturnType<typeof figures>
const apart = (a: Figures, b: Figures) =>
  Math.max(Math.abs(a.coldC - b.coldC), Math.abs(a.hotC - b.hotC), Math.abs(a.meanC - b.meanC))

/** Quantities of which a kind has none when they are 0, and numbers of it. */
const SIZES = new Set(['length', 'thickness', 'area', 'power', 'electricPower', 'airflow', 'mass', 'conductance'])
const NUMBERS = new Set(['count', 'pipes', 'stages', 'opensShare', 'flowLMin'])
/** Where a thing is, and what else of it is no size of its own. */
const PLACES = new Set([
  ...['atM', 'offsetM', 'raisedM', 'sillM', 'rockM', 'insulationM', 'louvreM2'],
  ...['earth store.depthM', 'earth store.spacingM', 'earth tube.depthM'],
  // What a pump or a fan draws has a test of its own: it is heat where it stays in the house.
  ...['body loop.powerW', 'compost.powerW', 'solar air panel.powerW'],
  ...['circulating fan.powerW', 'extract fan.powerW', 'supply fan.powerW'],
  // Of these a document has one at least; or 0 stands for as long as there is room.
  ...['earth store.pipes', 'bed channels.count', 'drums.count', 'crates.count', 'drums.lengthM', 'wall.lengthM'],
  // How crates are stacked, whatever they hold; how far a window opens that is a pane all the same.
  ...['crates.widthM', 'crates.heightM', 'crates.lengthM', 'window.opensShare'],
  // How far a leaf swings that is there all the same.
  ...['vent.strokeM', 'ridge vent.strokeM'],
])
/** What goes with a thing of no size: a fan's own heat, the hole that its louvre is, water that stands open. */
const NOTHING_ELSE: Record<string, number> = { powerW: 0, louvreM2: 0, openShare: 0 }

function sizesOf(kind: string, fields: Record<string, AnyField>): string[] {
  return Object.entries(fields).flatMap(([name, f]) => {
    if (PLACES.has(name) || PLACES.has(`${kind}.${name}`)) return []
    return NUMBERS.has(name) || (f.kind === 'number' && SIZES.has(f.quantity ?? '')) ? [name] : []
  })
}
type Kind = { kind: string; fields: { fields: Record<string, AnyField> } }
const cases = (kinds: readonly Kind[]) =>
  kinds.flatMap(k => sizesOf(k.kind, k.fields.fields).map(field => [k.kind, field] as const))
/** A thing with next to nothing of one of its sizes. */
const shrunk = <T extends object>(thing: T, field: string): T => {
  const own = thing as Record<string, unknown>
  const rest = Object.fromEntries(Object.entries(NOTHING_ELSE).filter(([k]) => k in own))
  const none = NUMBERS.has(field) && field !== 'flowLMin' && field !== 'opensShare' ? 0 : (own[field] as number) * 1e-5
  return { ...thing, ...rest, [field]: none }
}

const none = figures(bare)
const SAME_K = 0.05

test.each(cases(FAN_KINDS))('%s: %s towards 0 is as if it were not there', (kind, field) => {
  expect(apart(figures(withFans(bare, shrunk(aFan(kind as 'extract fan'), field))), none)).toBeLessThan(SAME_K)
})

test.each(cases(AIR_STORE_KINDS))('%s: %s towards 0 is as if it were not there', (kind, field) => {
  const made = anAirStore(kind as 'earth store')
  // Drawn from under the ridge, air is mixed whatever the pipes do.
  const own = 'intake' in made ? { ...made, intake: 'beds' as const } : made
  const store = shrunk({ ...own, fan: { ...made.fan, powerW: 0 } }, field)
  expect(apart(figures(withAirStores(bare, store)), none)).toBeLessThan(SAME_K)
})

test.each(cases(SOURCE_KINDS))('%s: %s towards 0 is as if it were not there', (kind, field) => {
  const watered = { ...bare, store: { ...bare.store, bodies: [barrelsOf(plain, { count: 4 })] } }
  const without = figures(watered)
  const source = shrunk(aSource(kind as 'heater'), field)
  expect(apart(figures(withSources(watered, source)), without)).toBeLessThan(SAME_K)
})

test.each(cases(OPENING_KINDS))('%s: %s towards 0 is as if it were not there', (kind, field) => {
  const { fields, ridge } = OPENING_KINDS.find(k => k.kind === kind)!
  const part = ridge ? 'sunnySlope' : 'eastEnd'
  const opening = shrunk({ ...(startOf(fields) as object), kind, part } as unknown as Opening, field)
  expect(apart(figures(withMore(bare, opening)), none)).toBeLessThan(SAME_K)
})

test.each(cases(BODY_KINDS))('%s: %s towards 0 is as if it were not there', (kind, field) => {
  const body = freeBody(bare, BODY_KINDS.find(k => k.kind === kind)!)!
  const less = { ...bare, store: { ...bare.store, bodies: [shrunk(body, field)] } }
  // A thing of no height still lies on its floor, and has the colour of its own top.
  expect(apart(figures(less), none)).toBeLessThan(0.4)
})

const wide = { ...bare, shape: { ...bare.shape, sunkM: 0, benches: [] } }
const shaped = (patch: Partial<Design['shape']>): Design => ({ ...wide, shape: { ...wide.shape, ...patch } })
const skinned = (edge: Partial<Design['skin']['edge']>): Design => ({
  ...wide,
  skin: { ...wide.skin, edge: { ...wide.skin.edge, ...edge } },
})
const WHOLE: Record<string, [next: Design, none: Design]> = {
  'an eave': [shaped({ overhangM: 1e-5 }), shaped({ overhangM: 0 })],
  'a shade strip': [shaped({ shadeStripM: 1e-5 }), shaped({ shadeStripM: 0 })],
  'a sunk floor': [shaped({ sunkM: 1e-5 }), shaped({ sunkM: 0 })],
  'a path dug lower': [shaped({ pathM: -1e-5 }), shaped({ pathM: 0 })],
  'ground that rises': [shaped({ riseM: 1e-5 }), shaped({ riseM: 0 })],
  'the width of a bench': [shaped({ benches: [benchAt(2, 1e-4, 0.8)] }), wide],
  'the leaf of a bed': [
    shaped({ beds: wide.shape.beds.map(b => ({ ...b, leafArea: 1e-5 })) }),
    shaped({ beds: wide.shape.beds.map(b => ({ ...b, leafArea: 0 })) }),
  ],
  'the height of a bed': [
    shaped({ beds: wide.shape.beds.map(b => ({ ...b, heightM: 1e-5 })) }),
    shaped({ beds: wide.shape.beds.map(b => ({ ...b, heightM: 0 })) }),
  ],
  'the board of the edge': [skinned({ thicknessM: 1e-6, skirtM: 0 }), skinned({ thicknessM: 0, skirtM: 0 })],
  'the depth of the edge': [skinned({ depthM: 1e-5, skirtM: 0 }), skinned({ depthM: 0, skirtM: 0 })],
  'the skirt': [skinned({ skirtM: 1e-5 }), skinned({ skirtM: 0 })],
  'a lobby': [
    { ...wide, breathe: { ...wide.breathe, lobby: { areaM2: 1e-5 } } },
    { ...wide, breathe: { ...wide.breathe, lobby: { areaM2: 0 } } },
  ],
  'a layer of a wall': [
    { ...wide, skin: { ...wide.skin, wall: [...wide.skin.wall, { material: 'eps', thicknessM: 1e-6 }] } },
    // Its face has the colour of the layer all the same.
    { ...wide, skin: { ...wide.skin, wall: [...wide.skin.wall, { material: 'eps', thicknessM: 1e-7 }] } },
  ],
  'a layer of the floor': [
    {
      ...wide,
      store: { ...wide.store, floor: { ...wide.store.floor, rest: [{ material: 'gravel', thicknessM: 1e-6 }] } },
    },
    {
      ...wide,
      store: { ...wide.store, floor: { ...wide.store.floor, rest: [{ material: 'gravel', thicknessM: 0 }] } },
    },
  ],
}
test.each(Object.keys(WHOLE))('%s of next to no size is as if it were not there', name => {
  const [next, without] = WHOLE[name]!
  expect(apart(figures(next), figures(without))).toBeLessThan(SAME_K)
})

describe('more is never less', () => {
  const shut = withoutOpenings(bare)
  test.each(OPENING_KINDS.filter(k => k.freeM2(startOf(k.fields) as never) > 0).map(k => k.kind))(
    '%s: the larger it is, the cooler the hottest afternoon',
    kind => {
      const { fields, ridge } = OPENING_KINDS.find(k => k.kind === kind)!
      const size = sizesOf(kind, fields.fields)[0]!
      const of = (times: number) => {
        const made = startOf(fields) as Record<string, unknown>
        // Moved by itself: who goes home with a large one shut for the cool of the morning has it shut at noon.
        const how = made.how === 'hand' ? 'motor' : made.how
        const opening = {
          ...made,
          kind,
          how,
          part: ridge ? 'sunnySlope' : 'eastEnd',
          [size]: (made[size] as number) * times,
        }
        return figures(withMore(shut, opening as unknown as Opening))
      }
      const [half, whole, twice] = [of(0.5), of(1), of(2)] as [Figures, Figures, Figures]
      expect(half.hotC).toBeLessThanOrEqual(figures(shut).hotC + 0.01)
      expect(whole.hotC).toBeLessThanOrEqual(half.hotC + 0.01)
      expect(twice.hotC).toBeLessThanOrEqual(whole.hotC + 0.01)
    },
  )

  test.each(SOURCE_KINDS.filter(k => firedBy(aSource(k.kind as 'heater')) !== null).map(k => k.kind))(
    '%s: with more of it the house gets no less heat and is no colder',
    kind => {
      const size = sizesOf(kind, SOURCE_KINDS.find(k => k.kind === kind)!.fields.fields)[0]!
      const of = (times: number) => {
        const made = aSource(kind as 'heater') as unknown as Record<string, number>
        return figures(withSources(bare, { ...made, [size]: made[size]! * times } as never))
      }
      const [half, whole, twice] = [of(0.5), of(1), of(2)] as [Figures, Figures, Figures]
      expect(whole.answers.topUp.kWh).toBeGreaterThanOrEqual(half.answers.topUp.kWh * 0.999)
      expect(twice.answers.topUp.kWh).toBeGreaterThanOrEqual(whole.answers.topUp.kWh * 0.999)
      expect(whole.coldC).toBeGreaterThanOrEqual(half.coldC - 0.02)
      expect(twice.coldC).toBeGreaterThanOrEqual(whole.coldC - 0.02)
    },
  )

  test('thicker layers of any wall or roof of any demo never lose more, nor does a better edge of the ground', () => {
    for (const demo of DEMOS) {
      const losses = (d: Design) => elementLosses(d, makeBuilding(d)).reduce((s, e) => s + e.uaNight, 0)
      const was = losses(demo)
      const thicker = (layers: readonly Layer[], i: number) =>
        layers.map((l, k) => (k === i ? { ...l, thicknessM: l.thicknessM + 0.05 } : l))
      for (const which of ['wall', 'roof'] as const)
        demo.skin[which].forEach((_, i) => {
          const more = { ...demo, skin: { ...demo.skin, [which]: thicker(demo.skin[which], i) } }
          expect(losses(more)).toBeLessThanOrEqual(was + 1e-9)
        })
      for (const edge of [{ thicknessM: 0.05 }, { depthM: 0.4 }, { skirtM: 0.5 }]) {
        const [name, more] = Object.entries(edge)[0] as ['thicknessM', number]
        const better = { ...demo.skin.edge, [name]: demo.skin.edge[name] + more }
        expect(losses({ ...demo, skin: { ...demo.skin, edge: better } })).toBeLessThanOrEqual(was * 1.0001)
      }
    }
  })
})
