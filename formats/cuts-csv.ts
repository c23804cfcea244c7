import Papa from 'papaparse'
import type { EndCut } from '../core/frame/member'
import { together } from '../core/takeoff/cut-drawings'
import type { CutList } from '../core/takeoff/cuts'
import { formatQuantity } from '../core/units'

const mm = (m: number) => Math.round(m * 1000)
/** Feet, inches and sixteenths, in plain letters. */
const feet = (m: number) => formatQuantity(m, 'cutLength', 'us').replaceAll('\u00a0', ' ')
const cut = ({ cut: name, sawDeg }: EndCut) => (name === 'square' ? 'square' : `${name} ${sawDeg.toFixed(1)}°`)

/** A list of cuts as a table for a spreadsheet: members, what they come out of, sheets and panes, facets. */
export function writeCutsCsv({ members, lumber, glazing, facets }: CutList): string {
  const sizes = (wide: number | null, long: number) => ({
    ...(wide === null ? {} : { width_mm: mm(wide), width_ft_in: feet(wide) }),
    length_mm: mm(long),
    length_ft_in: feet(long),
  })
  const rows: Record<string, string | number>[] = [
    ...members.map(m => ({
      what: 'member',
      name: m.member,
      part: m.part,
      count: m.count,
      ...sizes(null, m.lengthM),
      lower_end: m.bent ? 'bent' : cut(m.ends[0]),
      upper_end: m.bent ? 'bent' : cut(m.ends[1]),
      ...(m.bevelDeg ? { bevel_deg: Number(m.bevelDeg.toFixed(1)) } : {}),
    })),
    ...together(lumber, b => `${b.lengthM} ${b.pieces.join(' ')}`).map(({ of: b, count }) => ({
      what: 'lumber as sold',
      name: 'out of it',
      count,
      ...sizes(null, b.lengthM),
      pieces_mm: b.pieces.map(mm).join(' + '),
      left_mm: Math.max(0, mm(b.lengthM - b.pieces.reduce((sum, p) => sum + p, 0))),
    })),
    ...glazing.flatMap(g => [
      ...together(g.pieces, p => `${p.part} ${mm(p.widthM)} ${mm(p.lengthM)}`).map(({ of: p, count }) => ({
        what: g.glazing.sold === 'panes' ? 'pane' : 'piece of a sheet',
        name: g.glazing.name,
        part: p.part,
        count,
        ...sizes(p.widthM, p.lengthM),
      })),
      ...together(g.sheets, s => `${s.lengthM} ${s.pieces.map(p => `${mm(p.widthM)} ${mm(p.lengthM)}`).join(' ')}`).map(
        ({ of: s, count }) => ({
          what: 'sheet as sold',
          name: g.glazing.name,
          count,
          ...sizes(s.widthM, s.lengthM),
          pieces_mm: s.pieces.map(p => `${mm(p.widthM)} × ${mm(p.lengthM)}`).join(' + '),
        }),
      ),
      ...g.rolls.map(r => ({ what: 'film off a roll', name: g.glazing.name, count: 1, ...sizes(r.widthM, r.lengthM) })),
    ]),
    ...facets.map(f => ({ what: 'facet', name: f.part, count: f.count, pieces_mm: f.sidesM.map(mm).join(' + ') })),
  ]
  return Papa.unparse(rows, {
    columns: [
      'what',
      'name',
      'part',
      'count',
      'width_mm',
      'width_ft_in',
      'length_mm',
      'length_ft_in',
      'lower_end',
      'upper_end',
      'bevel_deg',
      'pieces_mm',
      'left_mm',
    ],
    newline: '\n',
    escapeFormulae: true,
  })
}
