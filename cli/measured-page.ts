import { MEASURED_HOUSES, placeOf, predicted, type MeasuredHouse } from '../core/measured-houses'

const ROW = 46
const LEFT = 330
const WIDE = 330
const RIGHT = 90

/** Where the axis of a row ends: zero or below it, and so far beyond all that is shown. */
function axis({ id, low, high }: MeasuredHouse): [number, number] {
  const got = predicted(id)
  return [Math.min(0, low, got), Math.max(high, got) * 1.15]
}

const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;')

/** Published ranges as bars, what the year says as dots: each row on an axis of its own, from zero. */
export function measuredPicture(): string {
  const rows = MEASURED_HOUSES.map((m, i) => {
    const [from, to] = axis(m)
    const x = (v: number) => (LEFT + (WIDE * (v - from)) / (to - from)).toFixed(1)
    const y = 20 + i * ROW
    const got = predicted(m.id)
    const text = (dx: string, dy: number, what: string, more = '') =>
      `<text x="${dx}" y="${y + dy}" ${more}>${escaped(what)}</text>`
    return [
      text('10', 10, m.house, 'font-weight="600"'),
      text('10', 26, `${m.figure}, ${m.unit}`, 'fill="#555"'),
      `<line x1="${LEFT}" x2="${LEFT + WIDE}" y1="${y + 14}" y2="${y + 14}" stroke="#bbb"/>`,
      `<rect x="${x(m.low)}" y="${y + 7}" width="${(Number(x(m.high)) - Number(x(m.low))).toFixed(1)}" height="14" ` +
        `fill="#c9d5c3" stroke="#5b7353"/>`,
      `<circle cx="${x(got)}" cy="${y + 14}" r="5" fill="#9c4a2f"/>`,
      text(String(LEFT + WIDE + 12), 19, `${m.low} to ${m.high}`),
      text(String(LEFT + WIDE + 12), 33, `here ${got}`, 'fill="#9c4a2f"'),
    ].join('\n')
  })
  const size = `${LEFT + WIDE + RIGHT} ${30 + MEASURED_HOUSES.length * ROW}`
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size}" font-family="sans-serif" font-size="12">\n` +
    `<rect width="100%" height="100%" fill="#fff"/>\n${rows.join('\n')}\n</svg>\n`
  )
}

/** The page of houses that were measured, with the picture. */
export function measuredPage(): string {
  const rows = MEASURED_HOUSES.map(m => {
    const cells = [m.house, m.figure, `${m.low} to ${m.high} ${m.unit}`, predicted(m.id), placeOf(m)]
    return `| ${[...cells, m.remark, m.source].join(' | ')} |`
  })
  return [
    '# Houses that were measured',
    '',
    'Figures that have been published of real houses, and what the year says of a house like each, built from',
    'what is stated of it. Nothing is tuned to them: a row that lies outside stays outside, and says which way the',
    'year errs. The ranges are rounded from the sources named.',
    'The page, its picture and `core/measured-houses.json` are written by `npm run format-page`; the houses are in',
    '`tests/proof/measured-houses.ts`.',
    '',
    '![Published ranges and predictions](measured-houses.svg)',
    '',
    '| house | figure | published | here | | what was said | source |',
    '|---|---|---|---|---|---|---|',
    ...rows,
    '',
  ].join('\n')
}
