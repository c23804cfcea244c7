import type { Glazing } from '../catalog'
import { partName } from '../geometry/parts'
import type { Design } from '../design/types'
import type { Building, Surface, Vec } from '../geometry/surfaces'
import { facets } from './members'
import { STOCKS, type Stock } from './stock'

/** A rectangle that is cut out of a sheet, or ordered as a pane; a slope or a facet is cut from it. */
export interface Piece {
  part: string
  widthM: number
  /** Up the slope, the way of a sheet's flutes. */
  lengthM: number
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
}

/** Sheets hang over the foot so far, and lap each other, m. */
const DRIP_M = 0.05
const LAP_M = 0.15
/** A pane stands in its bay with so much play, and is no longer than one can carry, m. */
const PLAY_M = 0.01
const PANE_M = 2
/** Film is held beyond each edge by so much, m. */
const HELD_M = 0.3

/** What a part offers its glazing: how far up it runs, and across; a part that is no rectangle by its strips. */
interface Field {
  part: string
  surface: Surface
  /** Length wanted over a strip of its width, m. */
  lengthOver: (from: number, to: number) => number
  acrossM: number
}

/** All glazing, kind by kind: how it is cut, and from what. */
export function glazingCuts(design: Design, building: Building): GlazingCuts[] {
  const stock: Stock = STOCKS[design.build.stock]
  const fields = glazedFields(design, building)
  const kinds = [...new Set(fields.map(f => f.surface.glazing!))]
  return kinds.map(glazing => {
    const its = fields.filter(f => f.surface.glazing === glazing)
    const areaM2 = its.reduce((sum, f) => sum + f.surface.areaM2, 0)
    const cut =
      glazing.sold === 'roll'
        ? offRolls(its, stock)
        : glazing.sold === 'panes'
          ? panes(its, design.build.frame.apartM)
          : design.shape.form === 'dome'
            ? facetSheets(its, building, stock)
            : inSheets(its, stock)
    return { glazing, areaM2, ...cut }
  })
}

/** Glazed pieces of the skin; what is let into a part is bought as an opening. */
function glazedFields(design: Design, building: Building): Field[] {
  return building.surfaces
    .filter(s => s.kind === 'glazed' && !s.id.startsWith('opening'))
    .map(surface => {
      const part = surface.id.startsWith('dome') ? surface.id : partName(surface.part!, design.shape.form)
      const flat = flattened(surface)
      const acrossM = Math.max(...flat.map(p => p.u)) - Math.min(...flat.map(p => p.u))
      const u0 = Math.min(...flat.map(p => p.u))
      return { part, surface, acrossM, lengthOver: (from: number, to: number) => extent(flat, u0 + from, u0 + to) }
    })
}

/** A surface in its own plane: u level along it, v up it, m. */
function flattened({ polygon, normal }: Surface): { u: number; v: number }[] {
  const level = Math.hypot(normal[0], normal[1])
  const along: Vec = level > 1e-9 ? [-normal[1] / level, normal[0] / level, 0] : [0, 1, 0]
  const up: Vec = [
    normal[1] * along[2] - normal[2] * along[1],
    normal[2] * along[0] - normal[0] * along[2],
    normal[0] * along[1] - normal[1] * along[0],
  ]
  const dot = (p: Vec, q: Vec) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2]
  return polygon.map(p => ({ u: dot(p, along), v: dot(p, up) }))
}

/** How far a polygon reaches up within a strip of its width. */
function extent(flat: readonly { u: number; v: number }[], from: number, to: number): number {
  const at: number[] = []
  flat.forEach((p, i) => {
    const q = flat[(i + 1) % flat.length]!
    if (p.u >= from - 1e-9 && p.u <= to + 1e-9) at.push(p.v)
    for (const u of [from, to]) if ((p.u - u) * (q.u - u) < 0) at.push(p.v + ((q.v - p.v) * (u - p.u)) / (q.u - p.u))
  })
  return at.length > 1 ? Math.max(...at) - Math.min(...at) : 0
}

type Cut = Omit<GlazingCuts, 'glazing' | 'areaM2'>
const areaOf = (pieces: readonly { widthM: number; lengthM: number }[]) =>
  pieces.reduce((sum, p) => sum + p.widthM * p.lengthM, 0)

function inSheets(fields: readonly Field[], stock: Stock): Cut {
  const longest = stock.sheetLengthsM.at(-1)!
  const wide = stock.sheetWidthM
  const pieces: Piece[] = []
  let jointsM = 0
  let openEndsM = 0
  for (const f of fields) {
    const columns = Math.max(1, Math.ceil(f.acrossM / wide - 1e-9))
    for (let k = 0; k < columns; k++) {
      const [from, to] = [k * wide, Math.min(f.acrossM, (k + 1) * wide)]
      const run = f.lengthOver(from, to) + DRIP_M
      const rows = run <= longest + 1e-9 ? 1 : Math.ceil((run - LAP_M) / (longest - LAP_M))
      const lengthM = (run + (rows - 1) * LAP_M) / rows
      for (let r = 0; r < rows; r++) pieces.push({ part: f.part, widthM: to - from, lengthM })
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
    const sheets: (SheetCut & { rows: { acrossM: number; atM: number; lengthM: number }[] })[] = []
    for (const piece of inOrder) {
      const used = (s: (typeof sheets)[number]) => s.rows.reduce((sum, r) => sum + r.lengthM, 0)
      const inRow = sheets
        .flatMap(s => s.rows.map(r => ({ s, r })))
        .find(({ r }) => {
          return r.acrossM + piece.widthM <= sheetWidthM + 1e-9 && piece.lengthM <= r.lengthM + 1e-9
        })
      const sheet = inRow?.s ?? sheets.find(s => used(s) + piece.lengthM <= s.lengthM + 1e-9)
      const on = sheet ?? { widthM: sheetWidthM, lengthM: Math.max(long, piece.lengthM), pieces: [], rows: [] }
      if (!sheet) sheets.push(on)
      const row = inRow?.r ?? { acrossM: 0, atM: used(on), lengthM: piece.lengthM }
      if (!inRow) on.rows.push(row)
      on.pieces.push({ ...piece, xM: row.acrossM, yM: row.atM })
      row.acrossM += piece.widthM
    }
    // Each sheet no longer than it has to be.
    return sheets.map(({ rows, ...s }) => {
      const needed = rows.reduce((sum, r) => sum + r.lengthM, 0)
      return { ...s, lengthM: sheetLengthsM.find(l => l >= needed - 1e-9) ?? needed }
    })
  }
  const tried = sheetLengthsM.map(trial)
  return tried.reduce((best, t) => (areaOf(t) < areaOf(best) - 1e-9 ? t : best), tried[0] ?? [])
}

/** Facets in strips as wide as a sheet: a triangle wider than one is joined over a bar. */
function facetSheets(fields: readonly Field[], building: Building, stock: Stock): Cut {
  const cut = inSheets(fields, stock)
  const glazed = new Set(fields.map(f => f.surface.id as string))
  // Every side of a facet is a joint, shared by two.
  const jointsM =
    facets(building)
      .filter(f => glazed.has(f.part))
      .reduce((sum, f) => sum + f.count * f.sidesM.reduce((a, b) => a + b, 0), 0) / 2
  return { ...cut, jointsM, openEndsM: 2 * jointsM }
}

function panes(fields: readonly Field[], apartM: number): Cut {
  const pieces = fields.flatMap(f => {
    const bays = Math.max(1, Math.ceil(f.acrossM / apartM - 1e-9))
    const bay = f.acrossM / bays
    return Array.from({ length: bays }, (_, k) => f.lengthOver(k * bay, (k + 1) * bay)).flatMap(run => {
      const rows = Math.max(1, Math.ceil(run / PANE_M - 1e-9))
      return Array.from({ length: rows }, () => ({ part: f.part, widthM: bay - PLAY_M, lengthM: run / rows }))
    })
  })
  const jointsM = pieces.reduce((sum, p) => sum + p.lengthM, 0)
  return { pieces, sheets: [], rolls: [], boughtM2: areaOf(pieces), jointsM, openEndsM: 0, edgesM: 0 }
}

function offRolls(fields: readonly Field[], { filmWidthsM }: Stock): Cut {
  const widest = filmWidthsM.at(-1)!
  // Slopes that follow on each other go under one sheet; ends have their own.
  const ends = fields.filter(f => f.surface.part === 'eastEnd' || f.surface.part === 'westEnd')
  const rest = fields.filter(f => !ends.includes(f))
  const fieldsAs = [
    ...(rest.length > 0
      ? [{ run: rest.reduce((sum, f) => sum + f.surface.areaM2 / f.acrossM, 0), across: rest[0]!.acrossM }]
      : []),
    ...ends.map(f => ({ run: f.lengthOver(0, f.acrossM), across: f.acrossM })),
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
