import { woodHeatJkg } from '../../core/catalog'
import fc from 'fast-check'
import { AIR_STORE_KINDS, airStoreKind, airStoreName, anAirStore } from '../../core/air-stores/registry'
import { BODY_KINDS } from '../../core/bodies/registry'
import { DEMOS, leafNames, valueAt, type AirStoreKindId, type Design, type SourceKindId } from '../../core/design'
import { filled } from '../../core/design/complete'
import { isMonths, startOf, type AnyField, type ChoiceField, type GroupField } from '../../core/design/field'
import { PARTS } from '../../core/design/fields/skin'
import { DESIGN } from '../../core/design/types'
import { broughtForward, designFaults } from '../../core/editing'
import { GAIN_NAMES } from '../../core/network/series'
import { OPENING_KINDS } from '../../core/openings/registry'
import {
  aSource,
  boughtFor,
  firedBy,
  heatOf,
  isHeated,
  keptAirC,
  mainHeater,
  SOURCE_KINDS,
  sourceKind,
  sourceName,
} from '../../core/sources/registry'
import { formatQuantity, parseQuantity, type Quantity, type UnitSystem } from '../../core/units'
import { withAirStores, withSources } from '../added'

const SYSTEMS: readonly UnitSystem[] = ['metric', 'us', 'mixed']
const demo = DEMOS[0]!

/** All fields within one, with the names that lead to them. */
function fieldsWithin(field: AnyField, path = ''): [string, AnyField][] {
  if (field.kind === 'group')
    return Object.entries(field.fields).flatMap(([name, f]) => fieldsWithin(f, path ? `${path}.${name}` : name))
  if (field.kind === 'list') return [[path, field], ...fieldsWithin(field.of, `${path}[]`)]
  if (field.kind === 'or null' || field.kind === 'optional')
    return [[path, field], ...fieldsWithin(field.of, path).filter(([inner]) => inner !== path)]
  if (field.kind === 'one of') return Object.values(field.kinds).flatMap(g => fieldsWithin(g, path))
  return [[path, field]]
}

describe.each([
  ['bodies', BODY_KINDS],
  ['openings', OPENING_KINDS],
  ['sources', SOURCE_KINDS],
  ['air stores', AIR_STORE_KINDS],
] as const)('every kind of %s', (_, kinds) => {
  test.each(kinds.map(k => [k.kind, k.fields, k.name] as const))(
    '%s: every field has a name for its panel, a range and a start within it',
    (kind, fields: GroupField, name: string) => {
      expect(name).toMatch(/^[A-Z]/)
      expect((fields.fields.kind as ChoiceField).choices.map(c => c.id)).toEqual([kind])
      for (const [path, field] of fieldsWithin(fields)) {
        if (path === 'kind') continue
        const label = field.label || ('of' in field ? field.of.label : '')
        expect([path, label]).toEqual([path, expect.stringMatching(/\S/)])
        if (field.kind !== 'number') continue
        expect(field.high).toBeGreaterThan(field.low)
        expect(field.usual[0]).toBeGreaterThanOrEqual(field.low)
        expect(field.usual[1]).toBeLessThanOrEqual(field.high)
        if (field.start === undefined) continue
        expect(field.start).toBeGreaterThanOrEqual(field.low)
        expect(field.start).toBeLessThanOrEqual(field.high)
        if (field.whole) expect(Number.isInteger(field.start)).toBe(true)
      }
    },
  )
})

describe('sources', () => {
  test.each(SOURCE_KINDS.map(k => [k.kind as SourceKindId, k] as const))(
    '%s: a fresh one is sound, has its line in the ledger, and says what it is in all units',
    (kind, known) => {
      const fresh = aSource(kind)
      expect(designFaults(withSources(demo, fresh))).toEqual([])
      expect(fresh.on).toBe(true)
      expect(GAIN_NAMES).toContain(known.gain)
      for (const system of SYSTEMS) {
        const line = known.line(fresh, (v, quantity) => formatQuantity(v, quantity, system))
        expect(line).not.toMatch(/undefined|NaN|null/)
        expect(line.length).toBeGreaterThan(5)
      }
      const names = Object.keys(known.fields.fields)
      for (const idle of known.idle(fresh)) expect(names).toContain(idle)
    },
  )

  test('several of a kind are numbered, one is not', () => {
    const sources = [aSource('heater'), aSource('lamps'), aSource('heater')]
    expect(sources.map((_, i) => sourceName(sources, i))).toEqual(['Heater 1', 'Lamps', 'Heater 2'])
  })

  test('only what is on and paid for heats; the warmest set point of the air is what is kept', () => {
    expect(isHeated([])).toBe(false)
    expect(isHeated([aSource('lamps'), aSource('solar air panel'), aSource('people')])).toBe(false)
    expect(isHeated([aSource('heater', { on: false })])).toBe(false)
    expect(isHeated([aSource('stove')])).toBe(true)
    expect(keptAirC([aSource('stove')])).toBeNull()
    expect(keptAirC([aSource('heater', { on: false, setPointC: 9 })])).toBeNull()
    expect(keptAirC([aSource('heater', { into: 'body', setPointC: 40 })])).toBeNull()
    expect(keptAirC([aSource('heater', { setPointC: 4 }), aSource('heater', { setPointC: 7 })])).toBe(7)
    expect(keptAirC([aSource('heater', { capacityW: 0 })])).toBeNull()
  })

  test('heat is priced by the first heater in use, else by the first that burns anything', () => {
    const wood = aSource('stove', { pricePerKWh: 0.03 })
    const gas = aSource('heater', { fuel: 'gas', pricePerKWh: 0.2 })
    expect(mainHeater([wood, { ...gas, on: false }, gas])).toBe(gas)
    expect(mainHeater([wood])).toMatchObject({ kind: 'heater', on: false, fuel: 'wood', pricePerKWh: 0.03 })
    expect(mainHeater([])).toMatchObject({ fuel: 'electricity', pricePerKWh: 0.28 })
  })

  test('fuel bought: heat over efficiency, in the unit that it is sold in; fumes are no heat of the fuel’s', () => {
    expect(boughtFor({ fuel: 'wood', pricePerKWh: 0.06 }, 700)).toEqual({
      amount: expect.closeTo(1000 / (woodHeatJkg(0.2) / 3.6e6), 9),
      unit: 'kg',
      cost: expect.closeTo(60, 9),
    })
    const unflued = firedBy(aSource('heater', { fuel: 'gas-unvented' }))!
    expect(heatOf(unflued, 1000)).toBeCloseTo(1000 / (1 + (1.6 * 2.47e6) / (0.87 * 10.3 * 3.6e6)), 6)
    expect(heatOf(firedBy(aSource('heater'))!, 1000)).toBe(1000)
    expect(firedBy(aSource('lamps'))).toBeNull()
  })

  test('a heater that warms a body is no thermostat of the air, and the other way', () => {
    for (const into of ['air', 'radiant', 'body'] as const) {
      const heater = aSource('heater', { into })
      const place = {
        outsideC: new Float32Array(8760),
        there: new Uint8Array(8760),
        sunOn: () => new Float32Array(8760),
      }
      const known = sourceKind(heater)
      expect(known.thermostat(heater) === null).toBe(into === 'body')
      expect(known.work(heater, place) === null).toBe(into !== 'body')
    }
  })
})

describe('air stores', () => {
  test.each(AIR_STORE_KINDS.map(k => [k.kind as AirStoreKindId, k] as const))(
    '%s: a fresh one is sound, moves air, and says what it is in all units',
    (kind, known) => {
      const fresh = anAirStore(kind)
      expect(designFaults(withAirStores(demo, fresh))).toEqual([])
      const work = known.work(fresh, { lengthM: 8, soilConductivity: 1.5 })
      expect(work.flowM3s * 3600).toBeGreaterThan(30)
      expect(work.flowM3s * 3600).toBeLessThan(fresh.fan.freeFlowM3h)
      expect(work.pressurePa).toBeGreaterThan(0)
      expect(work.effectiveness).toBeGreaterThan(0.2)
      expect(work.effectiveness).toBeLessThanOrEqual(1)
      for (const system of SYSTEMS)
        expect(known.line(fresh, (v, quantity) => formatQuantity(v, quantity, system))).not.toMatch(/undefined|NaN/)
      expect(leafNames(known.fields)).toContain('fan.powerW')
    },
  )

  test('a stronger fan moves more air and leaves less of its heat in a pipe', () => {
    const weak = anAirStore('earth store')
    const strong = { ...weak, fan: { ...weak.fan, freeFlowM3h: 2000, shutOffPa: 400 } }
    const of = (s: typeof weak) => airStoreKind(s).work(s, { lengthM: 8, soilConductivity: 1.5 })
    expect(of(strong).flowM3s).toBeGreaterThan(of(weak).flowM3s * 1.3)
    expect(of(strong).effectiveness).toBeLessThan(of(weak).effectiveness)
    expect(airStoreName([weak, strong], 1)).toBe('Earth store 2')
  })
})

describe('what a document lacks', () => {
  const paths = fieldsWithin(DESIGN).filter(([path]) => !path.includes('[]'))
  /** Without what stands at a path. */
  const without = (d: Design, path: string): unknown => {
    const copy = structuredClone(d) as unknown as Record<string, unknown>
    const keys = path.split('.')
    const last = keys.pop()!
    const node = keys.reduce<Record<string, unknown> | undefined>(
      (n, key) => n?.[key] as Record<string, unknown> | undefined,
      copy,
    )
    if (node && typeof node === 'object') delete node[last]
    return copy
  }

  test('is filled in from where its field starts, wherever it is; what has no start stays missing', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMOS), fc.constantFrom(...paths), (d, [path, field]) => {
        const whole = filled(DESIGN, without(d, path)) as Record<string, unknown>
        const at = path.split('.').reduce<unknown>((n, key) => (n as Record<string, unknown> | undefined)?.[key], whole)
        const start = startOf(field)
        const parent = valueAt(d, path.split('.').slice(0, -1).join('.'))
        if (start !== undefined && parent !== null) expect(at).toEqual(start)
        if (start === undefined && parent !== null) expect(at).toBeUndefined()
      }),
      { numRuns: 300 },
    )
  })

  test('a whole document comes back as itself, and filling twice changes nothing more', () => {
    for (const d of DEMOS) {
      expect(filled(DESIGN, d)).toBe(d)
      const { parts, ...skin } = d.skin
      const once = filled(DESIGN, { ...d, skin: { ...skin, parts: { eastEnd: { glazedShare: 0.2 } } } }) as Design
      expect(filled(DESIGN, once)).toBe(once)
      expect(once.skin.parts.eastEnd).toEqual({ ...(startOf(PARTS.fields.eastEnd) as object), glazedShare: 0.2 })
      expect(Object.keys(once.skin.parts).sort()).toEqual(Object.keys(parts).sort())
    }
  })

  test('things of lists are filled by their kind; what is of no kind is left to be judged', () => {
    const bare = { kind: 'stove', belowC: -7 }
    const design = { ...demo, topUp: { ...demo.topUp, sources: [bare, { kind: 'volcano' }, 3] } }
    const { sources } = (filled(DESIGN, design) as Design).topUp
    expect(sources[0]).toEqual(aSource('stove', { belowC: -7 }))
    expect(sources[1]).toEqual({ kind: 'volcano' })
    expect(sources[2]).toBe(3)
    expect(designFaults(broughtForward(design)).map(f => f.path)).toEqual(
      expect.arrayContaining(['topUp.sources[1].kind', 'topUp.sources[2]']),
    )
  })
})

test('months are a field of their own: each once, 1 to 12, and told apart from other lists', () => {
  const lamps = SOURCE_KINDS.find(k => k.kind === 'lamps')!
  expect(isMonths(lamps.fields.fields.months!)).toBe(true)
  expect(isMonths(DESIGN.fields.decided)).toBe(false)
  const lit = (months: number[]) => designFaults(withSources(demo, aSource('lamps', { months }))).map(f => f.path)
  expect(lit([])).toEqual([])
  expect(lit([0])).toEqual(['topUp.sources[0].months[0]'])
  expect(lit([13])).toEqual(['topUp.sources[0].months[0]'])
  expect(lit([1.5])).toEqual(['topUp.sources[0].months[0]'])
})

describe('units of what devices say', () => {
  const QUANTITIES: readonly Quantity[] = ['airflow', 'pressure', 'duration', 'lampLight', 'ratio']
  /** The coarsest step that any system shows, in the document's unit. */
  const STEP: Partial<Record<Quantity, number>> = {
    airflow: 1.7,
    pressure: 2.5,
    duration: 6,
    lampLight: 0.1,
    ratio: 0.1,
  }

  test('what is shown is read back within its last place, in every system', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...QUANTITIES),
        fc.constantFrom(...SYSTEMS),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        (quantity, system, value) => {
          const read = parseQuantity(formatQuantity(value, quantity, system), quantity, system)
          if (!read.ok) throw new Error(read.message)
          expect(Math.abs(read.value - value)).toBeLessThanOrEqual(STEP[quantity]! / 2 + 1e-9)
        },
      ),
    )
  })

  test('as people write them', () => {
    const read = (text: string, quantity: Quantity, system: UnitSystem = 'metric') => {
      const parsed = parseQuantity(text, quantity, system)
      return parsed.ok ? parsed.value : parsed.message
    }
    expect(read('100 cfm', 'airflow')).toBeCloseTo(169.9, 1)
    expect(read('10 L/s', 'airflow')).toBeCloseTo(36, 9)
    expect(read('100', 'airflow', 'us')).toBeCloseTo(169.9, 1)
    expect(read('12 min', 'duration')).toBe(720)
    expect(read('90 s', 'duration')).toBe(90)
    expect(read('2.6 mol/MJ', 'lampLight')).toBe(2.6)
    expect(read('0.5 inH2O', 'pressure')).toBeCloseTo(124.5, 1)
    expect(read('a breeze', 'airflow')).toMatch(/\S/)
  })

  test('half and quarter hours are shown as such, long spans are not', () => {
    const show = (h: number) => formatQuantity(h, 'hours', 'metric').replace('\u00a0', ' ')
    expect([0, 0.5, 8.25, 20, -1.5].map(show)).toEqual(['0 h', '0.5 h', '8.25 h', '20 h', '−1.5 h'])
    expect(show(1233.4)).toBe('1\u202f233 h')
  })
})
