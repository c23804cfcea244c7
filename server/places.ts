import { cityMapping } from 'city-timezones'
import type { Place } from '../formats/coordinates'
import { findPlaces as findIn, packPlaces } from '../formats/places'

const LIST = packPlaces(cityMapping)

/** Places of the list by name. */
export const findPlaces = (text: string, most: number): Place[] => findIn(LIST, text, most)
