import { inSection } from '../geometry/objects'
import { layPipes } from '../geometry/pipes'
import { edgeLength } from '../geometry/section'
import {
  dimension,
  isNorthern,
  line,
  mm,
  rectangle,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'
import { footing } from './foundation'

/** Ground is drawn so far beyond the house, mm; sheets as so thick. */
const BEYOND_MM = 900
const SHEET_MM = 20

/** The section, cut across the ridge, with the sunny side on the left. */
export function drawSection(drawn: Drawn): Drawing {
  const { design, building, show, scale } = drawn
  const { outline, surfaces, objects } = building
  const items: Item[] = []
  const point = (p: { x: number; z: number }): At => [mm(p.x), mm(p.z)]
  // Each stretch as thick as it is, outwards; walls that stand on the floor go down to it.
  for (const s of building.stretches) {
    const long = edgeLength(s)
    const surface = surfaces.find(f => f.id === s.id)
    const thick = s.glazed
      ? SHEET_MM
      : mm((surface?.layers ?? []).reduce((sum, l) => sum + l.thicknessM, 0)) || SHEET_MM
    const [nx, nz] = [-(s.b.z - s.a.z) / long, (s.b.x - s.a.x) / long]
    const out = ([x, z]: At): At => [x + nx * thick, z + nz * thick]
    const [a, b] = [point(s.a), point(s.b)]
    items.push({ kind: 'path', layer: s.glazed ? 'glazing' : 'skin', closed: true, points: [a, b, out(b), out(a)] })
  }
  const W = mm(outline.widthM)
  items.push(line('skin', [0, 0], [W, 0]))
  const [front, back] = [mm(building.groundAt(0)), mm(building.groundAt(outline.widthM))]
  items.push(line('ground', [-BEYOND_MM, front], [0, front]), line('ground', [W, back], [W + BEYOND_MM, back]))
  items.push(...footing(design, 0, front, -1), ...footing(design, W, back, 1))
  const seen = new Set<string>()
  // What lies beyond the cut is dashed.
  for (const { object, x0, x1, isCut } of inSection(objects, building.lengthM)) {
    const { z0, z1 } = object
    const key = [x0, x1, z0, z1].map(v => v.toFixed(3)).join()
    if (seen.has(key)) continue
    seen.add(key)
    items.push(rectangle('inside', mm(x0), mm(z0), mm(x1), mm(z1), !isCut))
  }
  for (const s of design.store.airStores)
    if (s.on && s.kind === 'earth store')
      for (const run of layPipes(design, s).runs) {
        const at = Array.from({ length: 16 }, (_, k): At => {
          const turn = (2 * Math.PI * k) / 16
          return [mm(run.x + run.radiusM * Math.cos(turn)), mm(run.z + run.radiusM * Math.sin(turn))]
        })
        items.push({ kind: 'path', layer: 'pipes', closed: true, points: at })
      }
  const ridge: At = [mm(outline.ridgeAtM), mm(outline.ridgeHeightM)]
  const low = Math.min(0, front, back) - mm(design.build.foundation.depthM)
  const below: [At, At] = [
    [W, low],
    [0, low],
  ]
  items.push(...dimension(drawn, ...below))
  const tops = outline.edges.filter(e => e.b.z > 0 && e.b.x < outline.ridgeAtM - 0.05).map(e => e.b.z)
  const heights = [...new Set(outline.form === 'arch' || outline.form === 'hoop' ? [outline.kneeWallM] : tops)]
  heights
    .filter(h => h > 0.05)
    .sort((a, b) => a - b)
    .forEach((h, i) => items.push(...dimension(drawn, [-BEYOND_MM / 3, 0], [-BEYOND_MM / 3, mm(h)], i + 1)))
  if (outline.backWallM > 0.05 && outline.backWallM < outline.ridgeHeightM - 0.05)
    items.push(...dimension(drawn, [W + BEYOND_MM / 3, mm(outline.backWallM)], [W + BEYOND_MM / 3, 0]))
  items.push(
    ...dimension(drawn, [W + BEYOND_MM / 3, ridge[1]], [W + BEYOND_MM / 3, 0], 2),
    ...(outline.ridgeAtM < outline.widthM - 0.05
      ? dimension(drawn, [0, ridge[1] + 200], [ridge[0], ridge[1] + 200])
      : []),
    words(
      [mm(outline.ridgeAtM * 0.5), mm(outline.kneeWallM) + 4 * scale],
      `glazing at ${show(outline.glazingAngleDeg, 'angle')}`,
    ),
  )
  return { title: `Section, looking to the ${isNorthern(drawn) ? 'west' : 'east'} end`, items }
}
