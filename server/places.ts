import { cityMapping } from 'city-timezones'
import type { Place } from '../formats/coordinates'
import { findPlaces as findIn, type PackedPlace } from '../formats/places'

const round = (v: number) => Math.round(v * 1e3) / 1e3
const LIST = cityMapping
  .slice()
  .sort((a, b) => b.pop - a.pop)
  .map((c): PackedPlace => [c.city, c.province ?? '', c.country, round(c.lat), round(c.lng)])

/** Places of the list by name. */
export const findPlaces = (text: string, most: number): Place[] => findIn(LIST, text, most)
