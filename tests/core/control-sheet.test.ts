import { anAirStore } from '../../core/air-stores/registry'
import { controlSheet, type ControlLine } from '../../core/advice/control-sheet'
import { DEMOS, type Design } from '../../core/design'
import { patchDesign } from '../../core/editing'
import { aFan } from '../../core/fans/registry'
import { aSource } from '../../core/sources/registry'
import { writeControlCsv } from '../../formats/control-csv'
import { withAirStores, withSources } from '../added'

const [ash] = DEMOS as [Design]
const of = (lines: ControlLine[], device: string) => lines.filter(l => l.device.startsWith(device))
const names = (lines: ControlLine[]) => lines.map(l => l.setting)

test('every demo’s openings, covers, fans, stores and sources have their set-points, each once', () => {
  for (const demo of DEMOS) {
    const lines = controlSheet(demo)
    expect(lines.length).toBeGreaterThan(4)
    expect(new Set(lines.map(l => `${l.device} ${l.setting}`)).size).toBe(lines.length)
    for (const l of lines) {
      expect(l.setting.length).toBeGreaterThan(1)
      if (typeof l.value === 'number') expect(Number.isFinite(l.value)).toBe(true)
    }
    // Sizes are no set-points.
    expect(names(lines).join(' ')).not.toMatch(/area|length|power|price/i)
  }
})

test('a set-point follows the design', () => {
  const house = patchDesign(withSources(ash, aSource('heater', { setPointC: 11 })), [
    ['breathe.fans', [aFan('extract fan', { startC: 27, stages: 2 })]],
    ['breathe.airing.on', true],
  ])
  const lines = controlSheet(house)
  expect(of(lines, 'Heater').find(l => l.quantity === 'temperature')!.value).toBe(11)
  expect(of(lines, 'Extract fan').map(l => l.value)).toEqual(expect.arrayContaining([27, 2]))
  expect(of(lines, 'Winter airing').length).toBeGreaterThan(2)
  expect(of(controlSheet(ash), 'Winter airing')).toEqual([])
})

test('what does nothing is left out: hours of a clock that is not asked, a store that is not in use', () => {
  const ruled = (rule: string) => of(controlSheet(patchDesign(ash, [['skin.cover.rule', rule]])), 'Night cover')
  expect(names(ruled('clock'))).toEqual(expect.arrayContaining(['Drawn at, o’clock', 'Opened at, o’clock']))
  expect(names(ruled('sun'))).not.toContain('Drawn at, o’clock')
  expect(of(controlSheet(patchDesign(ash, [['skin.cover.id', 'none']])), 'Night cover')).toEqual([])
  const off = withAirStores(ash, anAirStore('earth store', { on: false }))
  expect(of(controlSheet(off), 'Earth store')).toEqual([])
  expect(of(controlSheet(withAirStores(ash, anAirStore('earth store'))), 'Earth store').length).toBeGreaterThan(0)
})

test('openings that are moved by hand say when somebody is there; those by wax say where they start', () => {
  const how = (id: string) => {
    const i = ash.skin.openings.findIndex(o => o.kind === 'vent')
    return controlSheet(patchDesign(ash, [[`skin.openings.${i}.how`, id]])).filter(l => l.device.startsWith('Vent'))
  }
  expect(names(how('hand'))).toContain('Somebody is there')
  expect(names(how('wax'))).not.toContain('Somebody is there')
  expect(names(how('wax'))).toContain('Starts to open')
  expect(names(how('season'))).toContain('Open from the start of month')
  expect(how('season').find(l => l.setting.includes('month'))!.value).toMatch(/^[A-Z][a-z]+$/)
})

test('as CSV: a heading, a row a line, commas within words kept', () => {
  const lines = controlSheet(ash)
  const rows = writeControlCsv(lines).trimEnd().split('\n')
  expect(rows[0]).toBe('device,setting,value,unit')
  expect(rows).toHaveLength(lines.length + 1)
  expect(rows.some(r => r.endsWith(',°C'))).toBe(true)
  expect(rows.some(r => r.startsWith('"'))).toBe(true)
})
