import { bodyName, kindOf } from '../bodies/registry'
import { entry, NIGHT_COVERS, PRICES } from '../catalog'
import type { Design, Layer, PartId } from '../design/types'
import { pathStrip } from '../geometry/objects'
import { isSlope, partName } from '../geometry/parts'
import { makeBuilding, type Building, type Surface } from '../geometry/surfaces'

/** A line of the rough cost. */
export interface CostLine {
  name: string
  amount: number
  unit: 'm²' | 'm³' | 'm' | 'pieces'
  cost: number
}

export interface RoughCost {
  lines: CostLine[]
  total: number
}

/** At rough prices, money per m². */
const perM2 = (layers: readonly Layer[]) =>
  layers.reduce((sum, l) => sum + l.thicknessM * (PRICES.material[l.material] ?? 0), 0)
/** Layers of a solid piece, less its linings, which are counted by themselves. */
const solidPrice = (s: Surface, { store }: Design) =>
  perM2(s.layers.filter(l => !(store.linings as readonly Layer[]).includes(l)))
const coverPrice = (s: Surface, { covers }: Building) => entry(NIGHT_COVERS, covers[s.cover]!.id).pricePerM2
const isRoof = (s: Surface) => s.id.startsWith('top of') || isSlope(s.part!)

/**
 * What the sheets, layers and covers of one part of the skin cost at rough prices; a house's own wall costs nothing.
 */
export function partCost(design: Design, building: Building, part: PartId): number {
  return building.surfaces
    .filter(s => s.part === part && s.boundary !== 'house')
    .reduce((sum, s) => {
      const price = s.glazing ? s.glazing.pricePerM2 + coverPrice(s, building) : solidPrice(s, design)
      return sum + s.areaM2 * price
    }, 0)
}

/**
 * What a design's materials cost at the catalogue's rough prices, in money of its own currency; work, fittings, fans
 * and pipes left out. It serves to compare designs. The design must be sound.
 */
export function roughCost(design: Design): RoughCost {
  const building = makeBuilding(design)
  const { shape, skin, store, breathe } = design
  const lines: CostLine[] = []
  const add = (name: string, amount: number, unit: CostLine['unit'], price: number) => {
    if (amount * price > 1e-6) lines.push({ name, amount, unit, cost: amount * price })
  }
  const glass = building.surfaces.filter(s => s.kind === 'glazed')
  const solid = building.surfaces.filter(s => s.kind === 'opaque' && s.boundary !== 'house')
  /** One line for surfaces that may be of several makes. */
  const addAll = (name: string, surfaces: readonly Surface[], price: (s: Surface) => number) => {
    const areaM2 = surfaces.reduce((sum, s) => sum + s.areaM2, 0)
    const cost = surfaces.reduce((sum, s) => sum + s.areaM2 * price(s), 0)
    if (cost > 1e-6) lines.push({ name, amount: areaM2, unit: 'm²', cost })
  }
  const own = (s: Surface) => solidPrice(s, design)
  const bent = ['arch', 'hoop', 'gambrel', 'dome'].includes(shape.form) ? PRICES.bentFrame : 1
  const roof = solid.filter(isRoof)
  addAll('glazing', glass, s => s.glazing!.pricePerM2)
  addAll('frame', [...glass, ...roof], () => PRICES.frameM2 * bent)
  addAll(
    'walls',
    solid.filter(s => !isRoof(s)),
    own,
  )
  addAll('solid roof', roof, own)
  const covered = glass.filter(s => building.covers[s.cover]!.id !== 'none')
  addAll('night cover', covered, s => coverPrice(s, building))
  add('foundation', building.perimeterM, 'm', PRICES.foundationM)
  add('edge board', building.perimeterM * (skin.edge.depthM + skin.edge.skirtM), 'm²', perM2([skin.edge]))
  add('digging', building.floorAreaM2 * building.sunkM, 'm³', PRICES.digM3)
  const bareM2 = building.floorAreaM2 - building.bedAreaM2
  const way = store.floor.path ? pathStrip(design) : null
  const pathM2 = way ? Math.min(bareM2, ((way.x1 - way.x0) / shape.widthM) * building.floorAreaM2) : 0
  add('floor', bareM2 - pathM2, 'm²', perM2(store.floor.rest))
  add('path', pathM2, 'm²', perM2(store.floor.path ?? []))
  add('under the beds', building.bedAreaM2, 'm²', perM2(store.floor.beds))
  add('beds', building.bedAreaM2, 'm²', PRICES.bedM2)
  store.bodies.forEach((b, i) => {
    const box = building.objects.find(o => o.kind === 'body' && o.index === i)!
    const { amount, unit, price } = kindOf(b).cost(b, box)
    add(bodyName(store.bodies, i).toLowerCase(), amount, unit, price)
  })
  for (const lining of store.linings) {
    const on = building.surfaces.filter(s => (s.layers as readonly object[]).includes(lining))
    const area = on.reduce((sum, s) => sum + s.areaM2, 0)
    add(`lining of the ${partName(lining.part, design.shape.form)}`, area, 'm²', perM2([lining]))
  }
  add('entry lobby', breathe.lobby.areaM2, 'm²', PRICES.lobbyM2)
  return { lines, total: lines.reduce((sum, l) => sum + l.cost, 0) }
}
