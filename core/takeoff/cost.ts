import { kindOf } from '../bodies/registry'
import { entry, GLAZINGS, NIGHT_COVERS, PRICES } from '../catalog'
import type { Design, Layer } from '../design/types'
import { bodyName } from '../geometry/objects'
import { makeBuilding } from '../geometry/surfaces'

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
  const perM2 = (layers: readonly Layer[]) =>
    layers.reduce((sum, l) => sum + l.thicknessM * (PRICES.material[l.material] ?? 0), 0)
  const area = (test: (s: (typeof building.surfaces)[number]) => boolean) =>
    building.surfaces.filter(test).reduce((sum, s) => sum + s.areaM2, 0)
  const glazed = area(s => s.kind === 'glazed')
  const roof = area(s => s.kind === 'opaque' && (s.id === 'pole slope' || s.id === 'dome roof'))
  const wall = area(s => s.kind === 'opaque' && s.id !== 'pole slope' && s.id !== 'dome roof' && s.boundary !== 'house')
  const bent = ['arch', 'gambrel', 'dome'].includes(shape.form) ? PRICES.bentFrame : 1
  add('glazing', glazed, 'm²', entry(GLAZINGS, skin.glazing).pricePerM2)
  add('frame', glazed + roof, 'm²', PRICES.frameM2 * bent)
  add('walls', wall, 'm²', perM2(skin.wall))
  add('solid roof', roof, 'm²', perM2(skin.roof))
  add('night cover', glazed, 'm²', entry(NIGHT_COVERS, skin.cover.id).pricePerM2)
  add('foundation', building.perimeterM, 'm', PRICES.foundationM)
  add('edge board', building.perimeterM * (skin.edge.depthM + skin.edge.skirtM), 'm²', perM2([skin.edge]))
  add('digging', building.floorAreaM2 * building.sunkM, 'm³', PRICES.digM3)
  add('floor', building.floorAreaM2 - building.bedAreaM2, 'm²', perM2([store.floor]))
  add('beds', building.bedAreaM2, 'm²', PRICES.bedM2)
  store.bodies.forEach((b, i) => {
    const box = building.objects.find(o => o.kind === 'body' && o.index === i)!
    const { amount, unit, price } = kindOf(b).cost(b, box)
    add(bodyName(store.bodies, i).toLowerCase(), amount, unit, price)
  })
  add(
    'mass wall',
    store.massWall.thicknessM > 0 ? building.lengthM * building.outline.backWallM : 0,
    'm²',
    perM2([store.massWall]),
  )
  add('entry lobby', breathe.lobby.areaM2, 'm²', PRICES.lobbyM2)
  return { lines, total: lines.reduce((sum, l) => sum + l.cost, 0) }
}
