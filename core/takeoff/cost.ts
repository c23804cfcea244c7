import { airStoreKind, airStoreName } from '../air-stores/registry'
import { bodyName, kindOf } from '../bodies/registry'
import type { CostPart } from '../catalog'
import type { Cover, Design, Layer, PartId } from '../design/types'
import { fanKind, fanName } from '../fans/registry'
import { standsOnM2 } from '../geometry/objects'
import { isSlope, partName, isLeaf } from '../geometry/parts'
import { makeBuilding, type Building, type Surface } from '../geometry/surfaces'
import { ach50Of } from '../network/model'
import { openingKind, openingName } from '../openings/registry'
import { sourceKind, sourceName } from '../sources/registry'
import { materialPrice, pricesOf, type PriceOf } from './price-book'

/** A line of the rough cost. */
export interface CostLine {
  name: string
  amount: number
  unit: CostPart['unit'] | 'h'
  cost: number
}

export interface RoughCost {
  lines: CostLine[]
  total: number
}

/** Of layers, money per m². */
export const layersPrice = (layers: readonly Layer[], price: PriceOf): number =>
  layers.reduce((sum, l) => sum + l.thicknessM * materialPrice(price, l.material), 0)
/** Layers of a solid piece, less its linings, which are counted by themselves. */
const solidPrice = (s: Surface, { store }: Design, price: PriceOf) =>
  layersPrice(
    s.layers.filter(l => !(store.linings as readonly Layer[]).includes(l)),
    price,
  )
const coverOf = (s: Surface, { covers }: Building) => covers[s.cover]!
const isCovered = (s: Surface, building: Building) => coverOf(s, building).id !== 'none'
const coverPrice = (s: Surface, building: Building, price: PriceOf) =>
  isCovered(s, building) ? price(`cover.${coverOf(s, building).id}`) : 0
const glassPrice = (s: Surface, price: PriceOf) => price(`glazing.${s.glazing!.id}`)
const isRoof = (s: Surface) => s.id.startsWith('top of') || isSlope(s.part!)

/**
 * What the sheets, layers and covers of one part of the skin cost at the design's prices; a house's own wall costs
 * nothing.
 */
export function partCost(design: Design, building: Building, part: PartId): number {
  const price = pricesOf(design)
  return building.surfaces
    .filter(s => s.part === part && s.boundary !== 'house' && (s.kind === 'glazed' || !isLeaf(s)))
    .reduce((sum, s) => {
      const each = s.glazing ? glassPrice(s, price) + coverPrice(s, building, price) : solidPrice(s, design, price)
      return sum + s.areaM2 * each
    }, 0)
}

/** Hours that one of it takes people who have done it before, by the name of a line. Thin evidence: people differ. */
const HOURS: Readonly<Record<string, number>> = {
  'glazing': 0.8,
  'frame': 1,
  'walls': 1.5,
  'solid roof': 1.5,
  'night cover': 0.5,
  'foundation': 1.5,
  'edge board': 0.6,
  'digging': 1,
  'floor': 0.5,
  'beds': 0.7,
  'sealing': 0.1,
  'entry lobby': 6,
}
/** Leakier than this nothing has been sealed, air changes an hour under 50 Pa. */
const UNSEALED = 24

/** How often the leaks of a house as it comes are halved by what seals it. */
export const leakHalvings = (breathe: Design['breathe']): number => Math.max(0, Math.log2(UNSEALED / ach50Of(breathe)))

/**
 * What a design's materials and devices cost at its prices (rough until somebody knows better), in money of its own
 * currency, and the work on its main parts where an hour has a price. It serves to compare designs. The design must be
 * sound.
 */
export function roughCost(design: Design): RoughCost {
  const building = makeBuilding(design)
  const price = pricesOf(design)
  const { shape, skin, store, breathe, topUp } = design
  const lines: CostLine[] = []
  const add = (name: string, amount: number, unit: CostLine['unit'], each: number) => {
    if (amount * each > 1e-6) lines.push({ name, amount, unit, cost: amount * each })
  }
  /** One line for what is made of several things: counted by the first. */
  const addParts = (name: string, parts: readonly CostPart[]) => {
    const cost = parts.reduce((sum, p) => sum + p.amount * price(p.price), 0)
    if (cost > 1e-6) lines.push({ name, amount: parts[0]!.amount, unit: parts[0]!.unit, cost })
  }
  const glass = building.surfaces.filter(s => s.kind === 'glazed')
  const solid = building.surfaces.filter(s => s.kind === 'opaque' && s.boundary !== 'house' && !isLeaf(s))
  const areaOf = (surfaces: readonly Surface[]) => surfaces.reduce((sum, s) => sum + s.areaM2, 0)
  /** One line for surfaces that may be of several makes. */
  const addAll = (name: string, surfaces: readonly Surface[], each: (s: Surface) => number) => {
    const cost = surfaces.reduce((sum, s) => sum + s.areaM2 * each(s), 0)
    if (cost > 1e-6) lines.push({ name, amount: areaOf(surfaces), unit: 'm²', cost })
  }
  const own = (s: Surface) => solidPrice(s, design, price)
  const bent = ['arch', 'hoop', 'gambrel', 'dome'].includes(shape.form)
  const roof = solid.filter(isRoof)
  addAll('glazing', glass, s => glassPrice(s, price))
  addAll('frame', [...glass, ...roof], () => price(bent ? 'part.bent-frame' : 'part.frame'))
  addAll(
    'walls',
    solid.filter(s => !isRoof(s)),
    own,
  )
  addAll('solid roof', roof, own)
  const covered = glass.filter(s => isCovered(s, building))
  addAll('night cover', covered, s => coverPrice(s, building, price))
  const tight = covered.filter(s => (coverOf(s, building) as Cover).fit === 'tight')
  add('channels for the cover', areaOf(tight), 'm²', price('part.channels'))
  const driven = new Set(covered.map(s => s.cover).filter(k => building.covers[k]!.moved === 'motor'))
  add('motors of covers', driven.size, 'pieces', price('part.cover-motor'))
  add('foundation', building.perimeterM, 'm', price('part.foundation'))
  add('edge board', building.perimeterM * (skin.edge.depthM + skin.edge.skirtM), 'm²', layersPrice([skin.edge], price))
  add('digging', building.floorAreaM2 * building.sunkM, 'm³', price('part.dig'))
  const dugM3 = Math.max(0, -shape.pathM) * building.pathM2
  add('digging of the paths', dugM3, 'm³', price('part.dig'))
  const painted = (which: 'wall' | 'roof', faces: readonly Surface[]) =>
    add(`paint of the ${which}`, skin.finish[which] === 'bare' ? 0 : areaOf(faces), 'm²', price('part.paint'))
  painted(
    'wall',
    solid.filter(s => !isRoof(s)),
  )
  painted('roof', roof)
  add('eave', shape.overhangM * shape.lengthM, 'm²', price('part.frame'))
  add('shade strip', shape.shadeStripM * shape.lengthM, 'm²', price('part.shade'))
  const bareM2 = building.floorAreaM2 - building.bedAreaM2
  const pathM2 = store.floor.path ? building.pathM2 : 0
  add('floor', bareM2 - pathM2, 'm²', layersPrice(store.floor.rest, price))
  add('path', pathM2, 'm²', layersPrice(store.floor.path ?? [], price))
  add('under the beds', building.bedAreaM2, 'm²', layersPrice(store.floor.beds, price))
  add('beds', building.bedAreaM2, 'm²', price('part.bed'))
  const laidOver = building.objects.filter(o => o.kind === 'bed' && shape.beds[o.index]!.soilCover !== 'bare')
  add(
    'film and mulch',
    laidOver.reduce((sum, o) => sum + standsOnM2(o), 0),
    'm²',
    price('part.soil-film'),
  )
  store.bodies.forEach((b, i) => {
    const box = building.objects.find(o => o.kind === 'body' && o.index === i)!
    addParts(bodyName(store.bodies, i).toLowerCase(), [kindOf(b).cost(b, box)])
  })
  for (const lining of store.linings) {
    const on = building.surfaces.filter(s => (s.layers as readonly object[]).includes(lining))
    add(`lining of the ${partName(lining.part, shape.form)}`, areaOf(on), 'm²', layersPrice([lining], price))
  }
  store.airStores.forEach((s, i) => {
    if (s.on) addParts(airStoreName(store.airStores, i).toLowerCase(), airStoreKind(s).cost(s, shape.lengthM))
  })
  skin.openings.forEach((o, i) => addParts(openingName(skin.openings, i).toLowerCase(), openingKind(o).cost(o)))
  breathe.fans.forEach((f, i) => addParts(fanName(breathe.fans, i).toLowerCase(), [fanKind(f).cost(f)]))
  topUp.sources.forEach((s, i) => {
    const part = s.on ? sourceKind(s).cost(s) : null
    if (part) addParts(sourceName(topUp.sources, i).toLowerCase(), [part])
  })
  add('sealing', leakHalvings(breathe) * areaOf([...glass, ...solid]), 'm²', price('part.sealing'))
  add('row cover', breathe.rowCover.on ? building.bedAreaM2 : 0, 'm²', price('part.row-cover'))
  add('misting', breathe.misting.on ? 1 : 0, 'pieces', price('device.misting'))
  add('entry lobby', breathe.lobby.areaM2, 'm²', price('part.lobby'))
  const hours = lines.reduce((sum, l) => sum + l.amount * (HOURS[l.name] ?? 0), 0)
  add('work', hours, 'h', price('work.hour'))
  return { lines, total: lines.reduce((sum, l) => sum + l.cost, 0) }
}
