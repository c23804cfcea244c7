import { entry, MATERIALS } from '../catalog'
import type { Layer } from '../design/types'
import { isMasonry } from '../frame/spacing'
import { isLeaf, type Stretch } from '../geometry/parts'
import { edgeLength } from '../geometry/section'
import type { Surface } from '../geometry/surfaces'
import { MEMBER_M, partThickM } from '../geometry/wall-line'
import { mainInsulation } from '../materials/assembly'
import { annotated, layersAcross, SHEET_MM, type Detail } from './detail'
import { line, mm, rectangle, words, type At, type Drawing, type Drawn, type Item } from './drawing'
import { footing } from './foundation'
import { layerText } from './layers-text'

/** So much of a wall, of a slope and of the ground is shown, mm of the house. */
const WALL_MM = 450
const SLOPE_MM = 420
const GROUND_MM = 450
/** A sheet hangs over so far, and a sill board is so thick, mm. */
const DRIP_MM = 50
const SILL_MM = 40
/** An anchor is drawn so far into what is below, mm. */
const ANCHOR_MM = 180

/** A wall cut level, its outer face on the left; null where nothing solid stands. */
function wall(drawn: Drawn): Detail | null {
  const { building, design } = drawn
  const standing = building.surfaces.filter(
    s => s.kind === 'opaque' && s.boundary !== 'house' && s.layers.length > 0 && !isLeaf(s),
  )
  const one = standing.reduce<Surface | null>((best, s) => (best && best.areaM2 >= s.areaM2 ? best : s), null)
  if (!one) return null
  const { items, notes } = layersAcross(one.layers, drawn, 0, 0, WALL_MM)
  const own = one.layers.filter(l => !(design.store.linings as readonly Layer[]).includes(l))
  const main = mainInsulation(own)
  if (main >= 0 && !isMasonry(own)) {
    const x = mm(own.slice(0, main + 1).reduce((sum, l) => sum + l.thicknessM, 0))
    items.push(line('words', [x, 0], [x, WALL_MM], true))
    notes.push({ at: [x, WALL_MM * 0.06], text: 'vapour layer, whole and taped, on the warm side' })
  }
  items.push(words([0, WALL_MM + 3 * drawn.scale], 'outside', 'right'))
  return { title: `Detail: ${one.id}, cut level`, items, notes }
}

const thickOf = (layers: readonly Layer[]) => mm(layers.reduce((sum, l) => sum + l.thicknessM, 0))
const layersOf = ({ building }: Drawn, { id }: Stretch) => building.surfaces.find(s => s.id === id)?.layers ?? []

/** The foot of the house on its sunny side: floor, edge board and foundation. */
function edge(drawn: Drawn): Detail {
  const { design, building, show } = drawn
  const { skin, store, build } = design
  const ground = mm(building.groundAt(0))
  const first = building.stretches[0]!
  const thick = first.glazed ? SHEET_MM : thickOf(layersOf(drawn, first)) || SHEET_MM
  const middle = -mm(partThickM(design, first.part)) / 2
  const top = Math.max(ground, 0) + GROUND_MM / 2
  const items: Item[] = [
    rectangle(first.glazed ? 'glazing' : 'skin', -thick, 0, 0, top),
    line('ground', [-thick - GROUND_MM, ground], [-thick, ground]),
    line('skin', [0, 0], [GROUND_MM, 0]),
    ...footing(design, middle, ground, -1),
  ]
  const notes: Detail['notes'] = [{ at: [-thick / 2, top * 0.9], text: first.id }]
  let low = 0
  const floor = store.floor.rest.filter(l => l.thicknessM > 0)
  if (floor.length === 0) notes.push({ at: [GROUND_MM * 0.8, 0], text: 'floor: bare earth' })
  for (const l of [...floor].reverse()) {
    const next = low - mm(l.thicknessM)
    items.push(rectangle('ground', 0, next, GROUND_MM, low))
    notes.push({ at: [GROUND_MM * 0.8, (low + next) / 2], text: `floor: ${layerText(l, drawn.show)}` })
    low = next
  }
  const { kind, depthM, widthM, drain } = build.foundation
  if (kind === 'undecided') notes.push({ at: [0, ground - 60], text: 'foundation not decided yet' })
  else
    notes.push({
      at: [middle, ground - mm(depthM) * 0.7],
      text: `${kind}, ${show(widthM, 'length')} wide, ${show(depthM, 'length')} down`,
    })
  const beyond = (kind === 'undecided' ? 0 : mm(widthM) / 2) - middle
  if (skin.edge.thicknessM > 0 && skin.edge.depthM > 0) {
    const board = `${entry(MATERIALS, skin.edge.material).name}, ${show(skin.edge.thicknessM, 'thickness')}`
    const at: At = [-beyond - mm(skin.edge.thicknessM) / 2, ground - mm(skin.edge.depthM) * 0.4]
    notes.push({ at, text: `edge board: ${board}, ${show(skin.edge.depthM, 'length')} down` })
    if (skin.edge.skirtM > 0) {
      const foot = ground - mm(skin.edge.depthM)
      const far = -beyond - mm(skin.edge.skirtM)
      items.push(rectangle('foundation', far, foot, -beyond, foot + mm(skin.edge.thicknessM)))
      notes.push({ at: [far * 0.8, foot], text: `skirt, ${show(skin.edge.skirtM, 'length')}, sloping outwards` })
    }
  }
  if (drain !== null) {
    const [x, y] = [-beyond - 200, ground - mm(drain)]
    items.push(
      rectangle('foundation', x - 150, y - 50, x + 150, y + 250, true),
      rectangle('pipes', x - 50, y, x + 50, y + 100),
    )
    notes.push({ at: [x, y + 50], text: `drain in gravel and cloth, ${show(drain, 'length')} deep, falling` })
  }
  notes.push({ at: [-thick - GROUND_MM * 0.7, ground], text: 'ground falls away from the house' })
  return { title: 'Detail: edge on the sunny side', items, notes }
}

/** Where the lowest glazing stands on what is below it; null where nothing is glazed. */
function sill(drawn: Drawn): Detail | null {
  const { building, design, show } = drawn
  const k = building.stretches.findIndex(s => s.glazed)
  const glazed = building.stretches[k]
  if (!glazed) return null
  const below = building.stretches[k - 1]
  const long = edgeLength(glazed)
  const [ux, uy] = [(glazed.b.x - glazed.a.x) / long, (glazed.b.z - glazed.a.z) / long]
  const [nx, ny] = [-uy, ux]
  const along = (s: number, out: number): At => [ux * s + nx * out, uy * s + ny * out]
  const deep = design.build.frame.deepM === null ? mm(MEMBER_M) : mm(design.build.frame.deepM)
  const slope = Math.min(SLOPE_MM, mm(long))
  const wallThick = below ? thickOf(layersOf(drawn, below)) || deep : deep
  const sillWide = Math.max(wallThick, deep)
  const glazing = building.surfaces.find(s => s.id === glazed.id && s.glazing)?.glazing
  // A member sits on the sill, its heel plumb over the wall's outer face; an upright one stands square.
  const footS = uy > 1e-6 ? (-ny * deep) / uy : 0
  const heelS = ux > 1e-6 ? (-sillWide - nx * deep) / ux : -Infinity
  const endS = Math.max(footS, heelS)
  // A sheet that comes down over the outer face hangs over it, and the sill ends there; else it stands on the sill.
  const hangs = heelS > footS && glazing?.sold !== 'panes'
  const drip = hangs ? DRIP_MM : 0
  const beyond = hangs ? 0 : DRIP_MM
  const [heelX, heelY] = along(endS, deep)
  const isTold = design.build.frame.deepM !== null
  const closed = (layer: 'skin' | 'glazing', points: At[], dashed = false): Item => ({
    kind: 'path',
    layer,
    closed: true,
    dashed,
    points,
  })
  const items: Item[] = [
    rectangle('skin', -wallThick, -SLOPE_MM * 0.8, 0, -SILL_MM),
    closed('skin', [
      [-sillWide - beyond, -SILL_MM],
      [0, -SILL_MM],
      [0, 0],
      [-sillWide, 0],
      [-sillWide - beyond, -SILL_MM / 2],
    ]),
    closed('skin', [along(0, 0), along(slope, 0), along(slope, deep), [heelX, heelY], [heelX, 0]], !isTold),
    closed('glazing', [
      along(endS - drip, deep),
      along(slope, deep),
      along(slope, deep + SHEET_MM),
      along(endS - drip, deep + SHEET_MM),
    ]),
  ]
  const closing =
    glazing?.sold === 'sheets'
      ? 'lower end: breathing tape, and a closing profile that drains'
      : glazing?.sold === 'roll'
        ? 'film held in its channel all along'
        : 'pane on setting blocks, bead and tape; it drains outwards'
  const face = glazing?.uvFace ? ', marked face out' : ''
  const memberText = isTold
    ? `member, ${show(deep / 1000, 'thickness')} deep`
    : 'member: depth to be told by the engineer'
  const notes: Detail['notes'] = [
    { at: along(slope * 0.7, deep + SHEET_MM / 2), text: `${glazing?.name ?? 'glazing'}${face}` },
    { at: along(slope * 0.5, deep / 2), text: memberText },
    { at: along(endS - drip, deep + SHEET_MM / 2), text: closing },
    { at: [-sillWide / 2, -SILL_MM * 0.6], text: 'sill, sloping outwards, sealed to what is below' },
    { at: [-wallThick / 2, -SLOPE_MM * 0.5], text: below ? `${below.id}, its plate under the sill` : 'foundation' },
  ]
  const anchorX = -sillWide / 2
  items.push(line('foundation', [anchorX, -SILL_MM / 2], [anchorX, -SILL_MM - ANCHOR_MM]))
  notes.push({
    at: [anchorX, -SILL_MM - ANCHOR_MM * 0.8],
    text: below ? 'sill screwed to the plate; the plate tied down' : 'anchor of the sill, as the engineer says',
  })
  return { title: `Detail: sill under the ${glazed.id}`, items, notes }
}

export const drawWallDetail = (drawn: Drawn): Drawing | null => annotated(wall(drawn), drawn)
export const drawEdgeDetail = (drawn: Drawn): Drawing | null => annotated(edge(drawn), drawn)
export const drawSillDetail = (drawn: Drawn): Drawing | null => annotated(sill(drawn), drawn)
