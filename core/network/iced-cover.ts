import { AIR_PER_HEAT, outsideFilm, radiativeFilm, VAPOUR_PER_HEAT } from '../air/films'
import { HOURS, humidityRatio, saturationPressurePa, type SiteYear } from '../climate'

const { max, min } = Math

/** Of a blanket's outer face: longwave, and the share of sun that it takes up. */
const EMISSIVITY = 0.9
const TAKES_UP = 0.5
/** Lit more than this, it is on its way up or rolled, and gathers nothing, W/m². */
const DARK_WM2 = 30
/** Snow that falls on it while it lies, kg/m², of which the rest slides; it deepens by so much outside then, m. */
const SNOW_STAYS = 0.6
const SNOWS_M = 0.005
/** From this much of it on, frozen, it holds the cover, kg/m²: a heavy hoar (Monteith & Unsworth: 0.1 to 0.4). */
const HOLDS_FAST = 0.1

/** What lies on a cover outside the panes, by hour. */
export interface IcedCover {
  /** Water, frost and snow on it, kg/m². */
  waterKgM2: Float32Array
  /** 1 where that is frozen to it and to what it lies on. */
  fast: Uint8Array
}

/**
 * Frost and snow on a cover that lies outside the panes at night. Its outer face stands between the air and the sky
 * that it shines at, little warmed from beneath; vapour settles on it, or leaves it, by the Lewis number, whenever the
 * air outside holds more, or less, than it can at that face. What freezes there holds the cover until it has thawed or
 * gone.
 * @param most what its cloth can hold, kg/m²
 */
export function icedCover(
  site: Pick<SiteYear, 'dryBulbC' | 'skyC' | 'windMs' | 'globalWm2' | 'humidityRatio' | 'pressurePa' | 'snowM'>,
  most: number,
): IcedCover {
  const waterKgM2 = new Float32Array(HOURS)
  const fast = new Uint8Array(HOURS)
  let kg = 0
  // The new year begins as the old one ended.
  for (let n = -24 * 7; n < HOURS; n++) {
    const h = (n + HOURS) % HOURS
    const airC = site.dryBulbC[h]!
    const toAir = outsideFilm(site.windMs[h]!)
    const toSky = radiativeFilm((airC + site.skyC[h]!) / 2, EMISSIVITY)
    const sunK = (TAKES_UP * site.globalWm2[h]!) / (toAir + toSky)
    const faceC = (toAir * airC + toSky * site.skyC[h]!) / (toAir + toSky) + sunK
    const full = humidityRatio(saturationPressurePa(faceC), site.pressurePa[h]!)
    const settles = 3600 * VAPOUR_PER_HEAT * AIR_PER_HEAT * toAir * (site.humidityRatio[h]! - full)
    if (settles < 0 || site.globalWm2[h]! < DARK_WM2) kg = max(0, kg + settles)
    if (site.snowM[h]! > site.snowM[(h + HOURS - 1) % HOURS]! + SNOWS_M) kg += SNOW_STAYS
    // What thaws runs off, but for what the cloth holds.
    kg = min(kg, faceC > 0 ? most : most + SNOW_STAYS)
    waterKgM2[h] = kg
    fast[h] = kg > HOLDS_FAST && faceC < 0 ? 1 : 0
  }
  return { waterKgM2, fast }
}
