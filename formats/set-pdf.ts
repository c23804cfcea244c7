import { rgb } from 'pdf-lib'
import { controlSheet, type ControlLine } from '../core/advice/control-sheet'
import { makeBuilding } from '../core/geometry/surfaces'
import { coverPicture, type SeenFace } from '../core/drawings/cover'
import { endWords } from '../core/drawings/members'
import { layOut, type PaperId, type Sheet } from '../core/drawings/sheet'
import { siteFacts } from '../core/drawings/site-facts'
import { VIEW_CHOICES, type ViewId } from '../core/drawings/views'
import { sectionWords } from '../core/frame/section-words'
import { schedule, type Planned } from '../core/plan/schedule'
import { together } from '../core/takeoff/cut-drawings'
import { cutList } from '../core/takeoff/cuts'
import { BUILD_STAGES } from '../core/takeoff/lines'
import { takeoff, type Takeoff } from '../core/takeoff/takeoff'
import { formatNumber, nameIn, type Show } from '../core/units'
import { assumptions, besidesTheList, cautions, figures, months, takeoffRow, trust, type Told } from './pdf-chapters'
import { INK, type FontFiles } from './pdf-fonts'
import { makePaper, type Paper } from './pdf-page'

/** What a builder's set is made of. */
export interface SetParts extends Told {
  /** Of its sheets. */
  paper: PaperId
  /** As it stands on the sheets, and the day on which work begins where the design says none, ISO 8601. */
  date: string
  today: string
  /** Sheets are in feet, inches and sixteenths. */
  feet: boolean
}

const FILL: Record<SeenFace['kind'], ReturnType<typeof rgb>> = {
  glazed: rgb(0.9, 0.94, 0.95),
  opaque: rgb(0.88, 0.83, 0.74),
  opening: rgb(0.97, 0.98, 0.98),
}
const PICTURE_PT = 300

/** The house from outside, as large as there is room. */
function cover(paper: Paper, { design }: SetParts): void {
  const faces = coverPicture(makeBuilding(design), design.site.latitudeDeg >= 0)
  const points = faces.flatMap(f => f.points)
  const [xs, ys] = [points.map(p => p[0]), points.map(p => p[1])]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const { page, left, foot, width } = paper.picture(PICTURE_PT)
  const scale = Math.min(width / (x1 - x0), (PICTURE_PT - 20) / (y1 - y0))
  const [atX, atY] = [left + (width - (x1 - x0) * scale) / 2, foot + 10]
  for (const { points: ring, kind } of faces) {
    const corners = ring.map(([x, y]) => `${(x - x0) * scale} ${-(y - y0) * scale}`)
    page.drawSvgPath(`M${corners.join(' L')}Z`, {
      x: atX,
      y: atY,
      color: FILL[kind],
      borderColor: INK,
      borderWidth: 0.6,
    })
  }
}

/** Every view that the house has, on the paper that is asked for, or on larger where it does not fit. */
function sheetsOf({ design, view, show, paper, date, feet }: SetParts): { name: string; sheet: Sheet }[] {
  const site = siteFacts(design, view)
  const papers: PaperId[] = [paper, feet ? 'tabloid' : 'A3']
  const laid = (id: ViewId): Sheet | null => {
    for (const on of papers)
      try {
        return layOut(design, { view: id, paper: on, scale: null, date, show, feet, site })
      } catch (error) {
        if (!(error instanceof RangeError)) throw error
      }
    return null
  }
  return VIEW_CHOICES.flatMap(({ id, name }) => {
    const sheet = laid(id)
    return sheet ? [{ name, sheet }] : []
  })
}

/** The list stage by stage, with the sum of each. */
function list(paper: Paper, { design, show }: SetParts, cost: Takeoff): void {
  const notes = new Map(design.build.notes.map(n => [n.line, n]))
  const money = (v: number) => `${cost.currency} ${formatNumber(v, 0)}`
  for (const [stage, name] of Object.entries(BUILD_STAGES)) {
    const lines = cost.lines.filter(l => l.stage === stage)
    if (lines.length === 0) continue
    paper.heading(name, 12)
    paper.table(
      [
        ['what', 'to buy', 'cost'],
        ...lines.map(l => {
          const own = notes.get(l.id)
          const said = [
            nameIn(l.note, show),
            l.mine > 0 ? `${formatNumber(l.mine, 0)} of them already yours` : '',
            own?.supplier ?? '',
            own?.note ?? '',
          ].filter(Boolean)
          const [what, buy, price] = takeoffRow(l, cost.currency, show) as [string, string, string]
          return [said.length > 0 ? `${what} (${said.join('; ')})` : what, buy, price]
        }),
        [`${name}, all`, '', money(lines.reduce((sum, l) => sum + l.cost, 0))],
      ],
      [90, 80],
      true,
    )
  }
  paper.table([['all that is bought', '', money(cost.total)]], [90, 80])
  besidesTheList(paper, cost, show)
}

/** Members, what they come out of, and what sheets, panes and film are cut to. */
function cuts(paper: Paper, { design, show }: SetParts): void {
  const { members, lumber, glazing, tooLong } = cutList(design)
  const cut = (m: number) => show(m, 'cutLength')
  paper.heading('Members', 12)
  paper.paragraph(`${sectionWords(design.build, show)}. Lengths along the inner edge.`)
  paper.table(
    [
      ['member', 'pieces', 'length', 'lower end', 'upper end'],
      ...members.map(m => [
        `${m.member}, ${m.part}`,
        String(m.count),
        cut(m.lengthM),
        ...(m.bent ? ['bent', 'on the jig'] : m.ends.map(e => endWords({ show }, e))),
      ]),
    ],
    [40, 80, 80, 80],
    true,
  )
  for (const m of tooLong)
    paper.paragraph(
      `– ${m.member}, ${m.part}: ${cut(m.lengthM)} is longer than any that is sold; the engineer says how.`,
    )
  if (lumber.length > 0) {
    paper.heading('Out of lengths as they are sold', 12)
    paper.table(
      [
        ['cut from each', 'lengths', 'sold', 'left over'],
        ...together(lumber, b => `${b.lengthM} ${b.pieces.join(' ')}`).map(({ of: b, count }) => [
          b.pieces.map(cut).join(' + '),
          String(count),
          show(b.lengthM, 'length'),
          cut(Math.max(0, b.lengthM - b.pieces.reduce((sum, p) => sum + p, 0))),
        ]),
      ],
      [50, 60, 80],
      true,
    )
  }
  for (const g of glazing) {
    paper.heading(nameIn(g.glazing.name, show), 12)
    paper.table(
      [
        ['piece', 'pieces', 'wide', 'long'],
        ...together(g.pieces, p => `${p.part} ${cut(p.widthM)} ${cut(p.lengthM)}`).map(({ of: p, count }) => [
          p.part,
          String(count),
          cut(p.widthM),
          cut(p.lengthM),
        ]),
      ],
      [50, 90, 90],
      true,
    )
    paper.paragraph(
      `${show(g.areaM2, 'area')} to cover, ${show(g.boughtM2, 'area')} bought` +
        (g.sheets.length > 0 ? `: ${g.sheets.length} sheets` : '') +
        `${g.glazing.uvFace ? '; marked face to the sun' : ''}.`,
      { size: 9, soft: true },
    )
  }
}

/** The work on its days, with what has to be so before it goes on. */
function work(paper: Paper, plan: readonly Planned[]): void {
  paper.table(
    [
      ['task', 'from', 'to', 'hours'],
      ...plan.map(p => [
        [p.hold ? `HOLD: ${p.hold}` : p.name, p.note, p.caution].filter(Boolean).join(' '),
        p.from,
        p.hold ? '' : p.to,
        p.hold ? '' : formatNumber(p.hours, 0),
      ]),
    ],
    [70, 70, 50],
    true,
  )
}

const controlWords = ({ value, quantity }: ControlLine, show: Show) =>
  typeof value === 'string' ? value : quantity ? show(value, quantity) : String(value)

/** Every sum by hand, laid open line by line. */
function sums(paper: Paper, { view, show }: SetParts): void {
  for (const s of view.sums) {
    paper.heading(s.title, 11)
    paper.table(
      s.lines.map(l => [
        `${l.symbol}  ${nameIn(l.text, show)}`,
        l.quantity
          ? show(l.value, l.quantity)
          : `${formatNumber(l.value, Math.abs(l.value) < 10 ? 2 : 0)} ${l.unit}`.trim(),
      ]),
      [120],
    )
    paper.paragraph(s.rule, { size: 8, soft: true })
  }
}

/** What somebody has written of the site, the house and the list, and what its migration had to change. */
function notes(paper: Paper, { design, show }: SetParts): void {
  const { survey } = design.site
  const said: [string, string][] = [
    ['Snow', survey.snowNote],
    ['Wind', survey.windNote],
    ['Water', survey.plot.drainNote],
    ...design.build.notes.map((n): [string, string] => [n.line, [n.supplier, n.note].filter(Boolean).join(': ')]),
    ...design.madeToFit.map((n): [string, string] => [
      'Made to fit',
      `${n.what}: ${show(n.wasM2, 'area')} was entered, ${show(n.isM2, 'area')} fits`,
    ]),
  ].filter((n): n is [string, string] => n[1]!.trim() !== '')
  if (said.length > 0) paper.pairs(said)
  else paper.paragraph('Nothing has been noted yet.')
  paper.heading('Yours', 12)
  for (let i = 0; i < 18; i++) paper.table([['']], [])
}

/** The builder's set: all that is taken to the site, in one file with its contents. */
export async function writeSetPdf(
  parts: SetParts,
  fonts: FontFiles,
): Promise<{ bytes: Uint8Array; pages: number; chapters: readonly { title: string; page: number }[] }> {
  const { design, view, show, date, today } = parts
  const cost = takeoff(design, show)
  const { revision } = design.build
  const startOn = design.build.plan.startOn ?? today
  const paper = await makePaper(design.name, fonts)
  paper.heading(design.name, 26)
  paper.paragraph(`${design.site.place}. Builder’s set, ${revision ? `revision ${revision}, ` : ''}${date}.`, {
    soft: true,
  })
  cover(paper, parts)
  figures(paper, parts, cost)
  paper.turn()
  paper.chapter('Figures of the year')
  months(paper, parts)
  for (const { name, sheet } of sheetsOf(parts)) paper.sheet(sheet, `${name}, 1:${sheet.scale}`)
  paper.chapter('What to buy, stage by stage')
  list(paper, parts, cost)
  paper.chapter('Cuts')
  cuts(paper, parts)
  paper.chapter('Order of work')
  paper.paragraph(
    design.build.plan.startOn
      ? 'From the day that was chosen; by the usual weather of this place.'
      : `As if it began on ${startOn}: no day has been chosen yet. By the usual weather of this place.`,
  )
  work(paper, schedule(design, startOn, view.hours.outsideC))
  paper.chapter('Control sheet')
  paper.table(
    [['device', 'setting', ''], ...controlSheet(design).map(l => [l.device, l.setting, controlWords(l, show)])],
    [190, 110],
    true,
  )
  paper.chapter('Cautions')
  cautions(paper, parts)
  paper.chapter('Sums laid open')
  sums(paper, parts)
  paper.chapter('How sure')
  trust(paper)
  paper.heading('Taken for granted')
  assumptions(paper, parts)
  paper.chapter('Notes')
  notes(paper, parts)
  paper.contents(CONTENTS_AT)
  return { ...(await paper.bytes(`${design.name}: builder’s set`)), chapters: paper.chapters }
}
/** The page that is left for the contents, counted from 0. */
const CONTENTS_AT = 1
