import type { Quantity } from './units'
import figures from './measured-houses.json'

/** What has been published of real houses, as a range, and what the year says of one like them. */
export interface MeasuredHouse {
  id: keyof typeof figures
  house: string
  figure: string
  unit: string
  /** Where readers have units of their own for it; it is in the SI unit then. */
  quantity?: Quantity
  low: number
  high: number
  source: string
  /** What was said of it, or why the range is as wide as it is. */
  remark: string
}

/** Figures of measured houses that can be built here from what is told of them. */
export const MEASURED_HOUSES: readonly MeasuredHouse[] = [
  {
    id: 'glass',
    house: 'Glasshouse, single glass',
    figure: 'heat it takes, by its glass',
    unit: 'W/m²K',
    quantity: 'transmittance',
    low: 6,
    high: 8.8,
    source: 'ASABE EP406; von Zabeltitz 2011',
    remark: 'Wind, leaks and the sky move it by a third.',
  },
  {
    id: 'film',
    house: 'Film house, two sheets blown apart',
    figure: 'heat it takes, by its film',
    unit: 'W/m²K',
    quantity: 'transmittance',
    low: 3.5,
    high: 6,
    source: 'ASABE EP406; von Zabeltitz 2011',
    remark: 'Lower where drops stand on it, higher under a clear sky.',
  },
  {
    id: 'screen',
    house: 'Glasshouse with a thermal screen by night',
    figure: 'heat of a night that the screen saves',
    unit: '%',
    low: 30,
    high: 60,
    source: 'Bailey 1981, 1988',
    remark: 'Fitted with care 60; most lose a part of it at their edges.',
  },
  {
    id: 'still-night',
    house: 'Film tunnel without heat',
    figure: 'air over outside on clear still nights',
    unit: 'K',
    quantity: 'temperatureDifference',
    low: -1,
    high: 4,
    source: 'Wien 2009; Montero et al. 2005',
    remark: 'Dry film lets so much through that it can be colder inside.',
  },
  {
    id: 'noon',
    house: 'Any house shut in full sun',
    figure: 'air over outside at still noons',
    unit: 'K',
    quantity: 'temperatureDifference',
    low: 20,
    high: 35,
    source: 'Businger 1963; growers’ handbooks',
    remark: 'With dry soil at the upper end, with wet leaves at the lower.',
  },
  {
    id: 'walled',
    house: 'Lean arch with a thick back wall, film and a quilt, no heat',
    figure: 'air over outside on the coldest nights',
    unit: 'K',
    quantity: 'temperatureDifference',
    low: 15,
    high: 28,
    source: 'Tong et al. 2013; Beshada et al. 2006',
    remark: 'The wall and the ground give back what the day has stored.',
  },
  {
    id: 'row-cover',
    house: 'Fleece over beds in a cold house',
    figure: 'leaves under it over those beside, coldest night',
    unit: 'K',
    quantity: 'temperatureDifference',
    low: 1,
    high: 4,
    source: 'Wells & Loy 1985; trial stations',
    remark: 'One sheet, its edges weighted.',
  },
  {
    id: 'transpiration',
    house: 'Tomatoes in full leaf, sunny weeks of summer',
    figure: 'water that they take a day, by bed',
    unit: 'L/m²',
    low: 2.5,
    high: 6,
    source: 'Stanghellini 1987; Baille et al. 1994',
    remark: 'By light: about two thirds of the sun that reaches them.',
  },
  {
    id: 'light',
    house: 'Single glass on a frame, clean',
    figure: 'light at the beds over the light outside, summer',
    unit: '%',
    low: 55,
    high: 75,
    source: 'Critten & Bailey 2002',
    remark: 'Bars, gutters and low angles take the rest.',
  },
]

/** What the year says of each, to two digits. */
export const predicted = (id: MeasuredHouse['id']): number => Number(figures[id].toPrecision(2))

/** Where that lies beside what was measured. */
export function placeOf({ id, low, high }: MeasuredHouse): 'below' | 'within' | 'above' {
  const got = predicted(id)
  return got < low ? 'below' : got > high ? 'above' : 'within'
}
