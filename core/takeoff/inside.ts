import { isUnderRow } from '../beds/under-cover'
import { bodyName, kindOf } from '../bodies/registry'
import { MATERIALS, PRICE_ITEMS, type CostPart } from '../catalog'
import type { Design, Layer, PartId } from '../design/types'
import { fanKind, fanName } from '../fans/registry'
import { laidLeaves } from '../geometry/leaves'
import { sidesM2, standsOnM2 } from '../geometry/objects'
import { isHouseWall, partName } from '../geometry/parts'
import type { Building } from '../geometry/surfaces'
import type { Show } from '../units'
import { sourceKind, sourceName } from '../sources/registry'
import { airStoreNeeds } from './air-stores'
import { heavy, type Need, type PartNeeds } from './lines'

/** Mass, beds, floor and pipes, then what is driven by power. */
export function insideNeeds(design: Design, building: Building, show: Show): PartNeeds[] {
  return [
    ...airStoreNeeds(design, show),
    ...bodyNeeds(design, building, show),
    ...liningNeeds(design, building, show),
    { stage: 'inside', part: 'floor', needs: floorNeeds(design, building, show) },
    { stage: 'inside', part: 'beds', needs: bedNeeds(design, building) },
    ...deviceNeeds(design),
  ]
}

/** A priced part of a device as a line. */
const asNeed = (item: string, { amount, unit, price }: CostPart): Need => ({ item, amount, unit, price, cut: true })

const bodyNeeds = ({ store }: Design, building: Building, show: Show): PartNeeds[] =>
  store.bodies.map((b, i) => {
    const box = building.objects.find(o => o.kind === 'body' && o.index === i)!
    const kind = kindOf(b)
    const cost = kind.cost(b, box)
    const { name } = PRICE_ITEMS.find(p => p.id === cost.price)!
    const isMass = cost.unit === 'm³' && cost.price.startsWith('material.')
    return {
      stage: 'inside',
      part: bodyName(store.bodies, i).toLowerCase(),
      needs: [
        {
          ...asNeed(name, cost),
          note: isMass ? heavy(kind.weightKg(b, box), show) : `${show(kind.weightKg(b, box), 'mass')} when full`,
        },
      ],
    }
  })

/** What a house’s own wall has let into it, m²: it is not cut, as it is not ours, but there it is not lined either. */
const ownDoorsM2 = (design: Design, { outline }: Building, part: PartId): number =>
  isHouseWall(design.shape, part)
    ? laidLeaves(design, outline)
        .filter(l => l.part === part)
        .reduce((sum, { rect }) => sum + (rect.u1 - rect.u0) * (rect.v1 - rect.v0), 0)
    : 0

const liningNeeds = (design: Design, building: Building, show: Show): PartNeeds[] =>
  design.store.linings.map((lining, i) => {
    const { shape } = design
    const areaM2 = building.surfaces
      .filter(s => (s.layers as readonly object[]).includes(lining))
      .reduce((sum, s) => sum + s.areaM2, 0)
    const m3 = Math.max(0, areaM2 - ownDoorsM2(design, building, lining.part)) * lining.thicknessM
    const material = MATERIALS.find(m => m.id === lining.material)
    return {
      stage: 'inside',
      part: `lining of the ${partName(lining.part, shape.form)}${i > 0 ? ` ${i + 1}` : ''}`,
      needs: [
        {
          item: `${material?.name ?? 'Own material'}, ${show(lining.thicknessM, 'thickness')}`,
          word: lining.material,
          amount: m3,
          unit: 'm³',
          price: `material.${lining.material}`,
          note: material ? heavy(m3 * material.density, show) : '',
        },
      ],
    }
  })

function floorNeeds({ store }: Design, building: Building, show: Show): Need[] {
  const { bedAreaM2, floorAreaM2 } = building
  const pathM2 = store.floor.path ? building.pathM2 : 0
  const zone = (name: string, layers: readonly Layer[], areaM2: number) =>
    layers.map((l): Need => {
      const material = MATERIALS.find(m => m.id === l.material)
      return {
        item: `${material?.name ?? 'Own material'}, ${show(l.thicknessM, 'thickness')}, ${name}`,
        word: `${l.material} ${name}`,
        amount: areaM2 * l.thicknessM,
        unit: 'm³',
        price: `material.${l.material}`,
        note: material ? heavy(areaM2 * l.thicknessM * material.density, show) : '',
      }
    })
  return [
    ...zone('floor', store.floor.rest, floorAreaM2 - bedAreaM2 - pathM2),
    ...zone('path', store.floor.path ?? [], pathM2),
    ...zone('under the beds', store.floor.beds, bedAreaM2),
  ]
}

function bedNeeds({ shape, breathe }: Design, building: Building): Need[] {
  const beds = building.objects.filter(o => o.kind === 'bed')
  const fill = (which: 'soil' | 'gravel') =>
    beds
      .filter(o => shape.beds[o.index]!.fill === which)
      .reduce((sum, o) => sum + standsOnM2(o) * shape.beds[o.index]!.heightM, 0)
  const around = beds.filter(o => shape.beds[o.index]!.heightM > 0).reduce((sum, o) => sum + sidesM2(o), 0)
  return [
    {
      item: 'Boards round the beds',
      amount: around,
      unit: 'm²',
      price: 'material.softwood',
      times: 0.04,
      pack: 'boardM2',
    },
    {
      item: 'Soil',
      amount: fill('soil'),
      unit: 'm³',
      price: 'material.soil',
      note: 'above the floor; it settles by a fifth',
    },
    { item: 'Gravel', amount: fill('gravel'), unit: 'm³', price: 'material.gravel' },
    {
      item: 'Film or mulch over the soil',
      amount: beds.filter(o => shape.beds[o.index]!.soilCover !== 'bare').reduce((sum, o) => sum + standsOnM2(o), 0),
      unit: 'm²',
      price: 'part.soil-film',
    },
    {
      item: 'Sheet and hoops over the beds',
      amount: beds.filter(o => isUnderRow(breathe.rowCover, o.index)).reduce((sum, o) => sum + standsOnM2(o), 0),
      unit: 'm²',
      price: 'part.row-cover',
    },
  ]
}

function deviceNeeds({ breathe, topUp, skin, store }: Design): PartNeeds[] {
  const fans = breathe.fans.map(
    (f, i): PartNeeds => ({
      stage: 'devices',
      part: fanName(breathe.fans, i).toLowerCase(),
      needs: [asNeed(named(fanKind(f).cost(f)), fanKind(f).cost(f))],
    }),
  )
  const sources = topUp.sources.flatMap((s, i): PartNeeds[] => {
    const cost = s.on ? sourceKind(s).cost(s) : null
    const part = sourceName(topUp.sources, i).toLowerCase()
    return cost ? [{ stage: 'devices', part, needs: [asNeed(named(cost), cost)] }] : []
  })
  const powered =
    fans.length > 0 || sources.length > 0 || skin.cover.moved === 'motor' || store.airStores.some(s => s.on)
  return [
    ...fans,
    ...sources,
    {
      stage: 'devices',
      part: 'misting',
      needs: breathe.misting.on ? [{ item: 'Misting', amount: 1, unit: 'pieces', price: 'device.misting' }] : [],
    },
    {
      stage: 'devices',
      part: 'power',
      needs: powered
        ? [
            {
              item: 'Wiring and switchgear',
              amount: 1,
              unit: 'pieces',
              price: null,
              note: 'by a licensed electrician, who says what it takes; not in the sum',
            },
          ]
        : [],
    },
  ]
}

const named = ({ price }: CostPart) => PRICE_ITEMS.find(p => p.id === price)!.name
