import { kindOf } from '../bodies/registry'
import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY } from '../climate'
import type { Design } from '../design/types'
import { roomOf } from '../geometry/objects'
import type { Building } from '../geometry/surfaces'
import type { YearSeries } from '../network/series'
import type { Written } from './book'

/** Of the rain on a roof what reaches the tank: the rest wets the sheets, splashes and is let go first. DIN 1989-1. */
export const RUNS_OFF = 0.8

/** A week of water. */
export interface WaterWeek {
  /** First day of the year, 0-based. */
  day: number
  /** What the beds drink, what the roof brings, what the tank gives and lacks, L; and how full it is at the end. */
  drunkL: number
  rainL: number
  givenL: number
  lackingL: number
  tankL: number
  /** The drip lines run so long in a day, h. */
  dripHours: number
}

export interface WaterYear {
  weeks: WaterWeek[]
  drunkL: number
  rainL: number
  lackingL: number
  /** Runs over, L. */
  overL: number
  roofM2: number
  /** By month, L. */
  drunkByMonth: number[]
  rainByMonth: number[]
}

/** Roof as the rain sees it: the skin's outline from above, m². */
const roofOf = ({ surfaces }: Building): number =>
  surfaces
    .filter(s => s.kind !== 'floor' && s.boundary !== 'house' && !s.id.startsWith('opening') && s.tiltDeg < 85)
    .reduce((sum, s) => sum + s.areaM2 * Math.cos((s.tiltDeg * Math.PI) / 180), 0)

/** What the tanks that stand inside hold, L: rain can go into them, and then they are mass as far as they are full. */
export const tanksInsideL = ({ shape, store }: Pick<Design, 'shape' | 'store'>): number =>
  store.bodies
    .filter(b => b.kind === 'tank')
    .reduce((sum, b) => sum + 1000 * kindOf(b).waterM3(b, kindOf(b).box(b, roomOf(shape))), 0)

/** How full the rain tank is in the week of a day, 0–1. */
export const fullness = ({ weeks }: WaterYear, { tankL }: Written['water'], day: number): number =>
  tankL > 0 ? weeks[Math.min(weeks.length - 1, Math.floor(day / 7))]!.tankL / tankL : 0

const emptyYear = (roofM2: number): WaterYear => ({
  weeks: [],
  drunkL: 0,
  rainL: 0,
  lackingL: 0,
  overL: 0,
  roofM2,
  drunkByMonth: new Array<number>(12).fill(0),
  rainByMonth: new Array<number>(12).fill(0),
})
const emptyWeek = (day: number): WaterWeek => ({
  day,
  drunkL: 0,
  rainL: 0,
  givenL: 0,
  lackingL: 0,
  tankL: 0,
  dripHours: 0,
})

/**
 * The water of a house's year: what its beds give off has to be given back; rain falls evenly on the days of a month.
 * The tank goes round until its year ends as it began.
 */
export function waterYear(
  building: Building,
  { drunkKg }: Pick<YearSeries, 'drunkKg'>,
  water: Written['water'],
): WaterYear {
  const roofM2 = roofOf(building)
  const daily = new Float64Array(DAYS)
  for (let h = 0; h < HOURS; h++) daily[(h / 24) | 0]! += drunkKg[h]!
  const rain = Float64Array.from({ length: DAYS }, (_, d) => {
    const m = MONTH_OF_DAY[d]!
    return ((water.rainMm[m] ?? 0) / MONTH_DAYS[m]!) * roofM2 * RUNS_OFF
  })
  let level = water.tankL * water.startShare
  let out: WaterYear | null = null
  for (let turn = 0; turn < 2; turn++) {
    out = emptyYear(roofM2)
    for (let d = 0; d < DAYS; d++) {
      if (d % 7 === 0 && d < 364) out.weeks.push(emptyWeek(d))
      const week = out.weeks.at(-1)!
      const [drunk, fell] = [daily[d]!, rain[d]!]
      const over = Math.max(0, level + fell - water.tankL)
      level = Math.min(water.tankL, level + fell)
      const given = Math.min(level, drunk)
      level -= given
      week.drunkL += drunk
      week.rainL += fell
      week.givenL += given
      week.lackingL += drunk - given
      week.tankL = level
      out.drunkL += drunk
      out.rainL += fell
      out.lackingL += drunk - given
      out.overL += over
      out.drunkByMonth[MONTH_OF_DAY[d]!]! += drunk
      out.rainByMonth[MONTH_OF_DAY[d]!]! += fell
    }
    for (const w of out.weeks) w.dripHours = w.drunkL / 7 / water.dripLh
  }
  return out!
}
