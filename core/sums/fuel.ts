import { entry, FUELS, woodHeatJkg } from '../catalog'
import { line, need, plain, type Sum } from './sum'

/** Wood species: heat of a kilogram, dry, and weight of a stacked cubic metre, air-dry. */
export const WOODS = [
  { id: 'beech', name: 'Beech', stackedKgM3: 480, source: 'stacked logs at 20 % moisture, forestry tables' },
  { id: 'oak', name: 'Oak', stackedKgM3: 480, source: 'stacked logs at 20 % moisture, forestry tables' },
  { id: 'birch', name: 'Birch', stackedKgM3: 430, source: 'stacked logs at 20 % moisture, forestry tables' },
  { id: 'spruce', name: 'Spruce', stackedKgM3: 320, source: 'stacked logs at 20 % moisture, forestry tables' },
  {
    id: 'poplar',
    name: 'Poplar or willow',
    stackedKgM3: 310,
    source: 'stacked logs at 20 % moisture, forestry tables',
  },
] as const

/** Wood for a winter: kg and stacked m³. @param efficiency of the stove, 0.05–1 */
export function woodPerWinter(
  usefulJ: number,
  species: string,
  moisture: number,
  efficiency: number,
): Sum<{ kg: number; stackedM3: number }> {
  need('heat', usefulJ, 0)
  need('efficiency', efficiency, 0.05, 1)
  need('moisture', moisture, 0, 0.6)
  const wood = entry(WOODS, species)
  const perKg = woodHeatJkg(moisture)
  const kg = usefulJ / perKg / efficiency
  // Stacked weights stand for wood with 20 % of water.
  const stackedM3 = (kg * (1 - moisture)) / 0.8 / wood.stackedKgM3
  return {
    result: { kg, stackedM3 },
    rule: 'Net heat of wood by its moisture; the same for all species by weight, not by volume.',
    lines: [
      line('Q', 'heat needed', usefulJ, 'energy'),
      line('w', 'water in the wood', moisture, 'share'),
      plain('H', 'heat by weight', perKg, 'J/kg'),
      line('η', 'stove', efficiency, 'share'),
      plain('m', 'Q ÷ (H × η)', kg, 'kg'),
      plain('ρ', `${wood.name}, stacked, with 20 % of water`, wood.stackedKgM3, 'kg/m³'),
      plain('V', 'stacked', stackedM3, 'm³'),
    ],
  }
}

/**
 * Woodland that would grow it each year, m². Growth in kg of dry wood for each m² and year: about 0.4 for managed
 * woodland, 1 for coppiced willow.
 */
export function woodlandFor(woodKg: number, moisture: number, growthKgM2: number): Sum {
  need('wood', woodKg, 0)
  need('moisture', moisture, 0, 0.6)
  need('growth', growthKgM2, 0.05, 5)
  const area = (woodKg * (1 - moisture)) / growthKgM2
  return {
    result: area,
    rule: 'Yearly growth of dry wood in managed woodland; coppiced willow grows two to three times as much.',
    lines: [
      plain('m', 'wood a year, dry', woodKg * (1 - moisture), 'kg'),
      plain('g', 'growth', growthKgM2, 'kg/m²'),
      line('A', 'm ÷ g', area, 'area'),
    ],
  }
}

/** Cost of a useful kWh, from the price of a unit as sold. */
export function costPerUsefulKWh(fuel: string, pricePerUnit: number): Sum {
  const f = entry(FUELS, fuel)
  need('price', pricePerUnit, 0)
  const cost = pricePerUnit / f.perUnitKWh / f.efficiency
  return {
    result: cost,
    rule: 'Price over heat in a unit and efficiency.',
    lines: [
      plain('p', 'price', pricePerUnit, `/${f.unit}`),
      plain('H', 'heat in it', f.perUnitKWh, `kWh/${f.unit}`),
      line('η', 'efficiency', f.efficiency, 'share'),
      plain('c', 'p ÷ (H × η), for each useful kWh', cost),
    ],
  }
}

/** Years until what was spent is saved. null when nothing is saved. */
export function payBack(cost: number, savedPerYear: number): Sum<number | null> {
  need('cost', cost, 0)
  const years = savedPerYear > 0 ? cost / savedPerYear : null
  return {
    result: years,
    rule: 'Cost over yearly saving; interest and rising prices left out.',
    lines: [
      plain('C', 'cost', cost),
      plain('S', 'saved a year', savedPerYear),
      years === null ? plain('t', 'nothing is saved: it does not pay back', 0) : plain('t', 'C ÷ S', years, 'years'),
    ],
  }
}
