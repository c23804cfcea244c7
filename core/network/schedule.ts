import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY, MONTH_START, yearStartUtc, type SiteYear } from '../climate'
import { sunDay } from '../sun'
import type { Cover } from '../design/types'
import type { PaneCover } from '../geometry/surfaces'
import { winterDays } from '../openings/winter'
import { clockShare } from '../people/clock'
import { hoursFor, type People } from '../people/presence'

/** A cover that shades is drawn in sun brighter than this, W/m². */
const BRIGHT_WM2 = 300
/** Who leaves for longer than this leaves the cover open, h. */
const LONG_AWAY_H = 24

/** Whether an hour's light decides if a cover is drawn, in place of a schedule. */
export const goesByGain = (cover: PaneCover): boolean => !cover.boards && cover.id !== 'none' && cover.rule === 'gain'

/** Hours, 1 each of 8760, in which somebody or something can move a cover that goes by gain. */
export const movable = (cover: PaneCover, people: People): Uint8Array =>
  cover.moved === 'motor' ? new Uint8Array(HOURS).fill(1) : hoursAt(cover, people)

/** Hours in which somebody is there to move a cover by hand. */
const hoursAt = ({ days, thereFromH, thereUntilH }: Cover, people: People): Uint8Array =>
  hoursFor({ days, fromH: thereFromH, untilH: thereUntilH }, people)

/**
 * Share of each hour that a cover is drawn, 0–1: as its rule has it, as shade on hot days where it is that too, and by
 * hand where nobody is there to move it but at times.
 */
export function coverDrawn(site: SiteYear, cover: PaneCover, people: People): Float32Array {
  if (cover.boards) {
    const days = winterDays(cover.boards, site.dryBulbC)
    return Float32Array.from({ length: HOURS }, (_, h) => days[Math.floor(h / 24)]!)
  }
  if (cover.id === 'none') return new Float32Array(HOURS)
  const nights = drawnByRule(site, cover)
  if (cover.moved === 'motor') return cover.shades ? withShade(site, cover, nights) : nights
  for (let h = 0; h < HOURS; h++) if (isForgotten(cover.forgotten, h)) nights[h] = 0
  // By gain the loop moves it, while somebody is there.
  if (cover.rule === 'gain') return cover.shades ? withShade(site, cover, nights) : nights
  const wanted = cover.shades ? withShade(site, cover, nights) : nights
  return movedByHand(hoursAt(cover, people), nights, wanted, cover.leaving)
}

/**
 * By its rule, in hours colder than its limit. By the sun: from `afterSunsetH` after sunset to `afterSunriseH` after
 * sunrise (where the sun does not rise it stays drawn; where it does not set it stays open). By the clock: from `fromH`
 * until `untilH`. By cold: whenever it is dark, or lit less than 30 W/m². By gain: it may be drawn in any hour; the
 * loop sees whether it is worth it.
 */
function drawnByRule(site: SiteYear, cover: Cover): Float32Array {
  const drawn = new Float32Array(HOURS)
  const start = yearStartUtc(site.standardOffsetH)
  for (let d = 0; d < DAYS; d++) {
    const open = cover.rule === 'sun' ? sunHours(site, start + d * 86400000, cover) : null
    for (let k = 0; k < 24; k++) {
      const h = d * 24 + k
      if (site.dryBulbC[h]! >= cover.onlyBelowC) continue
      if (cover.rule === 'gain') drawn[h] = 1
      else if (open) drawn[h] = 1 - Math.min(1, Math.max(0, Math.min(k + 1, open[1]) - Math.max(k, open[0])))
      else
        drawn[h] = cover.rule === 'clock' ? clockShare(k, cover.fromH, cover.untilH) : site.globalWm2[h]! < 30 ? 1 : 0
    }
  }
  return drawn
}

function sunHours(site: SiteYear, midnight: number, cover: Cover): [number, number] {
  const sun = sunDay(midnight + 43200000, site.latitudeDeg, site.longitudeDeg)
  if (sun.sunriseUtc === null || sun.sunsetUtc === null) return sun.dayLengthH > 0 ? [0, 24] : [0, 0]
  return [
    (sun.sunriseUtc - midnight) / 3600000 + cover.afterSunriseH,
    (sun.sunsetUtc - midnight) / 3600000 + cover.afterSunsetH,
  ]
}

const withShade = (site: SiteYear, cover: Cover, nights: Float32Array): Float32Array =>
  nights.map((w, h) => (site.dryBulbC[h]! > cover.shadeAboveC && site.globalWm2[h]! > BRIGHT_WM2 ? 1 : w))

/** Whether an hour is of a night on which the cover is forgotten: so many a month, spread evenly over it. */
function isForgotten(aMonth: number, hour: number): boolean {
  const day = Math.floor((hour + HOURS - 12) / 24) % DAYS
  const month = MONTH_OF_DAY[day]!
  const date = day - MONTH_START[month]!
  const per = aMonth / MONTH_DAYS[month]!
  return Math.floor((date + 1) * per) > Math.floor(date * per)
}

/**
 * By hand. While somebody is there the cover goes as it is wanted; who leaves sets it for as long as nobody is there,
 * unless that is long; in between it stays as it was left.
 */
function movedByHand(
  there: Uint8Array,
  nights: Float32Array,
  wanted: Float32Array,
  leaving: Cover['leaving'],
): Float32Array {
  const drawn = new Float32Array(HOURS)
  let left = 0
  // The new year begins as the old one was left.
  for (let h = -HOURS; h < HOURS; h++) {
    const now = (h + HOURS) % HOURS
    if (there[now] && there[(now + 1) % HOURS]) left = wanted[now]!
    else if (there[now]) left = leftDrawn(there, nights, now, leaving) ? 1 : 0
    drawn[now] = left
  }
  return drawn
}

/**
 * Whether who leaves leaves it drawn. In the light: for a night that is longer than what is left of the day. In the
 * dark: for the rest of the night, but towards its end as they choose, where light comes before somebody does.
 */
function leftDrawn(there: Uint8Array, nights: Float32Array, from: number, leaving: Cover['leaving']): boolean {
  const dark = (h: number) => nights[(h + HOURS) % HOURS]! > 0.5
  let next = 1
  while (next <= LONG_AWAY_H && there[(from + next) % HOURS] === 0) next++
  if (next > LONG_AWAY_H) return false
  /** Hours until somebody comes, as long as it stays dark or light. */
  const stretch = (isDark: boolean, at: number) => {
    let k = at
    while (k < next && dark(from + k) === isDark) k++
    return k - at
  }
  if (next === 1) return dark(from)
  const lightH = stretch(false, 1)
  if (lightH > 0) return stretch(true, 1 + lightH) > lightH
  const darkH = stretch(true, 1)
  if (1 + darkH === next) return true
  let behindH = 0
  while (behindH < LONG_AWAY_H && dark(from - behindH)) behindH++
  return darkH >= behindH || leaving === 'keeps'
}

/**
 * By hour in which somebody leaves, the lowest air outside before the next one comes, °C; infinite for who stays. Who
 * leaves for longer than a day sees no further than its end, or, where that is so, does nothing for it: infinite.
 */
export function lowestWhileAway(
  there: Uint8Array,
  outsideC: ArrayLike<number>,
  forLonger: 'nothing' | 'as far as a day' = 'nothing',
): Float32Array {
  const out = new Float32Array(HOURS).fill(Infinity)
  for (let h = 0; h < HOURS; h++) {
    if (!there[h]) continue
    let low = Infinity
    let k = 1
    while (k <= LONG_AWAY_H && there[(h + k) % HOURS] === 0) low = Math.min(low, outsideC[(h + k++) % HOURS]!)
    if (k <= LONG_AWAY_H || forLonger === 'as far as a day') out[h] = low
  }
  return out
}
