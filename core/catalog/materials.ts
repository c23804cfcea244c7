import { FUSION } from '../physics/constants'

/** A building or storing material. */
export interface Material {
  id: string
  name: string
  group: 'insulation' | 'timber and board' | 'masonry' | 'ground'
  /** W/m·K, in use (damp where it gets damp). */
  conductivity: number
  /** kg/m³ */
  density: number
  /** J/kg·K */
  specificHeat: number
  /** Share of sunlight its bare face takes in, 0–1. */
  solarAbsorptance: number
  source: string
}

/** What a layer's material needs of the air in a greenhouse. */
export interface Dampness {
  /** Resistance to vapour against still air, µ. ISO 10456 and makers' typical values. */
  vapour: number
  /** Why wet air harms it; empty for what bears it. */
  unfit: string
}

const ISO = 'ISO 10456'
const m = <const Id extends string>(
  id: Id,
  name: string,
  group: Material['group'],
  conductivity: number,
  density: number,
  specificHeat: number,
  solarAbsorptance: number,
  source = ISO,
): Material & { id: Id } => ({ id, name, group, conductivity, density, specificHeat, solarAbsorptance, source })

const ALL = [
  m('eps', 'Expanded polystyrene board', 'insulation', 0.036, 20, 1450, 0.4),
  m('xps', 'Extruded polystyrene board', 'insulation', 0.034, 35, 1450, 0.4),
  m('pir', 'Polyisocyanurate board', 'insulation', 0.025, 32, 1400, 0.4),
  m('mineral-wool', 'Mineral wool batt', 'insulation', 0.037, 30, 1030, 0.5),
  m('wood-fibre', 'Wood-fibre board', 'insulation', 0.045, 160, 2000, 0.6),
  m('straw', 'Straw bale', 'insulation', 0.065, 110, 2000, 0.6, 'straw-bale building tests, typical'),
  m('softwood', 'Softwood boards', 'timber and board', 0.13, 500, 1600, 0.6),
  m('plywood', 'Plywood', 'timber and board', 0.13, 500, 1600, 0.55),
  m('steel-sheet', 'Steel sheet', 'timber and board', 50, 7800, 450, 0.5),
  m('brick', 'Fired brick', 'masonry', 0.77, 1800, 1000, 0.65),
  m('concrete', 'Concrete', 'masonry', 1.65, 2200, 1000, 0.65),
  m('concrete-block', 'Concrete block, filled', 'masonry', 1.3, 2000, 1000, 0.65),
  m('stone', 'Stone, laid', 'masonry', 2.0, 2400, 1000, 0.65),
  m('rammed-earth', 'Rammed earth', 'masonry', 1.1, 1900, 1000, 0.7),
  m(
    'gabion',
    'Stone in wire cages',
    'masonry',
    0.9,
    1550,
    900,
    0.7,
    'stone with 35 % air; packed-bed conductivity, typical',
  ),
  m('soil', 'Moist garden soil', 'ground', 1.2, 1700, 1500, 0.8, 'ASHRAE Fundamentals, soils; moist loam'),
  m('gravel', 'Gravel', 'ground', 0.7, 1800, 900, 0.7),
  m('clay-soil', 'Clay or silt ground', 'ground', 1.5, 1800, 1670, 0.8, 'ISO 13370, clay or silt'),
  m('sandy-soil', 'Sand or gravel ground', 'ground', 2.0, 1900, 1050, 0.75, 'ISO 13370, sand or gravel'),
]

export const MATERIALS: readonly Material[] = ALL
/** Each has a price and says how it stands to damp. */
export type MaterialId = (typeof ALL)[number]['id']

/**
 * Water that freezes at 0 °C, kg/m³: what moist ground's heat capacity says of its water (mineral part 1.25 MJ/m³K),
 * less what clay binds. Farouki 1981.
 */
const WATER_KG_M3: Partial<Record<string, number>> = { 'soil': 270, 'clay-soil': 350, 'sandy-soil': 170 }

/** Heat that a material's water gives off as it freezes, J/m³; 0 for what is dry. */
export const fusionOf = (material: string): number => (WATER_KG_M3[material] ?? 0) * FUSION

const DAMP: Record<MaterialId, Dampness> = {
  'eps': { vapour: 60, unfit: '' },
  'xps': { vapour: 150, unfit: '' },
  'pir': { vapour: 150, unfit: '' },
  'mineral-wool': { vapour: 1, unfit: 'it soaks up the damp, sags and stops insulating' },
  'wood-fibre': { vapour: 5, unfit: 'it swells and moulds in wet air' },
  'straw': { vapour: 2, unfit: 'it rots once it is wet' },
  'softwood': { vapour: 50, unfit: '' },
  'plywood': { vapour: 90, unfit: '' },
  'steel-sheet': { vapour: 1e6, unfit: '' },
  'brick': { vapour: 12, unfit: '' },
  'concrete': { vapour: 90, unfit: '' },
  'concrete-block': { vapour: 60, unfit: '' },
  'stone': { vapour: 250, unfit: '' },
  'rammed-earth': { vapour: 12, unfit: '' },
  'gabion': { vapour: 1, unfit: '' },
  'soil': { vapour: 50, unfit: '' },
  'gravel': { vapour: 1, unfit: '' },
  'clay-soil': { vapour: 50, unfit: '' },
  'sandy-soil': { vapour: 50, unfit: '' },
}

/** How a material stands to damp; own materials are taken as middling and fit. */
export function dampness(id: string): Dampness {
  return (DAMP as Record<string, Dampness>)[id] ?? { vapour: 50, unfit: '' }
}
