import { isBlown, type Glazing } from '../catalog'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { acrossField, extentOver, glazedFields, type GlazedField, type OnField } from './glazed-fields'
import { facets } from '../frame/dome'
import { linesAlong, linesOfEnd, membersAt, stockOf, stripEdges } from '../frame/spacing'
import type { Stock } from '../catalog/stock'

/** A rectangle that is cut out of a sheet, or ordered as a pane; a slope or a facet is cut from it. */
export interface Piece {
  part: string
  widthM: number
  /** Up the slope, the way of a sheet's flutes. */
  lengthM: number
  /** Where its lower left corner comes to lie, and on what; of shapes that are turned on the sheet there is none. */
  at?: OnField & { on: GlazedField }
  /** What is cut from it, where that is not one shape that the part itself shows: corners across and along, m. */
  shapes?: { x: number; y: number }[][]
}

/** A sheet as sold, and what is cut from it: each piece with its corner, across and along, m. */
export interface SheetCut {
  widthM: number
  lengthM: number
  pieces: (Piece & { xM: number; yM: number })[]
}

/** What the glazing of one kind takes. */
export interface GlazingCuts {
  glazing: Glazing
  /** That is to be covered, m². */
  areaM2: number
  /** Its parts, flat. */
  fields: GlazedField[]
  pieces: Piece[]
  /** Sheets that the pieces are cut from; none for panes and film. */
  sheets: SheetCut[]
  /** Off a roll: so wide and so long. */
  rolls: { widthM: number; lengthM: number }[]
  /** Bought, m². */
  boughtM2: number
  /** Joints between sheets, open ends of flutes, and film's edges in their channels, m. */
  jointsM: number
  openEndsM: number
  edgesM: number
  /** Film whose sheets are blown apart has one. */
  blowers: number
}

/** Sheets hang over the foot so far, and lap each other, m. */
const DRIP_M = 0.05
const LAP_M = 0.15
/** A pane stands in its bay with so much play, and is no longer than one can carry, m. */
const PLAY_M = 0.01
const PANE_M = 2
/** Film is held beyond each edge by so much, m. */
const HELD_M = 0.3

const ENDS = ['eastEnd', 'westEnd'] as const

/** All glazing, kind by kind: how it is cut, and from what. */
export function glazingCuts(design: Design, building: Building): GlazingCuts[] {
  const stock = stockOf(design.build)
  const { outline } = building
  const isDome = design.shape.form === 'dome'
  const endOf = ({ surfaces: [s] }: GlazedField) => ENDS.find(end => end === s!.part)
  const edgesOf = (f: GlazedField) =>
    acrossField(f, stripEdges(endOf(f) ? outline.widthM : design.shape.lengthM, stock.sheetWidthM))
  const membersOn = (f: GlazedField) => {
    const end = endOf(f)
    if (isDome) return membersAt(f.acrossM, design.build.frame.apartM, null)
    return acrossField(f, end ? linesOfEnd(design, outline, end) : linesAlong(design, outline))
  }
  const fields = glazedFields(design, building)
  const kinds = [...new Set(fields.map(f => f.glazing))]
  return kinds.map(glazing => {
    const its = fields.filter(f => f.glazing === glazing)
    const areaM2 = its.reduce((sum, f) => sum + f.areaM2, 0)
    const cut =
      glazing.sold === 'roll'
        ? offRolls(its, stock)
        : glazing.sold === 'panes'
          ? panes(its, membersOn)
          : isDome
            ? facetSheets(its, building, stock)
            : inSheets(its, stock, edgesOf)
    const blown = its.some(f => f.surfaces.some(s => isBlown(glazing.id) && s.condition.blowerW > 0))
    return { glazing, areaM2, fields: its, blowers: Number(blown), ...cut }
  })
}

type Cut = Omit<GlazingCuts, 'glazing' | 'areaM2' | 'fields' | 'blowers'>
const areaOf = (pieces: readonly { widthM: number; lengthM: number }[]) =>
  pieces.reduce((sum, p) => sum + p.widthM * p.lengthM, 0)

/** @param edgesOf where sheets are joined across a field, its own edges among them, m */
function inSheets(fields: readonly GlazedField[], stock: Stock, edgesOf: (f: GlazedField) => number[]): Cut {
  const longest = stock.sheetLengthsM.at(-1)!
  const pieces: Piece[] = []
  let jointsM = 0
  let openEndsM = 0
  for (const f of fields) {
    const edges = edgesOf(f)
    for (const [k, to] of edges.slice(1).entries()) {
      const from = edges[k]!
      const [low, high] = extentOver(f, from, to)
      const run = high - low + DRIP_M
      const rows = run <= longest + 1e-9 ? 1 : Math.ceil((run - LAP_M) / (longest - LAP_M))
      const lengthM = (run + (rows - 1) * LAP_M) / rows
      for (let r = 0; r < rows; r++) {
        const at = { on: f, u: from, v: low - DRIP_M + r * (lengthM - LAP_M) }
        pieces.push({ part: f.part, widthM: to - from, lengthM, at })
      }
      openEndsM += 2 * (to - from)
      if (k > 0) jointsM += run
    }
  }
  const sheets = layOnSheets(pieces, stock)
  return { pieces, sheets, rolls: [], boughtM2: areaOf(sheets), jointsM, openEndsM, edgesM: 0 }
}

/**
 * Lays pieces on sheets as sold, flutes along: in rows across a sheet, the longest pieces first, each in the first row
 * with room, and a new row where a sheet is long enough for one more. Of the lengths sold, the one that takes least.
 * @param pieces none wider than a sheet
 */
export function layOnSheets(pieces: readonly Piece[], stock: Pick<Stock, 'sheetWidthM' | 'sheetLengthsM'>): SheetCut[] {
  const { sheetWidthM, sheetLengthsM } = stock
  const inOrder = [...pieces].sort((a, b) => b.lengthM - a.lengthM || b.widthM - a.widthM)
  const trial = (long: number): SheetCut[] => {
    const sheets: (SheetCut & { usedM: number })[] = []
    const rows: { on: (typeof sheets)[number]; acrossM: number; atM: number; lengthM: number }[] = []
    for (const piece of inOrder) {
      const { widthM, lengthM } = piece
      let row = rows.find(r => r.acrossM + widthM <= sheetWidthM + 1e-9 && lengthM <= r.lengthM + 1e-9)
      if (!row) {
        let on = sheets.find(s => s.usedM + lengthM <= s.lengthM + 1e-9)
        if (!on) {
          on = { widthM: sheetWidthM, lengthM: Math.max(long, lengthM), pieces: [], usedM: 0 }
          sheets.push(on)
        }
        row = { on, acrossM: 0, atM: on.usedM, lengthM }
        rows.push(row)
        on.usedM += lengthM
      }
      row.on.pieces.push({ ...piece, xM: row.acrossM, yM: row.atM })
      row.acrossM += widthM
    }
    // Each sheet no longer than it has to be.
    return sheets.map(
      ({ widthM, pieces: its, usedM }): SheetCut => ({
        widthM,
        lengthM: sheetLengthsM.find(l => l >= usedM - 1e-9) ?? usedM,
        pieces: its,
      }),
    )
  }
  const tried = sheetLengthsM.map(trial)
  return tried.reduce((best, t) => (areaOf(t) < areaOf(best) - 1e-9 ? t : best), tried[0] ?? [])
}

/**
 * Facets of a dome: triangles that a sheet is wide enough for lie on it two by two, one turned about, a side along the
 * flutes; all else in strips as wide as a sheet, joined over a bar.
 */
function facetSheets(fields: readonly GlazedField[], building: Building, stock: Stock): Cut {
  const flat = fields.map(f => ({ f, lying: lyingTriangle(f, stock.sheetWidthM) }))
  const strips = inSheets(
    flat.filter(({ lying }) => !lying).map(({ f }) => f),
    stock,
    f => stripEdges(f.acrossM, stock.sheetWidthM),
  )
  const pairs: Piece[] = []
  const waiting = new Map<string, Piece>()
  for (const { f, lying } of flat) {
    if (!lying) continue
    const key = `${f.part} ${lying.map(p => `${p.x.toFixed(3)} ${p.y.toFixed(3)}`).join(' ')}`
    const one = waiting.get(key)
    if (one) {
      const { shapes, ...size } = paired(lying)
      Object.assign(one, { ...size, shapes })
      waiting.delete(key)
    } else {
      const { x, y } = lying[2]
      const alone: Piece = { part: f.part, widthM: x, lengthM: Math.max(y, lying[1].y), shapes: [[...lying]] }
      pairs.push(alone)
      waiting.set(key, alone)
    }
  }
  const pieces = [...strips.pieces, ...pairs]
  const sheets = layOnSheets(pieces, stock)
  const glazed = new Set(fields.map(f => f.surfaces[0]!.id as string))
  // Every side of a facet is a joint, shared by two; strips of one facet are joined besides.
  const sidesM =
    facets(building)
      .filter(f => glazed.has(f.part))
      .reduce((sum, f) => sum + f.count * f.sidesM.reduce((a, b) => a + b, 0), 0) / 2
  const jointsM = sidesM + strips.jointsM
  return { ...strips, pieces, sheets, boughtM2: areaOf(sheets), jointsM, openEndsM: 2 * sidesM }
}

type Corner = { x: number; y: number }
type Triangle = readonly [Corner, Corner, Corner]

/**
 * A triangle that lies on a sheet with its longest side along the edge: two corners on the edge, the third across from
 * it; null for what is no triangle, or stands further across than the sheet is wide.
 */
export function lyingTriangle({ corners }: Pick<GlazedField, 'corners'>, widthM: number): Triangle | null {
  if (corners.length !== 3) return null
  const sides = corners.map((p, i) => {
    const q = corners[(i + 1) % 3]!
    return Math.hypot(q.u - p.u, q.v - p.v)
  })
  const isLongest = (i: number) => sides[i]! > Math.max(...sides) - 1e-6
  // Of two that are longest the one after the short side: triangles alike then lie alike.
  const first = [0, 1, 2].find(i => isLongest(i) && !isLongest((i + 2) % 3)) ?? 0
  const [p, q, r] = [0, 1, 2].map(k => corners[(first + k) % 3]!) as [OnField, OnField, OnField]
  const long = sides[first]!
  const [along, up] = [(q.u - p.u) / long, (q.v - p.v) / long]
  const y = (r.u - p.u) * along + (r.v - p.v) * up
  const x = Math.abs((r.v - p.v) * along - (r.u - p.u) * up)
  return x <= widthM + 1e-9
    ? [
        { x: 0, y: 0 },
        { x: 0, y: long },
        { x, y },
      ]
    : null
}

/** A triangle and its like turned about, side to side in the shortest rectangle. */
function paired([, b, c]: Triangle): Pick<Piece, 'widthM' | 'lengthM' | 'shapes'> {
  // Turned about the middle of the side from the far end, or of the one from the near end, whichever is shorter.
  const near = c.y < b.y - c.y
  const fourth = near ? c.y + b.y : c.y - b.y
  const from = Math.min(0, fourth)
  const lift = (p: Corner): Corner => ({ x: p.x, y: p.y - from })
  const shared: Corner = near ? b : { x: 0, y: 0 }
  return {
    widthM: c.x,
    lengthM: Math.max(b.y, fourth) - from,
    shapes: [[{ x: 0, y: 0 }, b, c].map(lift), [shared, c, { x: c.x, y: fourth }].map(lift)],
  }
}

/** @param membersOn where members stand across a field, its own edges among them, m */
function panes(fields: readonly GlazedField[], membersOn: (f: GlazedField) => number[]): Cut {
  const pieces = fields.flatMap(f => {
    const members = membersOn(f)
    return members.slice(1).flatMap((to, k) => {
      const from = members[k]!
      const [low, high] = extentOver(f, from, to)
      const rows = Math.max(1, Math.ceil((high - low) / PANE_M - 1e-9))
      const lengthM = (high - low) / rows
      return Array.from({ length: rows }, (_, r) => ({
        part: f.part,
        widthM: to - from - PLAY_M,
        lengthM,
        at: { on: f, u: from + PLAY_M / 2, v: low + r * lengthM },
      }))
    })
  })
  const jointsM = pieces.reduce((sum, p) => sum + p.lengthM, 0)
  return { pieces, sheets: [], rolls: [], boughtM2: areaOf(pieces), jointsM, openEndsM: 0, edgesM: 0 }
}

function offRolls(fields: readonly GlazedField[], { filmWidthsM }: Stock): Cut {
  const widest = filmWidthsM.at(-1)!
  // Slopes that follow on each other go under one sheet; ends have their own.
  const isEnd = ({ surfaces: [s] }: GlazedField) => s!.part === 'eastEnd' || s!.part === 'westEnd'
  const ends = fields.filter(isEnd)
  const rest = fields.filter(f => !ends.includes(f))
  const fieldsAs = [
    ...(rest.length > 0
      ? [{ run: rest.reduce((sum, f) => sum + f.areaM2 / f.acrossM, 0), across: rest[0]!.acrossM }]
      : []),
    ...ends.map(f => ({ run: Math.max(...f.corners.map(p => p.v)), across: f.acrossM })),
  ]
  const rolls = fieldsAs.flatMap(({ run, across }) => {
    const wanted = run + 2 * HELD_M
    const strips = Math.ceil(wanted / widest - 1e-9)
    const widthM = filmWidthsM.find(w => w * strips >= wanted - 1e-9) ?? widest
    return Array.from({ length: strips }, () => ({ widthM, lengthM: across + 2 * HELD_M }))
  })
  const edgesM = fieldsAs.reduce((sum, f) => sum + 2 * (f.run + f.across), 0)
  return { pieces: [], sheets: [], rolls, boughtM2: areaOf(rolls), jointsM: 0, openEndsM: 0, edgesM }
}
