import Papa from 'papaparse'
import type { Design } from '../core/design/types'
import { oneLine } from '../core/text/control'
import { BUILD_STAGES } from '../core/takeoff/lines'
import type { Takeoff } from '../core/takeoff/takeoff'

const places = (v: number, digits: number) => Number(v.toFixed(digits))

/** A take-off as a table for a spreadsheet: a line each, in SI units, with the sum at its end. */
export function writeTakeoffCsv({ lines, total, currency }: Takeoff, { build }: Pick<Design, 'build'>): string {
  const own = new Map(build.notes.map(n => [n.line, n]))
  const rows = lines.map(l => ({
    stage: BUILD_STAGES[l.stage],
    part: l.part,
    item: l.item,
    needed: places(l.amount, 3),
    unit: l.unit,
    waste: places(l.waste, 3),
    buy: places(l.buy, 3),
    pack: l.pack === null ? '' : places(l.pack, 3),
    mine: places(l.mine, 3),
    [`price, ${currency}`]: places(l.price, 2),
    [`cost, ${currency}`]: places(l.cost, 2),
    supplier: oneLine(own.get(l.id)?.supplier ?? ''),
    note: oneLine([l.note, own.get(l.id)?.note].filter(Boolean).join('; ')),
  }))
  return Papa.unparse([...rows, { stage: 'All', [`cost, ${currency}`]: places(total, 2) }] as object[], {
    columns: Object.keys(rows[0] ?? { stage: '' }),
    newline: '\n',
    // What a spreadsheet would take for a sum is kept as words.
    escapeFormulae: true,
  })
}
