import type { Design } from '../design/types'
import { inMetric, type Show } from '../units'
import { flat, LAYERS, type At, type Drawing, type Path, type SiteFacts, type Words } from './drawing'
import { extentWithWords, withRoomForWords } from './place'
import { roughView, type ViewId } from './views'

/** Papers laid across, mm. */
export const PAPERS = {
  A4: { wideMm: 297, highMm: 210 },
  A3: { wideMm: 420, highMm: 297 },
  letter: { wideMm: 279.4, highMm: 215.9 },
  tabloid: { wideMm: 431.8, highMm: 279.4 },
} as const
export type PaperId = keyof typeof PAPERS

/** Scales in use on building sites, 1 to so many. */
export const SCALES = [1, 2, 5, 10, 20, 25, 50, 75, 100, 150, 200, 250, 500] as const

/** Capitals are so high for a letter’s size of 1 in Source Sans, 660 of 1000. */
export const CAPITALS = 0.66

/** Words on a sheet: their place, and the height of their capitals, mm. */
export interface SheetWords {
  at: At
  text: string
  heightMm: number
  align: 'left' | 'middle' | 'right'
  turnDeg: number
  strong: boolean
}

/** A drawing on paper: lines and words in mm of the paper from its lower left corner. */
export interface Sheet {
  paper: PaperId
  wideMm: number
  highMm: number
  scale: number
  title: string
  /** What lies on it, in the house's own size. */
  drawing: Drawing
  lines: { points: At[]; closed: boolean; dashed: boolean; weightMm: number }[]
  words: SheetWords[]
}

export interface SheetAsked {
  view: ViewId
  paper: PaperId
  /** 1 to so many; null for the largest of {@link SCALES} that fits. */
  scale: number | null
  /** As it is written in the title block. */
  date: string
  show?: Show
  site?: SiteFacts
  /** The bar beside the scale goes by feet. */
  feet?: boolean
}

const MARGIN_MM = 10
const BLOCK_MM = 22
/** Kept free within the frame, mm. */
const AIR_MM = 3

/** What a drawing needs of paper at a scale with its words, mm. */
function needed(drawing: Drawing, scale: number) {
  const e = extentWithWords(drawing.items, scale)
  return { ...e, wideMm: (e.x1 - e.x0) / scale, highMm: (e.y1 - e.y0) / scale }
}

/**
 * A view set on paper with its title block and a bar that measures true.
 * @throws RangeError with a sentence for a person, where it does not fit or the house has no such view
 */
export function layOut(design: Design, asked: SheetAsked): Sheet {
  const { view, paper, show = inMetric, site } = asked
  const { wideMm, highMm } = PAPERS[paper]
  const room = { wideMm: wideMm - 2 * MARGIN_MM - 2 * AIR_MM, highMm: highMm - 2 * MARGIN_MM - BLOCK_MM - 2 * AIR_MM }
  const at = (scale: number) => {
    const rough = roughView(design, { view, scale, show, site, room })
    if (!rough || rough.items.length === 0) throw new RangeError(`this house has no ${view} to draw`)
    const isIn = ({ wideMm: w, highMm: h }: ReturnType<typeof needed>) => w <= room.wideMm && h <= room.highMm
    const size = needed(rough, scale)
    if (!isIn(size)) return { drawing: rough, size, fits: false }
    // Words may go to where there is room on the paper.
    const [left, low] = [((room.wideMm - size.wideMm) / 2) * scale, ((room.highMm - size.highMm) / 2) * scale]
    const within = { x0: size.x0 - left, x1: size.x1 + left, y0: size.y0 - low, y1: size.y1 + low }
    const drawing = { ...rough, items: withRoomForWords(rough.items, scale, within) }
    const settled = needed(drawing, scale)
    return { drawing, size: settled, fits: isIn(settled) }
  }
  const fitting = () => SCALES.find(s => at(s).fits)
  const scale = asked.scale ?? fitting() ?? SCALES.at(-1)!
  const { drawing, size, fits } = at(scale)
  if (!fits)
    throw new RangeError(
      `the ${view} at 1:${scale} does not fit on ${paper}; ` +
        `allowed: 1:${fitting() ?? 'none'} or smaller, or larger paper`,
    )
  const left = (wideMm - size.wideMm) / 2
  const low = MARGIN_MM + BLOCK_MM + AIR_MM + (room.highMm - size.highMm) / 2
  const onPaper = ([x, y]: At): At => [left + (x - size.x0) / scale, low + (y - size.y0) / scale]
  const title = `${design.name}: ${drawing.title}`
  const sheet: Sheet = { paper, wideMm, highMm, scale, title, drawing, lines: [], words: [] }
  for (const item of flat(drawing.items)) put(sheet, item, onPaper)
  titleBlock(sheet, design, drawing, asked)
  return sheet
}

function put(sheet: Sheet, item: Path | Words, onPaper: (p: At) => At): void {
  if (item.kind === 'path')
    sheet.lines.push({
      points: item.points.map(onPaper),
      closed: item.closed ?? false,
      dashed: item.dashed ?? false,
      weightMm: LAYERS[item.layer].weightMm,
    })
  else
    sheet.words.push({
      at: onPaper(item.at),
      text: item.text,
      heightMm: item.heightMm,
      align: item.align,
      turnDeg: item.turnDeg ?? 0,
      strong: false,
    })
}

const FOOT_M = 0.3048
/** What places on a sheet are measured from, unless its drawing says otherwise. */
const DATUM = 'from inner faces; datum: floor, sunny wall, west end.'

/** Frame, title block and a bar of the scale. */
function titleBlock(sheet: Sheet, design: Design, { title, measured }: Drawing, asked: SheetAsked): void {
  const { date, show = inMetric, feet = false } = asked
  const { wideMm, highMm, scale } = sheet
  const [x0, x1, y0, y1] = [MARGIN_MM, wideMm - MARGIN_MM, MARGIN_MM, highMm - MARGIN_MM]
  const stroke = (points: At[], closed = false, weightMm = 0.35) =>
    sheet.lines.push({ points, closed, dashed: false, weightMm })
  stroke([[x0, y0], [x1, y0], [x1, y1], [x0, y1]], true, 0.5) // prettier-ignore
  stroke([[x0, y0 + BLOCK_MM], [x1, y0 + BLOCK_MM]]) // prettier-ignore
  const say = (x: number, y: number, text: string, heightMm = 2.5, strong = false, align: 'left' | 'right' = 'left') =>
    sheet.words.push({ at: [x, y], text, heightMm, align, turnDeg: 0, strong })
  say(x0 + 4, y0 + 15, design.name, 4, true)
  say(x0 + 4, y0 + 9.6, title, 3)
  say(x0 + 4, y0 + 5.4, `${feet ? 'Feet, inches and sixteenths' : 'Sizes in mm'}; ${measured ?? DATUM}`, 1.9)
  say(x0 + 4, y0 + 2.2, 'Frame, loads and anchors: by an engineer.', 1.9)
  say(x1 - 4, y0 + 14, `1:${scale} on ${sheet.paper}`, 3.5, true, 'right')
  say(x1 - 4, y0 + 8, `revision ${design.build.revision || '–'}, ${date}`, 2.5, false, 'right')
  // The bar: as many metres or feet as are near a quarter of the sheet, halves and tenths of one where all is large.
  const unitM = feet ? FOOT_M : 1
  const count =
    [...(feet ? [0.25, 0.5] : [0.1, 0.2, 0.5]), 1, 2, 5, 10, 20, 50]
      .filter(n => (n * unitM * 1000) / scale <= wideMm / 4)
      .at(-1) ?? 1
  const long = (count * unitM * 1000) / scale
  const [bx, by] = [x1 - 4 - long - 19, y0 + 3.4]
  stroke([[bx, by], [bx + long, by]], false, 0.5) // prettier-ignore
  for (const share of [0, 0.5, 1]) stroke([[bx + long * share, by - 1], [bx + long * share, by + 1]]) // prettier-ignore
  say(bx + long + 2, by - 1, show(count * unitM, 'length'))
}
