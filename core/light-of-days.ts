import { DAYS, type SiteYear } from './climate'
import type { Design } from './design/types'
import type { YearSeries } from './network/series'
import { sourceKind } from './sources/registry'

/** Of a lamp's light, what falls on the beds. */
const LAMP_REACHES = 0.85
/**
 * Photons of useful light in sunlight, mol per joule: 0.45 of the energy at 4.57 µmol/J. McCree 1972; Thimijan & Heins
 * 1983.
 */
export const MOL_PER_JOULE = 0.45 * 4.57e-6

/**
 * Photosynthetic light of each day on the beds, mol/m²: sun and lamps.
 * @param areaM2 of the beds, over 0; of the floor where there are none
 */
export function molInside({ topUp }: Design, areaM2: number, series: Pick<YearSeries, 'bedLightWm2' | 'sources'>) {
  const mol = daily(series.bedLightWm2, 3600 * MOL_PER_JOULE)
  topUp.sources.forEach((s, i) => {
    const molPerMJ = sourceKind(s).molPerMJ(s)
    if (molPerMJ <= 0) return
    const lamp = daily(series.sources[i]!, (3600e-6 * molPerMJ * LAMP_REACHES) / areaM2)
    for (let d = 0; d < DAYS; d++) mol[d]! += lamp[d]!
  })
  return mol
}

/** The same in the open. */
export const molOutside = ({ globalWm2 }: Pick<SiteYear, 'globalWm2'>): Float64Array =>
  daily(globalWm2, 3600 * MOL_PER_JOULE)

function daily(hourly: Float32Array, each: number): Float64Array {
  const sums = new Float64Array(DAYS)
  for (let h = 0; h < hourly.length; h++) sums[(h / 24) | 0]! += hourly[h]!
  return sums.map(v => v * each)
}
