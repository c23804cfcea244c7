import type { Stretch } from '../geometry/parts'
import { dormersOf } from '../geometry/dormers'
import { laidLeaves } from '../geometry/leaves'
import { outwardOf } from '../geometry/part-planes'
import { edgeLength } from '../geometry/section'
import { dot, minus, type Vec } from '../geometry/vec'
import { MEMBER_M } from '../geometry/wall-line'
import { nameIn } from '../units'
import { annotated, SHEET_MM, type Detail } from './detail'
import { line, mm, rectangle, sizeText, words, type At, type Drawing, type Drawn, type Item } from './drawing'
import { layerText } from './layers-text'

/** So much of each part is shown from where two meet, mm. */
const SHOWN_MM = 520
/** Flashing laps each side by so much, and is drawn so far off it, mm. */
const LAP_MM = 150
const OFF_MM = 8
/** The wall of a house is drawn so thick, mm. */
const HOUSE_WALL_MM = 300
/** A member is drawn so wide, and sheets stand so far apart on it, mm. */
const WIDE_MM = 45
const PLAY_MM = 6

/** A layer of a part at a junction, counted from its inner face. */
interface Band {
  layer: 'skin' | 'glazing'
  thickMm: number
  text: string
  dashed?: boolean
}

const frameBand = ({ design, show }: Drawn, name: string): Band => {
  const { deepM } = design.build.frame
  return {
    layer: 'skin',
    thickMm: mm(deepM ?? MEMBER_M),
    text: deepM === null ? `${name}: depth to be told by the engineer` : `${name}, ${show(deepM, 'thickness')} deep`,
    dashed: deepM === null,
  }
}

/** What a stretch is made of, from its inner face outwards. */
function bandsOf(drawn: Drawn, stretch: Stretch): Band[] {
  const surface = drawn.building.surfaces.find(s => s.id === stretch.id)
  if (stretch.glazed) {
    const name = surface?.glazing ? nameIn(surface.glazing.name, drawn.show) : 'glazing'
    const member = Math.abs(stretch.b.x - stretch.a.x) < 1e-6 ? 'stud' : 'rafter'
    return [frameBand(drawn, member), { layer: 'glazing', thickMm: SHEET_MM, text: name }]
  }
  if (surface?.boundary === 'house') return [{ layer: 'skin', thickMm: HOUSE_WALL_MM, text: 'the wall of the house' }]
  return [...(surface?.layers ?? [])]
    .reverse()
    .filter(l => l.thicknessM > 0)
    .map(l => ({ layer: 'skin', thickMm: mm(l.thicknessM), text: `${stretch.id}: ${layerText(l, drawn.show)}` }))
}

/** Two stretches where they meet, each layer cut on the line that parts them; the corner lies at 0. */
function corner(drawn: Drawn, before: Stretch, after: Stretch): Omit<Detail, 'title'> & { outer: At } {
  const way = (s: Stretch): At => {
    const long = edgeLength(s)
    return [(s.b.x - s.a.x) / long, (s.b.z - s.a.z) / long]
  }
  const [u, v] = [way(before), way(after)]
  const [nu, nv]: [At, At] = [
    [-u[1], u[0]],
    [-v[1], v[0]],
  ]
  const sides = [bandsOf(drawn, before), bandsOf(drawn, after)]
  const [thickU, thickV] = sides.map(b => b.reduce((sum, l) => sum + l.thickMm, 0)) as [number, number]
  // Where the outer faces meet.
  const det = nu[0] * nv[1] - nv[0] * nu[1]
  const outer: At =
    Math.abs(det) < 0.05
      ? [nu[0] * thickU, nu[1] * thickU]
      : [(thickU * nv[1] - thickV * nu[1]) / det, (nu[0] * thickV - nv[0] * thickU) / det]
  const items: Item[] = []
  const notes: Detail['notes'] = []
  const sets = [
    { bands: sides[0]!, thick: thickU, n: nu, far: [-u[0], -u[1]] as At, long: edgeLength(before) },
    { bands: sides[1]!, thick: thickV, n: nv, far: v, long: edgeLength(after) },
  ]
  for (const { bands, thick, n, far, long } of sets) {
    const reach = Math.min(SHOWN_MM, mm(long))
    let off = 0
    bands.forEach(({ layer, thickMm, text, dashed }, k) => {
      const next = off + thickMm
      const cut = (by: number): At => [(outer[0] * by) / thick, (outer[1] * by) / thick]
      const end = (by: number): At => [far[0] * reach + n[0] * by, far[1] * reach + n[1] * by]
      items.push({ kind: 'path', layer, closed: true, dashed, points: [cut(off), end(off), end(next), cut(next)] })
      const share = 0.45 + (0.45 * (k + 0.5)) / bands.length
      const middle = (off + next) / 2
      notes.push({ at: [far[0] * reach * share + n[0] * middle, far[1] * reach * share + n[1] * middle], text })
      off = next
    })
  }
  return { items, notes, outer }
}

/** Flashing over a corner: along both outer faces, a little off them. */
function flashing(outer: At, before: Stretch, after: Stretch): Item {
  const dir = (s: Stretch, back: boolean): At => {
    const long = edgeLength(s)
    const [x, y] = [(s.b.x - s.a.x) / long, (s.b.z - s.a.z) / long]
    return back ? [-x, -y] : [x, y]
  }
  const [p, q] = [dir(before, true), dir(after, false)]
  const out = Math.hypot(...outer) || 1
  const tip: At = [outer[0] + (outer[0] / out) * OFF_MM, outer[1] + (outer[1] / out) * OFF_MM]
  return {
    kind: 'path',
    layer: 'foundation',
    points: [[tip[0] + p[0] * LAP_MM, tip[1] + p[1] * LAP_MM], tip, [tip[0] + q[0] * LAP_MM, tip[1] + q[1] * LAP_MM]],
  }
}

const stands = (s: Stretch) => Math.abs(s.b.x - s.a.x) < 1e-6
const falls = (s: Stretch) => s.b.z < s.a.z - 1e-9

/** Where the roof on the pole side comes down to its wall; null where none does. */
function eave(drawn: Drawn): Detail | null {
  const { stretches } = drawn.building
  const k = stretches.findIndex((s, i) => falls(s) && !stands(s) && stretches[i + 1] && stands(stretches[i + 1]!))
  const [before, after] = [stretches[k], stretches[k + 1]]
  // A hoop goes down to its wall in one curve: it has no rafter that sits there.
  if (!before || !after || ['dome', 'hoop'].includes(drawn.design.shape.form)) return null
  const { items, notes, outer } = corner(drawn, before, after)
  const seat = drawn.show((Math.atan2(before.b.x - before.a.x, before.a.z - before.b.z) * 180) / Math.PI, 'angle')
  return {
    title: `Detail: eave, ${before.id} on the ${after.id}`,
    items: [...items, flashing(outer, before, after)],
    notes: [
      ...notes,
      { at: [outer[0] * 0.5, outer[1] * 0.5], text: `rafter sits on the plate, seat cut ${seat}; tied down` },
      ...(before.glazed || after.glazed
        ? []
        : [
            {
              at: [0, 0] as At,
              text: 'insulation of roof and wall meet without a gap; vapour layers taped to each other',
            },
          ]),
      { at: outer, text: `drip edge; the roofing stands ${sizeText(drawn.show, 0.05)} over it, a gutter under it` },
    ],
  }
}

/** Where the slopes meet at the top, or a slope leans on a house; null where the roof is one curve. */
function ridge(drawn: Drawn): Detail | null {
  const { building, design, show } = drawn
  const { stretches } = building
  if (['dome', 'hoop'].includes(design.shape.form)) return null
  const top = Math.max(...stretches.flatMap(s => [s.a.z, s.b.z]))
  const k = stretches.findIndex((s, i) => Math.abs(s.b.z - top) < 1e-6 && stretches[i + 1] !== undefined)
  const [before, after] = [stretches[k], stretches[k + 1]]
  if (!before || !after) return null
  const { items, notes, outer } = corner(drawn, before, after)
  const isHouse = design.shape.form === 'lean-to'
  const plumb = show((Math.atan2(before.b.z - before.a.z, before.b.x - before.a.x) * 180) / Math.PI, 'angle')
  return {
    title: isHouse ? 'Detail: top, against the house' : 'Detail: ridge',
    items: [...items, flashing(outer, before, after)],
    notes: [
      ...notes,
      { at: outer, text: `flashing, ${sizeText(show, LAP_MM / 1000)} over each side, breathing tape under it` },
      ...(isHouse
        ? [{ at: [0, 0] as At, text: `rafters on a ledger, cut plumb ${plumb}; bolted as the engineer says` }]
        : [{ at: [outer[0] * 0.4, outer[1] * 0.4] as At, text: `rafters meet at the ridge, cut plumb ${plumb}` }]),
    ],
  }
}

/** Two sheets or panes side by side on a member, cut across it; null where nothing is glazed. */
function joint(drawn: Drawn): Detail | null {
  const surface = drawn.building.surfaces.find(s => s.kind === 'glazed' && s.glazing && !s.id.startsWith('opening'))
  if (!surface) return null
  const { sold, name } = surface.glazing!
  const deep = mm(drawn.design.build.frame.deepM ?? MEMBER_M)
  const wide = mm(drawn.design.build.frame.thickM ?? WIDE_MM / 1000)
  const half = wide / 2
  const frame = frameBand(drawn, 'member')
  const sheet = (x0: number, x1: number): Item => rectangle('glazing', x0, 2, x1, 2 + SHEET_MM)
  const isFilm = sold === 'roll'
  const items: Item[] = [
    { ...rectangle('skin', -half, -deep, half, 0), dashed: frame.dashed } as Item,
    ...(isFilm ? [sheet(-220, 220)] : [sheet(-220, -PLAY_MM / 2), sheet(PLAY_MM / 2, 220)]),
    ...(isFilm ? [] : [rectangle('foundation', -half * 1.4, 2 + SHEET_MM, half * 1.4, 2 + SHEET_MM + 6)]),
    line('words', [-half, 1], [half, 1]),
  ]
  const over: Record<typeof sold, string[]> = {
    sheets: [
      'cover bar over the joint, on a soft seal; screwed beside the sheets, not through them',
      `sheets ${sizeText(drawn.show, PLAY_MM / 1000)} apart: they grow in the sun`,
      'tape or seal under the sheets, on the member',
    ],
    panes: [
      'cover bar, pressed on with a soft seal',
      `panes ${sizeText(drawn.show, PLAY_MM / 1000)} apart and on setting blocks, free to move`,
      'seal under the panes, on the member',
    ],
    roll: [
      'film in one piece: no joint on a member',
      'smooth, rounded face under the film',
      'tape on what gets hot in the sun',
    ],
  }
  const [bar, gap, under] = over[sold]
  return {
    title: 'Detail: glazing on a member, cut across it',
    items: [...items, words([-210, 2 + SHEET_MM + 3 * drawn.scale], 'outside', 'left')],
    notes: [
      { at: [half, 2 + SHEET_MM + 4], text: bar! },
      {
        at: [120, 2 + SHEET_MM / 2],
        text: `${nameIn(name, drawn.show)}${surface.glazing!.uvFace ? ', marked face out' : ''}`,
      },
      { at: [0, 2 + SHEET_MM / 2], text: gap! },
      { at: [half * 0.8, 1], text: under! },
      { at: [0, -deep / 2], text: frame.text },
    ],
  }
}

/** A door that stands out of the roof in a dormer, cut through its middle; null where there is none. */
function dormer(drawn: Drawn): Detail | null {
  const { design, building, show } = drawn
  const [first] = dormersOf(design, building.outline)
  const leaf = first && laidLeaves(design, building.outline).find(l => l.index === first.index)
  if (!first || !leaf || first.depthM === Infinity) return null
  const plane = leaf.planes.at(-1)!
  const out = outwardOf(plane)
  const size = (m: number) => sizeText(show, m)
  const at = (p: Vec): At => [mm(dot(minus(p, plane.origin), out)), mm(p[2])]
  const pieces = first.sides.map(
    (polygon): Item => ({ kind: 'path', layer: 'skin', closed: true, points: polygon.map(at) }),
  )
  const high = mm(leaf.rect.v1 - plane.from + plane.origin[2])
  const back = -mm(first.depthM)
  const skin = first.taken.map(
    (polygon): Item => ({ kind: 'path', layer: 'glazing', closed: true, dashed: true, points: polygon.map(at) }),
  )
  return {
    title: 'Detail: door in its dormer, from the side',
    items: [
      ...pieces,
      ...skin,
      rectangle('openings', -45, 0, 0, high),
      line('skin', [back * 1.3, 0], [200, 0]),
      line('ground', [0, mm(building.groundAt(0))], [900, mm(building.groundAt(0))]),
    ],
    notes: [
      {
        at: [-20, high * 0.5],
        text: `door, ${size(leaf.rect.u1 - leaf.rect.u0)} × ${size(leaf.rect.v1 - leaf.rect.v0)}, in its own frame`,
      },
      {
        at: [back * 0.5, high],
        text: `roof of the dormer, level over ${sizeText(show, first.depthM)}; give it a fall outwards`,
      },
      {
        at: [back * 0.25, high * 0.75],
        text: 'cheeks on both sides, insulated as the wall; their foot flashed onto the facets',
      },
      {
        at: [back * 0.8, high * 0.9],
        text: 'facet cut out behind the door; struts round the hole doubled, as the engineer says',
      },
      { at: [0, 0], text: 'threshold, sealed; its foam meets the edge board' },
    ],
  }
}

export const drawEaveDetail = (drawn: Drawn): Drawing | null => annotated(eave(drawn), drawn)
export const drawRidgeDetail = (drawn: Drawn): Drawing | null => annotated(ridge(drawn), drawn)
export const drawJointDetail = (drawn: Drawn): Drawing | null => annotated(joint(drawn), drawn)
export const drawDormerDetail = (drawn: Drawn): Drawing | null => annotated(dormer(drawn), drawn)
