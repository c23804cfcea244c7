import type { HourlyClimate, NormalsClimate } from '../design/types'

/** What a house may stand against, or be. A new one is an entry here and a shape in `house.ts`. */
export const AGAINST = [
  { id: 'free', name: 'By itself', about: 'glazed to the sun, its back insulated' },
  { id: 'house', name: 'Against a house', about: 'one wall is warm already' },
  { id: 'bank', name: 'Into a bank', about: 'the back stands in the earth' },
  { id: 'dome', name: 'A dome', about: 'bears wind and snow, glazed all round but to the pole' },
  { id: 'hoops', name: 'Under hoops', about: 'film over hoops: large, light, quick to build' },
] as const
export type Against = (typeof AGAINST)[number]['id']

/** What is to live in it: each some crops with the months in which they grow (g), hold (h) or are not there (.). */
export interface Life {
  id: string
  name: string
  when: string
  crops: readonly (readonly [crop: string, months: string])[]
}

export const LIVES: readonly Life[] = [
  {
    id: 'leaves',
    name: 'Hardy leaves',
    when: 'through the winter',
    crops: [
      ['spinach', 'hhggg...gggh'],
      ['lambs-lettuce', 'hhgg....gggh'],
      ['kale', 'hhggg..ggghh'],
    ],
  },
  {
    id: 'roots',
    name: 'Radishes, carrots, peas',
    when: 'early spring to late autumn',
    crops: [
      ['radish', '..gggg.gggg.'],
      ['carrot', '..gggggggg..'],
      ['pea', '..gggg......'],
    ],
  },
  {
    id: 'summer',
    name: 'Tomatoes, cucumbers',
    when: 'summer',
    crops: [
      ['tomato', '....ggggg...'],
      ['cucumber', '.....gggg...'],
    ],
  },
  {
    id: 'raising',
    name: 'Young plants to set out',
    when: 'spring',
    crops: [
      ['seedlings-cool', '..ggg.......'],
      ['seedlings-warm', '...gg.......'],
    ],
  },
  {
    id: 'citrus',
    name: 'Lemons, mandarins, figs',
    when: 'kept from frost all winter',
    crops: [
      ['lemon', 'hhhggggggghh'],
      ['fig', 'hhhggggggghh'],
    ],
  },
  {
    id: 'tropical',
    name: 'Bananas, papayas',
    when: 'warm all the year',
    crops: [
      ['banana', 'hhhggggggghh'],
      ['papaya', 'hhhggggggghh'],
    ],
  },
]

/** Sizes that can be begun with, m. */
export const LENGTHS_M = [1.8, 60] as const
export const WIDTHS_M = [1.6, 12] as const

/** What is there already. */
export interface AtHand {
  power: boolean
  water: boolean
  /** A pile of stone, brick or rubble. */
  stone: boolean
  /** Drums of 200 l. */
  drums: number
  /** Old windows, m² of glass. */
  windowsM2: number
}

/** What is asked of somebody who begins. */
export interface StartAnswers {
  place: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM: number
  timeZone: string
  climate: NormalsClimate | HourlyClimate
  against: Against
  /** Which way its glazing looks, degrees from true north, where a wall decides that; null: towards the equator. */
  facingDeg: number | null
  /** Inside, along and across; a dome is as wide as it is long. */
  lengthM: number
  widthM: number
  /** Ids of {@link LIVES}; none asks for a house that stays above freezing. */
  lives: readonly string[]
  atHand: AtHand
}
