import { entry, MATERIALS } from '../catalog'
import { FOUNDATION_CHOICES } from '../design/fields/build'
import { inSection, pathStrip } from '../geometry/objects'
import { deepestM, layChannels, layPipes, layRockBed } from '../geometry/pipes'
import { edgeLength, type Point } from '../geometry/section'
import { partThickM } from '../geometry/wall-line'
import { linesBlock, withBlocks } from './blocks'
import {
  broken,
  chain,
  dimension,
  isNorthern,
  line,
  mm,
  rectangle,
  sizeText,
  words,
  type At,
  type Drawing,
  type Drawn,
  type Item,
} from './drawing'
import { footing } from './foundation'
import { layerText, makeText } from './layers-text'
import { objectName } from './object-names'

/** Ground is drawn so far beyond the house, mm; sheets as so thick. */
const BEYOND_MM = 700
const SHEET_MM = 20
/** A ray is drawn from so far outside, mm. */
const RAY_MM = 900
/** Letters on a line of the notes. */
const LETTERS = 50

const point = (p: Point): At => [mm(p.x), mm(p.z)]

/** The skin stretch by stretch, each as thick as it is, outwards; and the floor's layers under it. */
function shell({ building, design }: Drawn): Item[] {
  const skin = building.stretches.map((s): Item => {
    const long = edgeLength(s)
    const surface = building.surfaces.find(f => f.id === s.id)
    const thick = s.glazed
      ? SHEET_MM
      : mm((surface?.layers ?? []).reduce((sum, l) => sum + l.thicknessM, 0)) || SHEET_MM
    const [nx, nz] = [-(s.b.z - s.a.z) / long, (s.b.x - s.a.x) / long]
    const out = ([x, z]: At): At => [x + nx * thick, z + nz * thick]
    const [a, b] = [point(s.a), point(s.b)]
    return { kind: 'path', layer: s.glazed ? 'glazing' : 'skin', closed: true, points: [a, b, out(b), out(a)] }
  })
  const W = mm(building.outline.widthM)
  let low = 0
  const floor = [...design.store.floor.rest].reverse().flatMap((l): Item[] => {
    if (l.thicknessM <= 0) return []
    const next = low - mm(l.thicknessM)
    const layer = rectangle('ground', 0, next, W, low)
    low = next
    return [layer]
  })
  return [...skin, line('skin', [0, 0], [W, 0]), ...floor]
}

/** Ground on both sides, how deep it freezes, the foundation and how deep that goes. */
function ground(drawn: Drawn): Item[] {
  const { building, design, frostM } = drawn
  const { outline } = building
  const W = mm(outline.widthM)
  const [front, back] = [mm(building.groundAt(0)), mm(building.groundAt(outline.widthM))]
  const half = (part: Parameters<typeof partThickM>[1]) => mm(partThickM(design, part)) / 2
  const feet: [x: number, y: number, way: 1 | -1][] = [[-half(outline.edges[0]!.part), front, -1]]
  if (design.shape.form !== 'lean-to') feet.push([W + half(outline.edges.at(-1)!.part), back, 1])
  const items: Item[] = [
    line('ground', [-BEYOND_MM, front], [0, front]),
    line('ground', [W, back], [W + BEYOND_MM, back]),
    words([-BEYOND_MM * 0.75, front + drawn.scale], 'ground', 'middle'),
    ...feet.flatMap(([x, y, way]) => footing(design, x, y, way)),
  ]
  if (frostM !== null && frostM > 0.02)
    for (const [x0, x1, y] of [
      [-BEYOND_MM, 0, front],
      [W, W + BEYOND_MM, back],
    ] as const) {
      const at = y - mm(frostM)
      items.push(line('ground', [x0, at], [x1, at], true))
      if (x0 < 0)
        items.push(words([x0, at - 4 * drawn.scale], `frost to about ${sizeText(drawn.show, frostM)}`, 'left'))
    }
  const { kind, depthM } = design.build.foundation
  if (kind !== 'undecided' && depthM > 0) {
    const [x, y] = feet[0]!
    items.push(...dimension(drawn, [x - BEYOND_MM / 2, y - mm(depthM)], [x - BEYOND_MM / 2, y], 0))
  }
  return items
}

/** What lies under the floor. */
function below({ design }: Drawn): Item[] {
  return design.store.airStores.flatMap((s): Item[] => {
    if (!s.on) return []
    if (s.kind === 'rock bed') {
      const { x0, x1, z0, z1 } = layRockBed(design, s)
      return [rectangle('pipes', mm(x0), mm(z0), mm(x1), mm(z1)), words([mm((x0 + x1) / 2), mm((z0 + z1) / 2)], 'rock')]
    }
    if (s.kind === 'bed channels')
      return layChannels(design, s).map(c => rectangle('pipes', mm(c.x0), 0, mm(c.x0 + c.widthM), mm(c.heightM)))
    if (s.kind !== 'earth store') return []
    return layPipes(design, s).runs.map((run): Item => {
      const at = Array.from({ length: 16 }, (_, k): At => {
        const turn = (2 * Math.PI * k) / 16
        return [mm(run.x + run.radiusM * Math.cos(turn)), mm(run.z + run.radiusM * Math.sin(turn))]
      })
      return { kind: 'path', layer: 'pipes', closed: true, points: at }
    })
  })
}

/** Beds, benches and bodies, those beyond the cut dashed, each with its height; and their places across. */
function things(drawn: Drawn): Item[] {
  const { design, building, show } = drawn
  const items: Item[] = []
  const named = new Set<string>()
  const seen = new Set<string>()
  const places = new Set<number>([0, building.outline.widthM])
  const boxes = inSection(building.objects, building.lengthM)
  for (const { object, x0, x1, isCut } of boxes) {
    const { z0, z1 } = object
    const key = [x0, x1, z0, z1].map(v => v.toFixed(3)).join()
    if (seen.has(key)) continue
    seen.add(key)
    items.push(rectangle('inside', mm(x0), mm(z0), mm(x1), mm(z1), !isCut))
    if (isCut || !boxes.some(b => b.isCut)) for (const x of [x0, x1]) places.add(x)
    const name = objectName(design, object)
    if (named.has(name)) continue
    named.add(name)
    items.push({
      ...words([mm((x0 + x1) / 2), mm((z0 + z1) / 2)], `${name}, top ${sizeText(show, z1)}`),
      of: [mm((x0 + x1) / 2), mm((z0 + z1) / 2)],
    })
  }
  const low = Math.min(0, mm(building.groundAt(0)), mm(building.groundAt(building.outline.widthM)))
  const deep = Math.min(low - mm(Math.max(design.build.foundation.depthM, 0.1)), -mm(deepestM(design)))
  const across = [...places].sort((a, b) => b - a).map((x): At => [mm(x), deep])
  if (across.length > 2) items.push(...chain(drawn, across))
  items.push(...dimension(drawn, across[0]!, across.at(-1)!, across.length > 2 ? 1.9 : 1))
  return items
}

/** Heights of the section's corners, where its ridge lies, and the angle of its glazing. */
function heights(drawn: Drawn): Item[] {
  const { building, show, scale } = drawn
  const { outline } = building
  const W = mm(outline.widthM)
  const ridge: At = [mm(outline.ridgeAtM), mm(outline.ridgeHeightM)]
  const tops = outline.edges.filter(e => e.b.z > 0 && e.b.x < outline.ridgeAtM - 0.05).map(e => e.b.z)
  const left = [...new Set(outline.form === 'arch' || outline.form === 'hoop' ? [outline.kneeWallM] : tops)]
    .filter(h => h > 0.05)
    .sort((a, b) => a - b)
  const [front, back] = [-BEYOND_MM * 1.1, W + BEYOND_MM * 1.1]
  const items: Item[] = left.flatMap((h, i) => dimension(drawn, [front, 0], [front, mm(h)], 0.6 + i))
  if (outline.backWallM > 0.05 && outline.backWallM < outline.ridgeHeightM - 0.05)
    items.push(...dimension(drawn, [back, mm(outline.backWallM)], [back, 0], 0.6))
  items.push(...dimension(drawn, [back, ridge[1]], [back, 0], 1.6))
  if (outline.ridgeAtM < outline.widthM - 0.05)
    items.push(...dimension(drawn, [0, ridge[1] + 300], [ridge[0], ridge[1] + 300], 0.5))
  items.push(
    words(
      [mm(outline.ridgeAtM * 0.5), mm(outline.kneeWallM) + 4 * scale],
      `glazing at ${show(outline.glazingAngleDeg, 'angle')}`,
    ),
  )
  return items
}

/** The noon sun of the design days over the top and the foot of the glazing, to where it lands. */
function rays({ building, noons, show }: Drawn): Item[] {
  const panes = building.stretches.filter(s => s.glazed && s.b.x > s.a.x - 1e-9 && s.b.z >= s.a.z)
  if (panes.length === 0) return []
  const ends = panes.flatMap(s => [s.a, s.b])
  const top = ends.reduce((best, p) => (p.z > best.z ? p : best))
  const foot = ends.reduce((best, p) => (p.z < best.z ? p : best))
  const { widthM } = building.outline
  return noons.flatMap(({ day, profileDeg }): Item[] => {
    const turn = (profileDeg * Math.PI) / 180
    const [dx, dz] = [Math.cos(turn), -Math.sin(turn)]
    const isDashed = day === 'hot'
    const ray = (p: Point): At[] => {
      const reach = Math.max(0, Math.min(p.z / -dz, (widthM - p.x) / Math.max(dx, 1e-6)))
      return [
        [mm(p.x) - dx * RAY_MM, mm(p.z) - dz * RAY_MM],
        [mm(p.x + dx * reach), mm(p.z + dz * reach)],
      ]
    }
    const [over, under] = [ray(top), ray(foot)]
    return [
      ...[over, under].map(([a, b]) => line('sun', a!, b!, isDashed)),
      {
        ...words(over[0]!, `noon of the ${day} day, ${show(profileDeg, 'angle')}`, 'middle'),
        layer: 'sun',
        of: over[0]!,
      },
    ]
  })
}

/** How high one has to be able to stand, over the widest way through. */
function headroom({ design, show }: Drawn): Item[] {
  const path = pathStrip(design)
  const { headroomM } = design.aim.practical
  if (!path) return []
  const y = mm(headroomM)
  const middle = mm((path.x0 + path.x1) / 2)
  return [
    line('inside', [mm(path.x0), y], [mm(path.x1), y], true),
    { ...words([middle, y + 60], `headroom asked ${sizeText(show, headroomM)}`), of: [middle, y] },
  ]
}

/** The section's bare lines and heights, with the sunny side on the left. */
export const bareSection = (drawn: Drawn): Item[] => [...shell(drawn), ...ground(drawn), ...heights(drawn)]

/** The section without its notes: cut across the ridge, with all that stands in it. */
const sectionItems = (drawn: Drawn): Item[] => [
  ...shell(drawn),
  ...ground(drawn),
  ...below(drawn),
  ...things(drawn),
  ...rays(drawn),
  ...headroom(drawn),
  ...heights(drawn),
]

/** What each part of the section is made of, from outside to inside, and what it stands on. */
function notes(drawn: Drawn): string[] {
  const { design, building, show } = drawn
  const { floor } = design.store
  const { kind, depthM, widthM, drain } = design.build.foundation
  const { edge } = design.skin
  const parts = [...new Set(building.stretches.map(s => s.id))].flatMap(id => {
    const surface = building.surfaces.find(s => s.id === id)
    return surface ? [`${id}: ${surface.boundary === 'house' ? 'the house’s wall' : makeText(surface, show)}`] : []
  })
  const layers = (list: typeof floor.rest) =>
    list
      .filter(l => l.thicknessM > 0)
      .map(l => layerText(l, show))
      .join('; ') || 'bare earth'
  const name = FOUNDATION_CHOICES.find(c => c.id === kind)!.name.toLowerCase()
  return [
    ...parts,
    `floor, from below: ${layers(floor.rest)}`,
    ...(floor.path ? [`paths, from below: ${layers(floor.path)}`] : []),
    kind === 'undecided'
      ? 'foundation: not decided yet'
      : `foundation: ${name}, ${show(widthM, 'length')} wide, ${show(depthM, 'length')} down`,
    ...(edge.thicknessM > 0 && edge.depthM > 0
      ? [
          `edge board: ${entry(MATERIALS, edge.material).name}, ${show(edge.thicknessM, 'thickness')}, ` +
            `${show(edge.depthM, 'length')} down`,
        ]
      : []),
    ...(drain === null ? [] : [`drain round the foot, ${show(drain, 'length')} deep`]),
  ]
}

/** The section, with what its parts are made of beside it. */
export function drawSection(drawn: Drawn): Drawing {
  const lines = ['From outside to inside:', ...notes(drawn)].flatMap(l => broken(l, LETTERS))
  return {
    title: `Section, looking to the ${isNorthern(drawn) ? 'west' : 'east'} end`,
    items: withBlocks(drawn, sectionItems(drawn), [linesBlock(lines)]),
  }
}
