import { aimLine } from '../aim/aim-line'
import { MONTH_OF_DAY } from '../climate/types'
import { WINTERS } from '../design/fields/aim'
import type { Design } from '../design/types'
import type { Show } from '../units'
import { COLDER, quantile, quantileRange } from './ensemble'

/** One winter of many: its coldest hour inside and outside, and how far that was above what lives there bears, K. */
export interface Winter {
  /** What it is called; those that were kept before winters had names have their seed for one. */
  name?: string
  seed: number
  insideC: number
  outsideC: number
  marginK: number | null
}

/** What winters of one climate come to for a house. */
export interface WinterSpread {
  count: number
  /** Too few for eight in ten of them. */
  isFew: boolean
  /** Between these lie the coldest nights of eight winters in ten, or of all where they are few, °C. */
  leastC: number
  mostC: number
  medianC: number
  /** Coldest night of the winter that the aim is meant for, °C, and between what it is sure, nine times in ten. */
  meantC: number
  meantRangeC: [low: number, high: number]
  /** By how much what lives there is kept in it, K; null where nothing lives there. */
  meantMarginK: number | null
  withFrost: number
  /** In so many of them what lives there is not kept. */
  missed: number
}

const FEW = 10

/** A winter by its coldest hour, against what lives there in that month. */
export function winterOf(
  aim: Design['aim'],
  { name, seed }: Pick<Winter, 'name' | 'seed'>,
  { hour, insideC, outsideC }: { hour: number; insideC: number; outsideC: number },
): Winter {
  const lowC = aimLine(aim).lowC[MONTH_OF_DAY[Math.floor(hour / 24)]!]!
  return { name, seed, insideC, outsideC, marginK: lowC === null ? null : insideC - lowC }
}

/** Sums winters up for the one that an aim is meant for; null where there are none. */
export function winterSpread(
  winters: readonly Winter[],
  { winter }: Pick<Design['aim'], 'winter'>,
): WinterSpread | null {
  if (winters.length === 0) return null
  const coldest = winters.map(w => w.insideC)
  const margins = winters.flatMap(w => (w.marginK === null ? [] : [w.marginK]))
  const share = COLDER[winter]
  const isFew = coldest.length < FEW
  return {
    count: coldest.length,
    isFew,
    leastC: quantile(coldest, isFew ? 0 : 0.1),
    mostC: quantile(coldest, isFew ? 1 : 0.9),
    medianC: quantile(coldest, 0.5),
    meantC: quantile(coldest, share),
    meantRangeC: quantileRange(coldest, share),
    meantMarginK: margins.length > 0 ? quantile(margins, share) : null,
    withFrost: coldest.filter(c => c < 0).length,
    missed: margins.filter(k => k < 0).length,
  }
}

/** What an aim is meant for, as the reader calls it. */
export const winterName = ({ winter }: Pick<Design['aim'], 'winter'>): string =>
  WINTERS.find(w => w.id === winter)!.name

/** How far winters differ, in sentences. */
export function wintersTold(spread: WinterSpread, aim: Pick<Design['aim'], 'winter'>, show: Show): string {
  const t = (c: number) => show(c, 'temperature')
  const { count, isFew, leastC, mostC, meantC, meantRangeC, withFrost, missed } = spread
  const among = isFew ? `in the ${count} measured ones` : `in eight of ten of ${count} winters`
  const [low, high] = meantRangeC
  const sure = Number.isFinite(low) && Number.isFinite(high) ? ` (sure between ${t(low)} and ${t(high)})` : ''
  const meant = aim.winter === 'usual' ? '' : ` ${winterName(aim)} is colder than ${t(meantC)}${sure}.`
  return (
    `Winters differ: ${among} the coldest night lies between ${t(leastC)} and ${t(mostC)}.` +
    meant.replace(/^ ./, c => c.toUpperCase()) +
    ` There is frost inside in ${withFrost} of ${count}; the aim is missed in ${missed}.`
  )
}
