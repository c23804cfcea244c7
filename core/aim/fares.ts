import { nightsIn } from '../climate/calendar'
import { HOURS, MONTH_NAMES, MONTH_OF_DAY } from '../climate/types'
import type { Design } from '../design/types'
import type { YearSeries } from '../network/series'
import { listed } from '../text/listed'
import type { Show } from '../units'
import { needsOf, type AimLine } from './aim-line'

/** A month in which the air is colder than it had to be. */
export interface AimMiss {
  month: number
  /** What its air had to be, °C, and by how much the coldest of its hours falls short, K. */
  aimC: number
  shortK: number
  hours: number
  nights: number
  /** Crops that are to stand in it: those whose leaves come through its coldest hour, and those that do not. */
  bear: string[]
  die: string[]
}

/** How the air of a year keeps to what was asked of it. */
export interface AimFare {
  /** The hour that comes nearest to missing it, or misses it most: air less what it had to be, K. */
  tightest: { marginK: number; aimC: number; hour: number } | null
  /** The coldest night against what its own month asks; null where that is nothing. */
  coldestNight: { aimC: number; marginK: number } | null
  /** The month that falls furthest short; null where all are kept. */
  worstMonth: AimMiss | null
  hoursBelow: number
  hoursAbove: number
}

/**
 * Holds a year's air against a line of what was asked, month by month.
 * @param coldestHour of the year, 0–8759
 */
export function aimFare(
  { aim }: Pick<Design, 'aim'>,
  { lowC, highC }: AimLine,
  { airC, leafC }: Pick<YearSeries, 'airC' | 'leafC'>,
  coldestHour: number,
): AimFare {
  let tightest: AimFare['tightest'] = null
  let hoursBelow = 0
  let hoursAbove = 0
  for (let h = 0; h < HOURS; h++) {
    const month = monthOf(h)
    const low = lowC[month]!
    const high = highC[month]!
    if (high !== null && airC[h]! > high) hoursAbove++
    if (low === null) continue
    const marginK = airC[h]! - low
    if (marginK < 0) hoursBelow++
    if (!tightest || marginK < tightest.marginK) tightest = { marginK, aimC: low, hour: h }
  }
  const own = lowC[monthOf(coldestHour)]!
  return {
    tightest,
    coldestNight: own === null ? null : { aimC: own, marginK: airC[coldestHour]! - own },
    worstMonth: tightest && tightest.marginK < 0 ? missOf(aim, tightest, airC, leafC) : null,
    hoursBelow,
    hoursAbove,
  }
}

const monthOf = (hour: number): number => MONTH_OF_DAY[Math.floor(hour / 24)]!

function missOf(
  { crops }: Design['aim'],
  { marginK, aimC, hour }: NonNullable<AimFare['tightest']>,
  airC: Float32Array,
  leafC: Float32Array,
): AimMiss {
  const month = monthOf(hour)
  const below: number[] = []
  let leafMinC = Infinity
  for (let h = 0; h < HOURS; h++) {
    if (monthOf(h) !== month) continue
    if (airC[h]! < aimC) below.push(h)
    leafMinC = Math.min(leafMinC, leafC[h]!)
  }
  const standing = crops.filter(c => c.months[month] !== '').map(needsOf)
  const bears = ({ survivesC }: { survivesC: number }) => leafMinC >= survivesC
  return {
    month,
    aimC,
    shortK: -marginK,
    hours: below.length,
    nights: nightsIn(below),
    bear: standing.filter(bears).map(c => c.name),
    die: standing.filter(c => !bears(c)).map(c => c.name),
  }
}

/** How a year keeps to what was asked of its coldest night, and the month that misses most, as sentences. */
export function aimTold(
  { coldestNight, worstMonth }: Pick<AimFare, 'coldestNight' | 'worstMonth'>,
  show: Show,
): string {
  const said = worstMonth ? [missTold(worstMonth, show)] : []
  if (coldestNight) {
    const { aimC, marginK } = coldestNight
    said.unshift(
      `Aim ${show(aimC, 'temperature')}: ${marginK >= 0 ? 'kept' : 'missed'} by ` +
        `${show(Math.abs(marginK), 'temperatureDifference')}.`,
    )
  }
  return said.join(' ')
}

/** “October: 1.2 K short on 9 nights; spinach bears it, tomato does not.” */
export function missTold({ month, shortK, nights, bear, die }: AimMiss, show: Show): string {
  const short = `${show(shortK, 'temperatureDifference')} short on ${nights === 1 ? 'a night' : `${nights} nights`}`
  const is = (names: readonly string[], one: string, more: string) =>
    names.length === 0 ? [] : [`${listed(names.map(small), MOST_NAMED)} ${names.length === 1 ? one : more}`]
  const crops = [
    ...is(bear, 'bears it', 'bear it'),
    ...(bear.length > 0 ? is(die, 'does not', 'do not') : is(die, 'does not bear it', 'do not bear it')),
  ]
  return `${MONTH_NAMES[month]}: ${short}${crops.length > 0 ? `; ${crops.join(', ')}` : ''}.`
}

/** So many crops are named. */
const MOST_NAMED = 3
const small = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)
