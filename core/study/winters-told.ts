import type { Design } from '../design/types'
import type { Show } from '../units'
import { winterName, type WinterSpread } from './winter'

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
