import { cityMapping } from 'city-timezones'
import type { Place } from '../formats/coordinates'

const plain = (s: string) =>
  s
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()

const LIST = cityMapping.map(c => ({
  key: plain(c.city_ascii || c.city),
  people: c.pop,
  place: {
    name: c.city,
    region: c.province,
    country: c.country,
    latitudeDeg: Math.round(c.lat * 1e4) / 1e4,
    longitudeDeg: Math.round(c.lng * 1e4) / 1e4,
  } satisfies Place,
}))

/** Places whose names begin with a text, then those that hold it; larger ones first. */
export function findPlaces(text: string, most: number): Place[] {
  const wanted = plain(text)
  const rank = (key: string) => (key === wanted ? 0 : key.startsWith(wanted) ? 1 : key.includes(wanted) ? 2 : 3)
  return LIST.map(c => ({ ...c, rank: rank(c.key) }))
    .filter(c => c.rank < 3)
    .sort((a, b) => a.rank - b.rank || b.people - a.people)
    .slice(0, most)
    .map(c => c.place)
}
