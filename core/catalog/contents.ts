import { WATER_SPECIFIC_HEAT } from '../physics/constants'

/** What vessels and tanks may be filled with. */
export interface Contents {
  id: string
  name: string
  /** kg/m³ */
  density: number
  /** J/kg·K */
  specificHeat: number
  /** W/m·K of what lies still; 0 for a liquid, which stirs itself. */
  conductivity: number
  /** Whether it is water that freezes at 0 °C; what keeps liquid longer is reckoned as never freezing. */
  freezes: boolean
  source: string
}

const GRAIN = 'ISO 10456, bulk material'
export const CONTENTS: readonly Contents[] = [
  {
    id: 'water',
    name: 'Water',
    density: 1000,
    specificHeat: WATER_SPECIFIC_HEAT,
    conductivity: 0,
    freezes: true,
    source: 'by definition',
  },
  {
    id: 'brine',
    name: 'Salt water, 20 %',
    density: 1150,
    specificHeat: 3400,
    conductivity: 0,
    freezes: false,
    source: 'sodium chloride solution, freezes at −16 °C',
  },
  {
    id: 'antifreeze',
    name: 'Water with a third of glycol',
    density: 1030,
    specificHeat: 3850,
    conductivity: 0,
    freezes: false,
    source: 'propylene glycol solution, freezes at −14 °C',
  },
  { id: 'sand', name: 'Dry sand', density: 1600, specificHeat: 800, conductivity: 0.4, freezes: false, source: GRAIN },
  {
    id: 'gravel',
    name: 'Gravel or rubble',
    density: 1700,
    specificHeat: 850,
    conductivity: 0.7,
    freezes: false,
    source: GRAIN,
  },
]
