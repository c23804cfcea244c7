import { CLIMATE_TYPES, climateMonths, entry, type ClimateType } from '../catalog'
import { distanceKm } from '../climate/place-climate'
import type { ClimatePlace, NormalsClimate } from '../design/types'
import type { KnownLow } from './known-low'

type Coordinates = Pick<ClimatePlace, 'latitudeDeg' | 'longitudeDeg'>

/** A part of the world with the kind of climate that is usual there, and how high its people usually live, m. */
type Seat = readonly [latitudeDeg: number, longitudeDeg: number, heightM: number, type: string]

/**
 * What is usual where, by broad stretches of land: coarse on purpose, and never more than an illustration. A valley, a
 * shore or a mountain differs by more than two neighbours in this list.
 */
const SEATS: readonly Seat[] = [
  // Europe
  [64, -20, 50, 'subarctic-coast'],
  [69, 18, 20, 'subarctic-coast'],
  [65, 13, 30, 'subarctic-coast'],
  [60.5, 5.5, 30, 'subarctic-coast'],
  [59.5, 10.5, 80, 'continental'],
  [62, 10, 350, 'boreal'],
  [64, 18, 150, 'boreal'],
  [67, 25, 200, 'boreal'],
  [62, 27, 100, 'boreal'],
  [59, 16, 40, 'continental'],
  [56, 13, 40, 'inland'],
  [58, 25, 40, 'continental'],
  [57.5, -4, 40, 'oceanic'],
  [53, -8, 60, 'oceanic'],
  [52, -2, 80, 'oceanic'],
  [52, 5, 5, 'oceanic'],
  [48, -2, 60, 'oceanic'],
  [53.5, 10, 20, 'inland'],
  [50.5, 9, 200, 'inland'],
  [48.5, 7, 200, 'inland'],
  [47, 2, 150, 'inland'],
  [51, 15, 200, 'inland'],
  [52, 20, 110, 'inland'],
  [47.3, 9, 500, 'inland'],
  [47.2, 13.5, 700, 'continental'],
  [48, 17, 200, 'inland'],
  [47, 21, 120, 'inland'],
  [50, 25, 280, 'continental'],
  [55, 28, 170, 'continental'],
  [55.5, 38, 160, 'continental'],
  [50, 36, 150, 'continental'],
  [46.5, 26, 350, 'continental'],
  [43.5, 25, 200, 'inland'],
  [44, 20, 200, 'inland'],
  [45.3, 10, 60, 'inland'],
  [44.5, 0, 80, 'oceanic'],
  [43, -7, 150, 'oceanic'],
  [43.5, 5, 60, 'mediterranean'],
  [40.5, -4, 650, 'steppe'],
  [38.5, -9, 50, 'mediterranean'],
  [37.5, -5, 60, 'mediterranean'],
  [41.5, 2, 60, 'mediterranean'],
  [41.5, 13, 60, 'mediterranean'],
  [38, 23.5, 80, 'mediterranean'],
  [43, 17, 60, 'mediterranean'],
  // Asia
  [39, 27.5, 80, 'mediterranean'],
  [39.5, 33, 950, 'steppe'],
  [39.5, 41, 1600, 'steppe'],
  [42, 44, 500, 'inland'],
  [32.5, 35.5, 200, 'mediterranean'],
  [35, 51, 1200, 'steppe'],
  [33, 44, 40, 'desert'],
  [25, 45, 500, 'desert'],
  [41, 65, 300, 'steppe'],
  [43, 76, 800, 'steppe'],
  [50, 70, 350, 'continental'],
  [57, 60, 250, 'continental'],
  [56, 85, 150, 'boreal'],
  [52, 104, 450, 'boreal'],
  [62, 130, 100, 'boreal'],
  [66, 65, 30, 'polar'],
  [70, 90, 30, 'polar'],
  [47, 107, 1300, 'boreal'],
  [36, 103, 1500, 'steppe'],
  [30, 91, 3600, 'steppe'],
  [34, 77, 3400, 'steppe'],
  [34, 70, 1500, 'steppe'],
  [28, 84, 1300, 'humid-subtropical'],
  [28, 77, 220, 'humid-subtropical'],
  [27, 71, 230, 'desert'],
  [19, 75, 500, 'tropical'],
  [12, 79, 60, 'tropical'],
  [23, 90, 20, 'tropical'],
  [14, 101, 30, 'tropical'],
  [1, 104, 20, 'tropical'],
  [-7, 110, 60, 'tropical'],
  [14, 121, 20, 'tropical'],
  [23, 113, 40, 'humid-subtropical'],
  [31, 118, 30, 'humid-subtropical'],
  [39, 116, 60, 'humid-continental'],
  [45, 126, 150, 'humid-continental'],
  [37.5, 127.5, 60, 'humid-continental'],
  [35.5, 138, 60, 'humid-subtropical'],
  [43, 142, 60, 'continental'],
  [53, 158, 40, 'subarctic-coast'],
  [44, 132, 60, 'humid-continental'],
  // Africa
  [35, -3, 100, 'mediterranean'],
  [36, 5, 300, 'mediterranean'],
  [36, 10, 60, 'mediterranean'],
  [25, 5, 400, 'desert'],
  [28, 31, 60, 'desert'],
  [16, 33, 400, 'desert'],
  [10, -5, 300, 'tropical'],
  [6, 3, 60, 'tropical'],
  [0, 20, 400, 'tropical'],
  [9, 39, 2300, 'warm-highland'],
  [-1, 36, 1700, 'warm-highland'],
  [-6, 37, 200, 'tropical'],
  [-17, 30, 1300, 'warm-highland'],
  [-26, 28, 1500, 'warm-highland'],
  [-22, 17, 1500, 'desert'],
  [-30, 30, 200, 'humid-subtropical'],
  [-33.5, 19, 100, 'mediterranean'],
  [-19, 47, 1250, 'warm-highland'],
  // North America
  [61, -150, 40, 'boreal'],
  [65, -147, 150, 'boreal'],
  [70, -150, 10, 'polar'],
  [57, -134, 20, 'subarctic-coast'],
  [62, -114, 200, 'boreal'],
  [68, -95, 30, 'polar'],
  [64, -51, 20, 'polar'],
  [60, -135, 700, 'boreal'],
  [53, -114, 670, 'boreal'],
  [51, -106, 500, 'boreal'],
  [50, -97, 240, 'boreal'],
  [48.5, -89, 200, 'boreal'],
  [53, -78, 100, 'boreal'],
  [48, -72, 120, 'boreal'],
  [46, -72, 60, 'humid-continental'],
  [45, -64, 40, 'continental'],
  [47.5, -53, 80, 'continental'],
  [43.5, -80, 200, 'humid-continental'],
  [48.5, -123, 30, 'oceanic'],
  [46, -123, 50, 'oceanic'],
  [47, -119, 400, 'steppe'],
  [44, -116, 900, 'steppe'],
  [46.5, -111, 1100, 'steppe'],
  [51, -120, 500, 'continental'],
  [40.5, -111.5, 1350, 'steppe'],
  [39.5, -119, 1350, 'steppe'],
  [39.5, -105.5, 1900, 'steppe'],
  [36, -106, 1900, 'steppe'],
  [42, -105, 1600, 'steppe'],
  [46, -99, 500, 'humid-continental'],
  [44, -93, 280, 'humid-continental'],
  [41, -96, 300, 'humid-continental'],
  [40, -89, 200, 'humid-continental'],
  [42, -84, 230, 'humid-continental'],
  [40.5, -80, 300, 'humid-continental'],
  [43, -72, 150, 'humid-continental'],
  [40.5, -75, 60, 'humid-continental'],
  [37.5, -78, 100, 'humid-subtropical'],
  [36, -86, 180, 'humid-subtropical'],
  [33, -84, 200, 'humid-subtropical'],
  [35.5, -97, 350, 'humid-subtropical'],
  [31, -91, 40, 'humid-subtropical'],
  [31, -98, 200, 'humid-subtropical'],
  [28, -81.5, 20, 'humid-subtropical'],
  [38, -122, 50, 'mediterranean'],
  [34, -118, 80, 'mediterranean'],
  [33.5, -112, 350, 'desert'],
  [29, -110, 250, 'desert'],
  [28, -105, 1400, 'steppe'],
  [20, -100, 2000, 'warm-highland'],
  [19, -96, 60, 'tropical'],
  [15, -90.5, 1500, 'warm-highland'],
  [10, -84, 600, 'tropical'],
  [20, -77, 60, 'tropical'],
  // South America
  [5, -74, 2400, 'warm-highland'],
  [-1, -78.5, 2700, 'warm-highland'],
  [8, -66, 150, 'tropical'],
  [-3, -60, 60, 'tropical'],
  [-9, -38, 300, 'tropical'],
  [-20, -44, 850, 'warm-highland'],
  [-12, -77, 100, 'desert'],
  [-14, -72, 3300, 'warm-highland'],
  [-17, -67, 3800, 'steppe'],
  [-24, -69, 1000, 'desert'],
  [-24, -47, 600, 'humid-subtropical'],
  [-30, -53, 150, 'humid-subtropical'],
  [-34.5, -59, 30, 'humid-subtropical'],
  [-32, -65, 500, 'humid-subtropical'],
  [-33, -70.5, 500, 'mediterranean'],
  [-40, -73, 80, 'oceanic'],
  [-40, -68, 300, 'steppe'],
  [-46, -70, 400, 'steppe'],
  [-52, -70, 60, 'subarctic-coast'],
  // Oceania
  [-12, 131, 30, 'tropical'],
  [-24, 134, 500, 'desert'],
  [-32, 116, 60, 'mediterranean'],
  [-35, 139, 80, 'mediterranean'],
  [-27, 152, 80, 'humid-subtropical'],
  [-33.5, 151, 60, 'humid-subtropical'],
  [-37.5, 145, 80, 'oceanic'],
  [-35.5, 149, 650, 'inland'],
  [-42, 147, 60, 'oceanic'],
  [-37, 175, 60, 'oceanic'],
  [-44, 171, 150, 'oceanic'],
  [-6, 145, 500, 'tropical'],
  [21, -158, 60, 'tropical'],
]

/** Air is so much colder for each metre up, K. Usual mean over the year, less than in the free air. */
const LAPSE_K_PER_M = 0.0055
/** No place is said to be more than this colder or warmer than what is usual about it, K. */
const MOST_SHIFT_K = 12
/** A place so much further away is as unlikely as one whose winters differ by so much. */
const KM_AS_ONE = 400
const K_AS_ONE = 3
/** Figures that nobody counts on more finely, °C. */
const rounded = (v: number) => Math.round(v * 10) / 10

/** An illustrative climate as it might be at a place. */
export interface LikelyClimate {
  type: ClimateType
  /** Months as they fall there. */
  climate: NormalsClimate
  /** A place where it is usual, and how high people about there live, m. */
  seat: { latitudeDeg: number; longitudeDeg: number }
  heightM: number
  /** How much warmer than its type it was made for the height of the place, K. */
  shiftK: number
  /** And how much warmer its winter, for what somebody knows of that, K. */
  winterShiftK: number
}

/** The coldest hour that a winter of some months usually brings, °C: colder the wider the year swings. */
export function usualYearlyLowC({ lowC, highC }: Pick<NormalsClimate, 'lowC' | 'highC'>): number {
  const swing = Math.max(...highC) - Math.min(...lowC)
  return Math.min(...lowC) - 2.2 * (1.4 + 0.0825 * swing)
}

/** A seat's climate as it would be at a place, and how unlikely it is there. */
function climateOf(
  [latitudeDeg, longitudeDeg, usualM, id]: Seat,
  place: Coordinates,
  heightM: number | null,
  known: KnownLow | null,
): LikelyClimate & { far: number } {
  const type = entry(CLIMATE_TYPES, id)
  const shift = heightM === null ? 0 : LAPSE_K_PER_M * (usualM - heightM)
  const shiftK = rounded(Math.max(-MOST_SHIFT_K, Math.min(MOST_SHIFT_K, shift)))
  const months = climateMonths(type, place.latitudeDeg)
  const shifted = (byMonth: readonly number[]) => byMonth.map(v => v + shiftK)
  const usual = { lowC: shifted(months.lowC), highC: shifted(months.highC) }
  const off = known ? lowOf(known) - usualYearlyLowC(usual) : 0
  const winterShiftK = rounded(Math.sign(off) * Math.min(MOST_WINTER_K, Math.max(0, Math.abs(off) - BY_LUCK_K)))
  const { lowC, highC } = withWinter(usual, winterShiftK)
  return {
    type,
    climate: { kind: 'normals', illustrative: type.name, ...months, lowC, highC, ...extreme(known, lowC) },
    seat: { latitudeDeg, longitudeDeg },
    heightM: usualM,
    shiftK,
    winterShiftK,
    far: distanceKm({ latitudeDeg, longitudeDeg }, place) / KM_AS_ONE + Math.abs(off) / K_AS_ONE,
  }
}

/**
 * The illustrative climates that a place might have, the likeliest first: of the stretches of land about it, and with
 * winters as cold as somebody who lives there knows them to be. Each type stands once.
 * @param heightM of the place above the sea; null where it is not known: as is usual about there
 * @param known a figure of its winters; null for none
 */
export function likelyClimates(
  place: Coordinates,
  heightM: number | null = null,
  known: KnownLow | null = null,
  most = 3,
): LikelyClimate[] {
  const rows = SEATS.map(seat => climateOf(seat, place, heightM, known)).sort((a, b) => a.far - b.far)
  const out: LikelyClimate[] = []
  for (const row of rows) if (out.length < most && !out.some(o => o.type === row.type)) out.push(row)
  return out
}

/** One type of climate, as it would be at a place, or where it is usual. Throws RangeError for an unknown type. */
export function climateLike(
  id: string,
  place: Coordinates | null,
  heightM: number | null = null,
  known: KnownLow | null = null,
): LikelyClimate {
  const seats = SEATS.filter(seat => seat[3] === id)
  if (seats.length === 0) throw new RangeError(`There is no climate “${id}”.`)
  const [first] = seats as [Seat, ...Seat[]]
  const rows = seats.map(seat =>
    climateOf(seat, place ?? { latitudeDeg: first[0], longitudeDeg: first[1] }, heightM, known),
  )
  return rows.reduce((best, row) => (row.far < best.far ? row : best))
}

/** What most winters bring, by a figure that somebody knows, °C. */
const lowOf = (known: KnownLow) => known.meanYearlyLowC ?? known.designLowC + RECORD_BELOW_K
/** A record is usually so much colder than what most winters bring, K. */
const RECORD_BELOW_K = 6

/** A figure of winters that differs by so much from what a climate usually brings leaves its months alone, K. */
const BY_LUCK_K = 4

/** Nobody knows a winter so different from its neighbours', K. */
const MOST_WINTER_K = 15

/** Lows and highs with another winter: the colder a month, the more of it. */
export function withWinter(
  { lowC, highC }: Pick<NormalsClimate, 'lowC' | 'highC'>,
  byK: number,
): Pick<NormalsClimate, 'lowC' | 'highC'> {
  const mean = lowC.map((low, m) => (low + highC[m]!) / 2)
  const [coldest, warmest] = [Math.min(...mean), Math.max(...mean)]
  const more = mean.map(v => (byK * (warmest - v)) / Math.max(1, warmest - coldest))
  return { lowC: lowC.map((v, m) => rounded(v + more[m]!)), highC: highC.map((v, m) => rounded(v + more[m]!)) }
}

/**
 * A known figure as a climate takes it: below its coldest month, and not without end. A record stands for the year that
 * is worked out, and other winters scatter about what most of them bring.
 */
function extreme(known: KnownLow | null, lowC: readonly number[]): Partial<NormalsClimate> {
  if (!known) return {}
  const coldest = Math.min(...lowC)
  const within = (v: number) => rounded(Math.max(coldest - 39.9, Math.min(v, coldest - 1.1)))
  const meanYearlyLowC = within(lowOf(known))
  return known.designLowC === undefined ? { meanYearlyLowC } : { designLowC: within(known.designLowC), meanYearlyLowC }
}
