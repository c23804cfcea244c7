import { WINTERS } from '../design/fields/aim'
import type { Design } from '../design/types'
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

/** Whether a climate is one measured winter, and no others are made from it. */
export const isOneWinter = ({ climate, varyMeasured }: Design['site']): boolean =>
  climate.kind === 'hourly' && !varyMeasured && !climate.others

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
