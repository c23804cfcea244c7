import { anAirStore } from '../core/air-stores/registry'
import { DEMOS } from '../core/design'
import { patchDesign } from '../core/editing'
import { makeBuilding } from '../core/geometry/surfaces'
import { bookedSums, lineUnit, SUM_BOOK, type BookedSum } from '../core/sums/book'
import { createYearEngine } from '../core/year'

const HEAD = `# Sums by hand

Every sum that the panels show and \`npm run -s tierra -- sums file.json\` prints, with its lines and the formula that a
spreadsheet needs: the values of the lines stand in B1, B2 and so on, in SI units (temperatures in °C, flows in m³/h,
times in h), and the formula gives the last line. A test puts every demo's numbers through these formulas. Where a line
varies with the design, the formula is that of the example.

This page is made from \`core/sums/book/\` by \`npm run format-page\`.
`

const RESTS = {
  proof: 'It is so by arithmetic and geometry.',
  measured: 'Within what has been measured.',
  thin: 'Thin evidence: a rule of thumb.',
} as const

/** The demos, and one with what none of them has. */
const HOUSES = [...DEMOS, patchDesign(DEMOS[0]!, [['store.airStores', [anAirStore('earth tube')]]])]

const number = (v: number) => String(Number(v.toPrecision(4)))

function chapter(sum: BookedSum): string {
  const rows = sum.lines.map((l, i) => `| B${i + 1} | ${l.symbol} | ${l.text} | ${number(l.value)} ${lineUnit(l)} |`)
  return [
    `## ${sum.title}`,
    `\`${sum.id}\`. ${RESTS[sum.evidence]} ${sum.rule}`,
    `\`${sum.formula}\``,
    ['| | | line | example |', '|---|---|---|---|', ...rows].join('\n'),
  ].join('\n\n')
}

/** The page of all sums, each with the numbers of the first demo that it has a meaning for. */
export function sumsPage(): string {
  const engine = createYearEngine()
  const found = new Map<string, BookedSum>()
  for (const design of HOUSES)
    for (const sum of bookedSums({ ...engine.run(design), design, building: makeBuilding(design) }))
      if (!found.has(sum.id)) found.set(sum.id, sum)
  return `${[HEAD, ...SUM_BOOK.flatMap(e => (found.has(e.id) ? [chapter(found.get(e.id)!)] : []))].join('\n')}\n`
}
