import { smoothDaily } from './monthly'
import { seasonsOf, type MadeDays } from './made-days'
import { normalDeviates, seededRandom } from './random'
import { DAYS, type Normals } from './types'

const { max, min } = Math

/** A cold snap, or a wave of heat: its days one after the other, and how far each goes towards the extreme, 0–1. */
interface Spell {
  days: number[]
  share: number[]
}

/** Days of a spell after its extreme: so far from the season's mean. */
const AFTER = [0.6, 0.3]
/**
 * What the other end of the day goes along with an extreme: on the coldest days of the records that the proofs read,
 * 0.4 to 1.35, 0.85 in the middle.
 */
const DAYS_FOLLOW = 0.85
/** Days of a quarter of the year. */
const QUARTER = 91

/**
 * Where an extreme of the year comes: at the end of a spell, on the day of the coldest quarter (sign 1) or the hottest
 * (−1) that was the most extreme by itself, under the sky that it had. Spells are the longer the more continental the
 * climate.
 */
function spellOf(values: Float64Array, season: Float64Array, seasonsK: number, sign: 1 | -1): Spell {
  const around = (d: number) => (d + DAYS) % DAYS
  const edge = season.map(t => sign * t).sort()[QUARTER]!
  let extreme = -1
  for (let d = 0; d < DAYS; d++)
    if (sign * season[d]! <= edge && (extreme < 0 || sign * values[d]! < sign * values[extreme]!)) extreme = d
  const before = Math.round(max(2, min(6, 2 + seasonsK / 10)))
  const days: number[] = []
  const share: number[] = []
  for (let k = before; k >= 0; k--) {
    days.push(around(extreme - k))
    share.push(k === 0 ? 1 : 0.9 - (0.5 * (k - 1)) / before)
  }
  AFTER.forEach((s, k) => {
    days.push(around(extreme + k + 1))
    share.push(s)
  })
  return { days, share }
}

/** Winters' coldest hours scatter round their mean by this, K, by the swing from its lowest normal to its highest. */
const winterSpread = (swingK: number) => 1.5 + 0.05 * swingK
/** No winter lies further from the mean than so many of those. */
const FURTHEST = 2
/** How far a winter's coldest hour goes with its coldest month; a short snap comes in mild winters too. */
const WITH_MONTH = 0.6

/**
 * The lowest air of one winter, °C: as it is given, or by the mean yearly low and that winter's luck. Without either,
 * what its days came to by themselves.
 * @param month departure of the winter's coldest month, in standard deviations; null for the months as they usually
 *   are: then a low that is given for this one year stands, otherwise winters scatter about it
 */
function lowestOfYear(normals: Normals, days: MadeDays, seed: number, month: number | null): number {
  const { designLowC, meanYearlyLowC } = normals
  if (month === null && designLowC !== undefined) return designLowC
  const mean = meanYearlyLowC ?? designLowC
  if (mean === undefined) return min(...days.low)
  const own = normalDeviates(seededRandom((seed ^ 0x5eed) >>> 0))()
  const luck = month === null ? own : WITH_MONTH * month + Math.sqrt(1 - WITH_MONTH ** 2) * own
  const swing = max(...normals.highC) - min(...normals.lowC)
  return min(mean + winterSpread(swing) * max(-FURTHEST, min(FURTHEST, luck)), min(...normals.lowC) - 1)
}

/** Lays a year's extremes into its days: each at the end of a spell, and no other day beyond it. */
export type LayExtremes = (days: MadeDays) => void

/** The extremes that a year must reach, laid where its days were the most extreme by themselves. */
export function extremesOf(days: MadeDays, normals: Normals, seed: number, month: number | null): LayExtremes {
  const meanLow = smoothDaily(normals.lowC)
  const meanHigh = smoothDaily(normals.highC)
  const { seasonsK } = seasonsOf(normals)
  const coldest = lowestOfYear(normals, days, seed, month)
  const { designHighC } = normals
  const hottest = designHighC === undefined ? undefined : max(designHighC, max(...normals.highC) + 1)
  const snap = spellOf(days.low, days.meanC, seasonsK, 1)
  const wave = hottest === undefined ? null : spellOf(days.high, days.meanC, seasonsK, -1)
  return ({ low, high }) => {
    for (let d = 0; d < DAYS; d++) low[d] = max(low[d]!, coldest + 0.4)
    snap.days.forEach((d, k) => {
      const falls = snap.share[k]! * (coldest - meanLow[d]!)
      low[d] = snap.share[k] === 1 ? coldest : max(coldest + 0.4, min(low[d]!, meanLow[d]! + falls))
      high[d] = min(high[d]!, meanHigh[d]! + DAYS_FOLLOW * falls)
    })
    if (wave) {
      for (let d = 0; d < DAYS; d++) high[d] = min(high[d]!, hottest! - 0.4)
      wave.days.forEach((d, k) => {
        const rises = wave.share[k]! * (hottest! - meanHigh[d]!)
        high[d] = wave.share[k] === 1 ? hottest! : min(hottest! - 0.4, max(high[d]!, meanHigh[d]! + rises))
        low[d] = max(low[d]!, meanLow[d]! + DAYS_FOLLOW * rises * 0.7)
      })
    }
  }
}
