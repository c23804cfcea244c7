import { nameIn, type Show } from '../units'

/** A container of water that stands on the floor. */
export interface Vessel {
  id: string
  name: string
  /** Water in it, m³, with headspace for ice left free. */
  volumeM3: number
  diameterM: number
  heightM: number
  /** Money each, used: a rough price to compare by. */
  price: number
  source: string
}

export const VESSELS: readonly Vessel[] = [
  {
    id: 'barrel-200',
    name: 'Barrel',
    volumeM3: 0.2,
    diameterM: 0.58,
    heightM: 0.88,
    price: 25,
    source: 'common steel and plastic barrels',
  },
  {
    id: 'barrel-120',
    name: 'Barrel',
    volumeM3: 0.12,
    diameterM: 0.49,
    heightM: 0.79,
    price: 20,
    source: 'common plastic barrels',
  },
  {
    id: 'jug-20',
    name: 'Can',
    volumeM3: 0.019,
    diameterM: 0.27,
    heightM: 0.4,
    price: 4,
    source: 'common plastic cans',
  },
  {
    id: 'bottle-2',
    name: 'Bottle',
    volumeM3: 0.0019,
    diameterM: 0.11,
    heightM: 0.3,
    price: 0.1,
    source: 'common plastic bottles',
  },
]

/** A vessel as it is sold. */
export const vesselName = ({ name, volumeM3 }: Pick<Vessel, 'name' | 'volumeM3'>): string =>
  `${name}, ${Math.round(volumeM3 * 1000)} L`

/** Its name inside a sentence, in a reader's units. */
export const vesselOf = (vessel: Vessel, show: Show): string =>
  nameIn(vesselName(vessel).replace(', ', ' of ').toLowerCase().replace(/l$/, 'L'), show)

/** Colours a vessel may have, with the share of sunlight each takes in. */
export const COLOURS = [
  { id: 'black', name: 'black', solarAbsorptance: 0.94 },
  { id: 'dark-red', name: 'dark red', solarAbsorptance: 0.82 },
  { id: 'blue', name: 'blue', solarAbsorptance: 0.75 },
  { id: 'white', name: 'white', solarAbsorptance: 0.3 },
] as const
