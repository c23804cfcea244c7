import { entry, MATERIALS, type MaterialId } from '../catalog'
import type { Design } from '../design/types'
import { WATER_DENSITY, WATER_SPECIFIC_HEAT } from '../physics/constants'
import { pricesOf } from '../takeoff/price-book'

/** A barrel of water, to which others are held, m³. */
export const BARREL_M3 = 0.2
/** What is kept through a night is told for a fall by so much, K. */
export const FALL_K = 5

/** Water as it is stood up, and where its price is in the book. */
const WATER = [
  { name: 'Water in barrels', price: 'vessel.barrel-200', eachM3: BARREL_M3 },
  { name: 'Water in a tank', price: 'part.tank', eachM3: 1 },
  { name: 'Water in a pond', price: 'part.pond', eachM3: 1 },
] as const
const SOLID: readonly MaterialId[] = [
  'stone',
  'concrete',
  'brick',
  'rammed-earth',
  'gabion',
  'gravel',
  'soil',
  'softwood',
]

/** What stores heat: beside water, and at what price. */
export interface MassMaterial {
  name: string
  fluid: boolean
  /** Heat by volume and by weight, as shares of water's. */
  byVolume: number
  byWeight: number
  /** So much does what a barrel of water does, m³ and kg. */
  m3: number
  kg: number
  /** To this depth a day's wave of heat goes, m; null for water, which mixes. */
  depthM: number | null
  /** What so much costs, and a kWh kept through the night as it falls by {@link FALL_K}, in the design's money. */
  cost: number
  perKWh: number
}

/**
 * Depth at which a daily wave has sunk to 1/e of the surface's, m: laid thicker, what lies behind does little by night.
 * Source: the damped wave in a half-space, √(αP/π).
 */
const dailyDepthM = (diffusivity: number): number => Math.sqrt((diffusivity * 86400) / Math.PI)

/** Materials of mass, at a design's prices. */
export function massMaterials(design: Pick<Design, 'topUp'>): MassMaterial[] {
  const price = pricesOf(design)
  const water = WATER_DENSITY * WATER_SPECIFIC_HEAT
  const wanted = BARREL_M3 * water
  const kWh = (wanted * FALL_K) / 3.6e6
  const row = (
    name: string,
    density: number,
    specificHeat: number,
    perM3: number,
    depthM: number | null,
  ): MassMaterial => {
    const m3 = wanted / (density * specificHeat)
    const byVolume = (density * specificHeat) / water
    const cost = m3 * perM3
    const byWeight = specificHeat / WATER_SPECIFIC_HEAT
    return { name, fluid: depthM === null, byVolume, byWeight, m3, kg: m3 * density, depthM, cost, perKWh: cost / kWh }
  }
  return [
    ...WATER.map(w => row(w.name, WATER_DENSITY, WATER_SPECIFIC_HEAT, price(w.price) / w.eachM3, null)),
    ...SOLID.map(id => {
      const { name, density, specificHeat, conductivity } = entry(MATERIALS, id)
      const depthM = dailyDepthM(conductivity / (density * specificHeat))
      return row(name, density, specificHeat, price(`material.${id}`), depthM)
    }),
  ]
}
