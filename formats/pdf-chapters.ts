import { rgb } from 'pdf-lib'
import { allCautions } from '../core/advice/access'
import { aimTold } from '../core/aim/fares'
import { whyWorst } from '../core/advice/worst-night'
import { MONTH_NAMES } from '../core/climate'
import type { Design } from '../core/design'
import { winterDli } from '../core/study/figures'
import { winterSpread, type Winter } from '../core/study/winter'
import { wintersTold } from '../core/study/winters-told'
import { amountWords, type TakeoffLine } from '../core/takeoff/lines'
import type { Takeoff } from '../core/takeoff/takeoff'
import { CLAIMS, GROUNDS } from '../core/trust'
import { formatNumber, nameIn, type Show } from '../core/units'
import type { YearView } from '../core/view'
import { INK, LINE } from './pdf-fonts'
import type { Paper } from './pdf-page'

/** What is told on paper of a design and its year, in the reader's units: what reports and sets have in common. */
export interface Told {
  design: Design
  view: YearView
  show: Show
  /** As far as they are known. */
  winters: readonly Winter[]
}

/** The figures that matter, and why the worst night was the worst. */
export function figures(paper: Paper, { design, view, show }: Told, cost: Takeoff): void {
  const { answers } = view
  const t = (c: number) => show(c, 'temperature')
  const { coldestNight, hottestAfternoon, aim } = answers
  paper.heading(`Coldest night: ${t(coldestNight.insideC)}`, 18)
  paper.paragraph(`${aimTold(aim, show)} ${whyWorst(answers, view, show, null).join(' ')}`.trim())
  paper.table(
    [
      ['Hottest afternoon', t(hottestAfternoon.insideC)],
      ['The leaf’s own coldest hour', t(answers.leaf.coldestC)],
      ['Frost inside', show(answers.hoursBelow0, 'hours')],
      ['Below the aim', show(answers.hoursBelowAim, 'hours')],
      ['Too hot', show(answers.hoursAboveLimit, 'hours')],
      ['Damp, above 90 % humidity', show(answers.hoursDamp, 'hours')],
      ['Heat bought in a year', show(answers.topUp.kWh * 3.6e6, 'energy')],
      ...answers.running.lines.map(l => [`${l.name}, a year`, `${cost.currency} ${formatNumber(l.cost, 0)}`]),
      ['All that a year buys', `${cost.currency} ${formatNumber(answers.running.cost, 0)}`],
      ['Light of the winter half at the beds', `${winterDli(design, answers).toFixed(1)} mol/m²·d`],
      ['Materials and devices, roughly', `${cost.currency} ${formatNumber(cost.total, 0)}`],
    ],
    [140],
  )
}

/** Months as bands of inside low to high, outside low as a line. */
function monthBands(paper: Paper, { view, show }: Told): void {
  const { months } = view.answers
  const { page, left, foot, width } = paper.picture(120)
  const all = months.flatMap(m => [m.insideMinC, m.insideMaxC, m.outsideMinC])
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const x = (m: number) => left + 44 + ((width - 50) * (m + 0.5)) / 12
  const y = (c: number) => foot + 18 + ((c - low) / (high - low)) * 94
  if (low < 0) page.drawLine({ start: { x: left + 44, y: y(0) }, end: { x: left + width, y: y(0) }, color: LINE })
  months.forEach((m, i) => {
    page.drawRectangle({
      x: x(i) - 9,
      y: y(m.insideMinC),
      width: 18,
      height: y(m.insideMaxC) - y(m.insideMinC),
      color: rgb(0.75, 0.8, 0.65),
      borderColor: INK,
      borderWidth: 0.5,
    })
    page.drawLine({
      start: { x: x(i) - 9, y: y(m.outsideMinC) },
      end: { x: x(i) + 9, y: y(m.outsideMinC) },
      thickness: 1.4,
      color: INK,
    })
    paper.write(MONTH_NAMES[i]!.slice(0, 3), x(i), foot + 4, { size: 8, soft: true }, 'middle')
  })
  paper.write(show(high, 'temperature'), left, y(high) - 6, { size: 8, soft: true })
  paper.write(show(low, 'temperature'), left, y(low), { size: 8, soft: true })
}

/** The months of the year, and its heat in and out. */
export function months(paper: Paper, told: Told): void {
  const { view, show } = told
  const { answers } = view
  const t = (c: number) => show(c, 'temperature')
  const kWh = (v: number) => show(v * 3.6e6, 'energy')
  paper.heading('The months')
  monthBands(paper, told)
  paper.paragraph('Bars: inside, lowest to highest of the month. Lines: lowest outside.', { size: 8, soft: true })
  const cell = (of: (m: (typeof answers.months)[number]) => string) => answers.months.map(of)
  const bare = (c: number) => t(c).replace(/[^\d.,−-]/g, '')
  paper.table(
    [
      [
        t(0)
          .replace(/[\d.,]/g, '')
          .trim(),
        ...MONTH_NAMES.map(m => m.slice(0, 3)),
      ],
      ['inside low', ...cell(m => bare(m.insideMinC))],
      ['inside mean', ...cell(m => bare(m.insideMeanC))],
      ['inside high', ...cell(m => bare(m.insideMaxC))],
      ['outside low', ...cell(m => bare(m.outsideMinC))],
      ['soil', ...cell(m => bare(m.soilC))],
      ['light, mol', ...cell(m => m.dli.toFixed(0))],
      ['heat, kWh', ...cell(m => Math.round(m.topUpKWh).toString())],
    ],
    Array.from({ length: 12 }, () => 34),
    true,
    8,
  )
  paper.heading('Heat in and out, a year')
  const flows = [
    ...Object.entries(answers.ledger.gains).map(([name, v]) => [name, kWh(v)]),
    ...Object.entries(answers.ledger.losses)
      .sort((a, b) => b[1] - a[1])
      .map(([name, v]) => [name, kWh(-v)]),
  ]
  paper.table(flows, [120])
}

/** What was taken for granted. */
export function assumptions(paper: Paper, { design, view: { answers }, winters, show }: Told): void {
  const spread = winterSpread(winters, design.aim)
  if (spread) paper.paragraph(wintersTold(spread, design.aim, show))
  paper.paragraph(
    [
      ...answers.notes,
      design.site.climate.kind === 'normals'
        ? `The year is one of many made from the same figures (seed ${answers.seed}).`
        : 'The weather is one year, hour by hour, from a file.',
      ...(spread ? [] : ['Other winters differ by kelvins.']),
      `Worked out by version ${answers.version}.`,
    ].join(' '),
  )
}

/** What can hurt here. */
export function cautions(paper: Paper, { design, view: { answers }, show }: Told): void {
  for (const c of allCautions(design, answers, show)) paper.paragraph(`– ${c.text}`)
  paper.paragraph(
    'Snow, wind, anchorage and glass overhead are an engineer’s or the building office’s. Local codes and licensed ' +
      'people go before anything that stands here.',
  )
}

/** How far to trust it. */
export function trust(paper: Paper): void {
  for (const c of CLAIMS) paper.paragraph(`${c.claim}. ${GROUNDS[c.rests]} ${c.bias}`, { size: 9 })
}

/** A line of the take-off: what, how much of it to buy, and what that costs. */
export const takeoffRow = (l: TakeoffLine, currency: string, show: Show): string[] => [
  `${l.part}: ${nameIn(l.item, show)}`,
  amountWords(l.buy, l.unit, show),
  `${currency} ${formatNumber(l.cost, 0)}`,
]

/** What is apart from the list's sum. */
export function besidesTheList(paper: Paper, cost: Takeoff, show: Show): void {
  paper.paragraph(
    `Prices are rough until somebody who builds it has put in their own; transport is left out. Work is apart: about ` +
      `${show(cost.hands.hours, 'hours')} by people who have done it before` +
      `${cost.hands.cost > 0 ? `, ${cost.currency} ${formatNumber(cost.hands.cost, 0)}` : ''}.`,
    { size: 8, soft: true },
  )
}
