import { controlSheet } from '../../core/advice/control-sheet'
import { DEMOS, type Design } from '../../core/design'
import { layOut } from '../../core/drawings/sheet'
import { schedule } from '../../core/plan/schedule'
import { houseYear, seasonTasks } from '../../core/season/season-tasks'
import { cutList } from '../../core/takeoff/cuts'
import { pricesOf } from '../../core/takeoff/price-book'
import { takeoff } from '../../core/takeoff/takeoff'
import { inMetric } from '../../core/units'
import { yearView } from '../../core/view'
import { EXPORTS, exportsOf, type Exported, type ExportInput } from '../../formats/exports'
import { shippedFonts } from '../../cli/fonts'
import { engine } from '../shared/years'

const design = DEMOS[0] as Design
const result = engine.run(design)
const inputs: { [K in Exported]: ExportInput<K> } = {
  'take-off': { takeoff: takeoff(design), design },
  'cuts': cutList(design),
  'drawing': layOut(design, { view: 'section', paper: 'A4', scale: 50, date: '' }),
  'plan': { plan: schedule(design, '2027-04-05', result.site.dryBulbC), design },
  'tasks': { tasks: seasonTasks(houseYear(design, result), '2027-01-01', []), design },
  'year': { design, result },
  'control sheet': controlSheet(design),
  'prices': { price: pricesOf(design), isOwn: () => false, currency: 'EUR' },
  'report': { design, view: yearView(design, result), winters: [], rungs: [], show: inMetric },
  'set': {
    design,
    view: yearView(design, result),
    winters: [],
    show: inMetric,
    paper: 'A4',
    date: '5 April 2027',
    today: '2027-04-05',
    feet: false,
  },
}
/** How a file of an ending begins. */
const BEGINS: Record<string, RegExp> = {
  csv: /^[a-z"#][^\n]*,[^\n]*\n[\s\S]+\n?/i,
  ics: /^BEGIN:VCALENDAR[\s\S]*END:VCALENDAR\s*$/,
  pdf: /^%PDF-/,
  svg: /<svg[\s\S]*<\/svg>\s*$/,
  dxf: /^\s*0\s+SECTION[\s\S]*EOF\s*$/,
  epw: /^LOCATION,/,
}

const all = (Object.keys(EXPORTS) as Exported[]).flatMap(of => exportsOf(of).map(format => ({ of, format })))

test.each(all.map(({ of, format }) => [of, format.id, format] as const))(
  '%s as %s is a file of its kind',
  async (of, _, format) => {
    const file = await format.write(inputs[of] as never, shippedFonts)
    const text = typeof file === 'string' ? file : Buffer.from(file).toString('latin1')
    expect(text).toMatch(BEGINS[format.ending]!)
    expect(text.length).toBeGreaterThan(200)
    expect(`${format.name('Hollow Ash')}.${format.ending}`).toMatch(/^[\w ,-]+\.[a-z]{3}$/)
  },
)

test('each has a name of its own on the page, and an option of its own in its command', () => {
  expect(new Set(all.map(a => a.format.id)).size).toBe(all.length)
  for (const of of Object.keys(EXPORTS) as Exported[]) {
    const options = exportsOf(of).map(f => f.option)
    expect(new Set(options).size).toBe(options.length)
  }
})
