import './browser-globals'
import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick, type EffectScope } from 'vue'
import { useKindList } from '../../app/composables/useKindList'
import { useDesign } from '../../app/stores/design'
import { useDrawing } from '../../app/stores/drawing'
import { useNotices } from '../../app/stores/notices'
import { DEMOS, STEPS, type Design } from '../../core/design'
import { formatQuantity, type Quantity } from '../../core/units'
import { anAirStore } from '../../core/air-stores/registry'
import { aSource } from '../../core/sources/registry'
import { unheated, withAirStores, withSources } from '../added'
import { tank } from '../bodies'

/** As the app has it; its panels are not looked at here. */
const { STEPS: STEP_LIST } = jest.requireActual<{
  STEPS: readonly {
    id: string
    summary: (telling: { design: Design; day: null; show: (v: number, quantity: Quantity) => string }) => string
  }[]
}>('../../app/steps/registry')

let scope: EffectScope
beforeEach(() => {
  setActivePinia(createPinia())
  scope = effectScope()
})
afterEach(() => scope.stop())

/** A panel's list over a design on the bench. */
function panel(design: Design, path = 'topUp.sources', thing = 'source') {
  const bench = useDesign()
  bench.open(design)
  const list = scope.run(() => useKindList(path, thing))!
  return { bench, list, notices: useNotices(), drawing: useDrawing() }
}
const FULL = ['It is full.', 'Take one out.'] as const
const three = withSources(DEMOS[0]!, aSource('heater', { on: false }), aSource('lamps'), aSource('people'))

describe('a list of things of kinds, as its panel works on it', () => {
  test('what is put in comes last and its card opens; undo takes it out and another card is open', () => {
    const { bench, list } = panel(three)
    expect(list.open.value).toBe(0)
    list.put(aSource('stove'), 'add stove', ...FULL)
    expect(bench.current.topUp.sources.map(s => s.kind)).toEqual(['heater', 'lamps', 'people', 'stove'])
    expect(list.open.value).toBe(3)
    expect(list.pathsOf(['powerW', 'litAtH'])).toEqual(['topUp.sources.3.powerW', 'topUp.sources.3.litAtH'])
    bench.undo()
    expect(list.open.value).toBe(2)
  })

  test('taking out keeps the order of the others; the last card that is left is open', () => {
    const { bench, list } = panel(three)
    list.open.value = 2
    list.takeOut(0)
    expect(bench.current.topUp.sources.map(s => s.kind)).toEqual(['lamps', 'people'])
    expect(list.open.value).toBe(1)
    list.takeOut(1)
    list.takeOut(0)
    expect(bench.current.topUp.sources).toEqual([])
    expect(list.open.value).toBe(-1)
    expect(list.list.value).toEqual([])
  })

  test('one too many is refused, told with its reason, and changes nothing', () => {
    const people = Array.from({ length: 20 }, () => aSource('people'))
    const { bench, list, notices } = panel(withSources(DEMOS[0]!, ...people))
    list.put(aSource('people'), 'add people', ...FULL)
    expect(bench.current.topUp.sources).toHaveLength(20)
    expect(notices.all[0]!.kind).toBe('error')
    expect(notices.all[0]!.lines.join(' ')).toMatch(/20/)
  })

  test('where nothing could be made, why and what to do are told', () => {
    const { list, notices, bench } = panel(three)
    const before = bench.current
    list.put(null, 'add body', 'There is no free floor for it.', 'Make the house wider.')
    expect(notices.all[0]).toMatchObject({ text: 'There is no free floor for it.', lines: ['Make the house wider.'] })
    expect(bench.current).toBe(before)
  })

  test('a thing pressed on a drawing opens its card; things of another list do not', async () => {
    const d = DEMOS[0]!
    const two: Design = {
      ...unheated(d),
      shape: { ...d.shape, beds: [] },
      store: { ...d.store, bodies: [tank({ lengthM: 1, atM: 0.4 }), tank({ lengthM: 1, atM: 2.2 })] },
    }
    const { list, drawing } = panel(two, 'store.bodies', 'body')
    drawing.press({ kind: 'body', index: 1 })
    await nextTick()
    expect(list.open.value).toBe(1)
    drawing.press({ kind: 'opening', index: 0 })
    await nextTick()
    expect(list.open.value).toBe(1)
    // A panel that is opened by the press begins with it.
    drawing.press({ kind: 'body', index: 1 })
    expect(scope.run(() => useKindList('store.bodies', 'body'))!.open.value).toBe(1)
  })

  test('a field is set by its path; one out of range comes back with why', () => {
    const { bench, list } = panel(three)
    expect(list.set('topUp.sources.1.powerW', 350)).toBeNull()
    expect(bench.current.topUp.sources[1]).toMatchObject({ powerW: 350 })
    expect(list.set('topUp.sources.1.powerW', -3)).toMatch(/Lamps.*power/i)
    expect(bench.current.topUp.sources[1]).toMatchObject({ powerW: 350 })
    expect(bench.refusedPath).toBe('topUp.sources[1].powerW')
  })
})

describe('what the path of work says of each step', () => {
  const show = (v: number, quantity: Quantity) =>
    formatQuantity(v, quantity, 'metric').replaceAll(/[\u00a0\u202f]/g, ' ')
  const summary = (id: string, design: Design) => STEP_LIST.find(s => s.id === id)!.summary({ design, show, day: null })

  test('every step that decides something is there, in the order of the work, with words for every demo', () => {
    expect(STEP_LIST.map(s => s.id).slice(0, STEPS.length)).toEqual([...STEPS])
    for (const step of STEP_LIST)
      for (const d of DEMOS) expect(step.summary({ design: d, show, day: null })).not.toMatch(/undefined|NaN|^$/)
  })

  test('top-up: what is in use, and the air that is kept; nothing where nothing is', () => {
    expect(summary('topUp', unheated(DEMOS[0]!))).toBe('no added heat')
    expect(summary('topUp', three)).toBe('lamps, people')
    const two = withSources(DEMOS[0]!, aSource('heater', { setPointC: 6 }), aSource('heater', { setPointC: 3 }))
    expect(summary('topUp', two)).toBe('heater 1, heater 2; air at 6.0 °C')
  })

  test('store: bodies, lining and what is blown through the ground', () => {
    const d = withAirStores(DEMOS[0]!, anAirStore('earth store'), anAirStore('rock bed', { on: false }))
    expect(summary('store', d)).toMatch(/barrels, lining of the back wall, earth store$/)
    const none: Design = { ...d, store: { ...d.store, bodies: [], airStores: [], linings: [] } }
    expect(summary('store', none)).toBe('no store yet')
  })
})
