import type { Facet } from '../frame/dome'
import { CUT_NAMES, type EndCut, type Member } from '../frame/member'
import { sectionWords } from '../frame/section-words'
import { MEMBER_M } from '../geometry/wall-line'
import { facetCorners, memberCorners, shapesOf, together } from '../takeoff/cut-drawings'
import { cutList } from '../takeoff/cuts'
import { nameIn } from '../units'
import { column, linesBlock, withBlocks } from './blocks'
import {
  broken,
  dimension,
  extentOf,
  LETTER,
  mm,
  rectangle,
  sizeText,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
  type Room,
} from './drawing'

/** On paper, mm: capitals, a line of words, under a member, beside a column of them, and for what stands below. */
const HEIGHT_MM = 2
const LINE_MM = 3.6
const UNDER_MM = 9
const BESIDE_MM = 10
const NOTES_MM = 24
const BELOW_MM = 26
/** Letters on a line over a member: fewer on narrow paper, so that columns stand side by side. */
const lettersOn = ({ wideMm }: Room) => (wideMm > 300 ? 56 : 42)
/** On the sheets of stock, mm on paper: between them. */
const GAP_MM = 12

/** How an end is cut, in words. */
export const endWords = ({ show }: Pick<Drawn, 'show'>, { cut, sawDeg }: EndCut): string =>
  cut === 'square' ? 'square' : `${CUT_NAMES[cut]} ${show(sawDeg, 'angle')}`

/** A member from the side, its lower end on the left, its outer edge above, from a corner. */
const outline = (member: Member, [x, y]: At, deep: number): Item => ({
  kind: 'path',
  layer: 'frame',
  closed: true,
  points: memberCorners(member, mm(member.lengthM), deep).map((p): At => [x + p.x, y + p.y]),
})

/** Members that differ in their length alone, the longest first. */
function alike(members: readonly Member[], drawn: Drawn): { what: string; its: Member[] }[] {
  const found = new Map<string, Member[]>()
  for (const m of members) {
    const [low, high] = m.ends.map(e => endWords(drawn, e)) as [string, string]
    const bevel = m.bevelDeg ? `, sides bevelled ${drawn.show(m.bevelDeg, 'angle')}` : ''
    const what = `${m.member}, ${m.part}; ${low === high ? `ends ${low}` : `${low}, ${high}`}${bevel}`
    found.set(what, [...(found.get(what) ?? []), m])
  }
  return [...found].map(([what, its]) => ({ what, its: [...its].sort((a, b) => b.lengthM - a.lengthM) }))
}

/** Every kind of member once, from the side, with its lengths and how its ends are cut. */
function memberRows(drawn: Drawn, straight: readonly Member[], deep: number, highMm: number): Item[] {
  const { scale, room, show } = drawn
  const rows = alike(straight, drawn).map(({ what, its }) => ({
    its,
    lines: broken(
      `${what}: ${its.map(m => `${m.count}\u00a0×\u00a0${sizeText(show, m.lengthM)}`).join(', ')}`,
      lettersOn(room),
    ),
  }))
  const items: Item[] = []
  let [left, y, wide] = [0, 0, 0]
  for (const { its, lines } of rows) {
    const [longestOne] = its as [Member]
    const high = (lines.length * LINE_MM + UNDER_MM) * scale + deep
    // The next column, where this one is as high as the paper.
    if (-y + high > highMm * scale) {
      left += wide + BESIDE_MM * scale
      y = 0
      wide = 0
    }
    const foot = y - lines.length * LINE_MM * scale - deep
    items.push(
      ...column([left, y], lines, scale, { heightMm: HEIGHT_MM, lineMm: LINE_MM }),
      outline(longestOne, [left, foot], deep),
      // The inner edge, between the lines on which its ends are cut.
      ...dimension(drawn, [left + mm(longestOne.lengthM), foot], [left, foot], 0.6),
    )
    const letters = Math.max(...lines.map(l => l.length)) * LETTER * HEIGHT_MM * scale
    wide = Math.max(wide, mm(longestOne.lengthM) + 2 * deep, letters)
    y -= high
  }
  return items
}

/** Facets of a dome flat, with their sides; from an upper left corner on, in rows so wide. */
function facetRows(drawn: Drawn, facets: readonly Facet[], [x, top]: At, wide: number): Item[] {
  const { scale } = drawn
  const items: Item[] = []
  let [across, low, row] = [x, top, 0]
  for (const f of facets) {
    const ring = facetCorners(f)
      .slice(0, -1)
      .map((p): At => [mm(p.x), mm(p.y)])
    const e = extentOf([{ kind: 'path', layer: 'frame', points: ring }])
    const [w, h] = [e.x1 - e.x0, e.y1 - e.y0]
    if (across > x && across + w > x + wide) {
      low -= row + 18 * scale
      across = x
      row = 0
    }
    const at = ring.map(([px, py]): At => [across + px - e.x0, low - h + py - e.y0])
    items.push({ kind: 'path', layer: 'frame', closed: true, points: at })
    at.forEach((p, k) => items.push(...dimension(drawn, at[(k + 1) % at.length]!, p, 0.4)))
    items.push(words([across + w / 2, low - h / 2], `${f.count} × ${f.part}`, 'middle', HEIGHT_MM))
    across += w + 26 * scale
    row = Math.max(row, h)
  }
  return items
}

/** Every member as it is cut, a dome's facets, and the jig of what is bent. */
export function drawMembers(drawn: Drawn): Drawing | null {
  const { design, building, show, scale, room } = drawn
  const { members, facets, corners, jig } = cutList(design, building)
  if (members.length === 0) return null
  const deep = mm(design.build.frame.deepM ?? MEMBER_M)
  const [tallest, rise] = [
    Math.max(0, ...facets.flatMap(f => facetCorners(f).map(p => p.y))),
    Math.max(0, ...jig.map(p => p.zM)),
  ].map(m => (m > 0 ? mm(m) / scale + BELOW_MM : 0)) as [number, number]
  const highMm = Math.max(room.highMm / 3, room.highMm - NOTES_MM - tallest - rise)
  const items = memberRows(
    drawn,
    members.filter(m => !m.bent),
    deep,
    highMm,
  )
  const { x0, y0 } = extentOf(items)
  items.push(...facetRows(drawn, facets, [x0, y0 - 10 * scale], room.wideMm * scale))
  if (jig.length > 0) {
    const low = extentOf(items).y0 - 12 * scale - mm(Math.max(...jig.map(p => p.zM)))
    const pins = jig.map(({ xM, zM }): At => [mm(xM), low + mm(zM)])
    items.push({ kind: 'path', layer: 'frame', points: pins })
    pins.forEach((of, k) => {
      const { xM, zM } = jig[k]!
      items.push({ ...words(of, `${sizeText(show, xM)} / ${sizeText(show, zM)}`, 'middle', HEIGHT_MM), of })
    })
  }
  const notes = [
    `${sectionWords(design.build, show)}; lengths along the inner edge, between the lines of the cuts`,
    ...members
      .filter(m => m.bent)
      .map(m => `${m.count} × ${m.member}: ${sizeText(show, m.lengthM)} along its curve, bent on the jig`),
    ...corners.map(c => `${c.count} corners of the foot: ${show(c.angleDeg, 'angle')}, saw ${show(c.sawDeg, 'angle')}`),
    ...(jig.length > 0 ? ['pins of the jig: across / up, from the foot'] : []),
  ]
  return {
    title: 'Members, as they are cut',
    items: withBlocks(drawn, items, [linesBlock(notes)]),
    measured: 'lower ends on the left, outer edges above; the longest of each kind is drawn.',
  }
}

/** Sheets as they are sold, and what is cut from each: like ones once; null where no sheets are. */
export function drawSheets(drawn: Drawn): Drawing | null {
  const { design, building, show, scale } = drawn
  const cuts = cutList(design, building).glazing.filter(g => g.sheets.length > 0)
  if (cuts.length === 0) return null
  const items: Item[] = []
  const legend: string[] = []
  let left = 0
  for (const { glazing, sheets } of cuts) {
    const sizes: string[] = []
    const word = (s: (typeof sheets)[number]) =>
      [s.widthM, s.lengthM, ...s.pieces.flatMap(p => [p.xM, p.yM, p.widthM, p.lengthM])].map(v => v.toFixed(3)).join()
    for (const { of: sheet, count } of together(sheets, word)) {
      const right = left + mm(sheet.widthM)
      items.push(rectangle('glazing', left, 0, right, mm(sheet.lengthM)))
      for (const p of sheet.pieces) {
        const [x, y] = [left + mm(p.xM), mm(p.yM)]
        for (const ring of shapesOf(p))
          items.push({
            kind: 'path',
            layer: 'joints',
            closed: true,
            points: ring.map(q => [x + mm(q.x), y + mm(q.y)] as At),
          })
        const size = `${p.part}, ${show(p.widthM, 'cutLength')} × ${show(p.lengthM, 'cutLength')}`
        if (!sizes.includes(size)) sizes.push(size)
        const of: At = [x + mm(p.widthM) / 2, y + mm(p.lengthM) / 2]
        items.push({ ...words(of, String(sizes.indexOf(size) + 1 + legend.length), 'middle', HEIGHT_MM), of })
      }
      items.push(
        ...dimension(drawn, [right, 0], [left, 0], 0.8),
        ...dimension(drawn, [left, 0], [left, mm(sheet.lengthM)], 0.5),
        words([(left + right) / 2, mm(sheet.lengthM) + 2 * scale], `${count} ×`, 'middle', HEIGHT_MM),
      )
      left = right + GAP_MM * scale
    }
    const from = legend.length
    legend.push(...sizes.map((size, k) => `${from + k + 1}: ${nameIn(glazing.name, show)}: ${size}`))
  }
  const tall = Math.ceil(legend.length / 2)
  return {
    title: 'Sheets, as they are cut',
    items: withBlocks(drawn, items, [linesBlock(legend.slice(0, tall)), linesBlock(legend.slice(tall))]),
    measured: 'flutes run up the sheet.',
  }
}
