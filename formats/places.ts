import type { Place } from './coordinates'

/** A place of the list as its file holds it, the larger ones first. */
export type PackedPlace = readonly [
  name: string,
  region: string,
  country: string,
  latitudeDeg: number,
  longitudeDeg: number,
]

/** A place of the package that has the list. */
export interface ListedPlace {
  city: string
  province?: string
  country: string
  lat: number
  lng: number
  pop: number
}

const thousandths = (v: number) => Math.round(v * 1e3) / 1e3
/** The list as its file holds it. */
export const packPlaces = (listed: readonly ListedPlace[]): PackedPlace[] =>
  [...listed]
    .sort((a, b) => b.pop - a.pop)
    .map(c => [c.city, c.province ?? '', c.country, thousandths(c.lat), thousandths(c.lng)])

const plain = (s: string) =>
  s
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()

/**
 * Places whose names begin with a text, then those that hold it; larger ones first. Accents and capitals don't matter,
 * and what follows a comma narrows it down by region or country.
 */
export function findPlaces(list: readonly PackedPlace[], text: string, most: number): Place[] {
  const [wanted = '', ...within] = text.split(',').map(part => plain(part.trim()))
  const rank = (name: string) => (name === wanted ? 0 : name.startsWith(wanted) ? 1 : name.includes(wanted) ? 2 : 3)
  const lies = (p: PackedPlace) => within.every(w => plain(p[1]).includes(w) || plain(p[2]).includes(w))
  return list
    .map((place, order) => ({ place, order, rank: rank(plain(place[0])) }))
    .filter(c => c.rank < 3 && lies(c.place))
    .sort((a, b) => a.rank - b.rank || a.order - b.order)
    .slice(0, most)
    .map(({ place: [name, region, country, latitudeDeg, longitudeDeg] }) => ({
      name,
      region,
      country,
      latitudeDeg,
      longitudeDeg,
    }))
}
