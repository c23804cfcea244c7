import { radiativeFilm } from '../air/films'
import { MONTH_OF_DAY, tabledSaturationPa } from '../climate'
import { leavesCover } from '../optics/canopy'
import { EMISSIVITY } from './chains'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { soilUnderLeaves } from './moisture'
import { DENSITY, MOISTURE, PRESSURE } from './room'
import { leafConvects, leafDraws, LEAF_EMISSIVITY, vapourPressure } from './transpiration'

const { min } = Math

/**
 * Longwave between leaves and soil lags an hour: of the leaves' own film at most so much, beyond which it would swing.
 * In any air that plants live in it is a third.
 */
const LATE_SHINE = 0.5
/** Leaves of a bed: their chain, the chains of their soil, and where in an hour's sun theirs is. */
interface Foliage {
  chain: number
  bed: number
  soil: number[]
  lights: number[]
}

/** Leaves of the hour. */
export function makeLeafHour(memory: Memory) {
  const { v, T, source, face, area, suns, light, through, leafFilm, leafDraw, soilShare } = memory
  const sunCover = memory.ints(memory.size.suns)
  let m!: NetworkModel
  let leaves: Foliage[] = []
  let beds: number[] = []
  /** By bed and month: share of the bed that leaves stand over. */
  let underLeaves: number[] = []

  function lay(model: NetworkModel): void {
    m = model
    const those = (test: (c: number) => boolean) => Array.from(m.tie.keys()).filter(test)
    beds = those(c => m.bed[c] === 1)
    underLeaves = Array.from(m.leafArea, soilUnderLeaves)
    sunCover.set(m.sun.cover)
    leaves = those(c => m.leafOf[c]! >= 0).map(chain => {
      const bed = m.leafOf[chain]!
      const lights = Array.from(m.sun.chain.keys()).filter(k => k < m.sun.lit && m.sun.chain[k] === chain)
      return { chain, bed, soil: those(c => m.bedIndex[c] === bed), lights }
    })
  }

  /**
   * Leaves of the month: their film, the vapour that they draw, by the light that they have and how dry the air is to
   * them; and what they and the soil beneath them shine at each other.
   */
  function begin(h: number): void {
    const month = MONTH_OF_DAY[(h / 24) | 0]!
    const row = h * m.sun.cell.length
    const vapour = vapourPressure(v[MOISTURE]!, v[PRESSURE]!)
    for (let k = 0; k < beds.length; k++) soilShare[beds[k]!] = underLeaves[m.bedIndex[beds[k]!]! * 12 + month]!
    for (let k = 0; k < leaves.length; k++) {
      const { chain, bed, soil, lights } = leaves[k]!
      const ground = area[chain]!
      const leafArea = m.leafArea[bed * 12 + month]!
      const leafC = T[face[chain]!]!
      let sun = 0
      for (let i = 0; i < lights.length; i++) sun += suns[row + lights[i]!]! * light[sunCover[lights[i]!]!]!
      const deficit = tabledSaturationPa(leafC) - vapour
      leafFilm[chain] = 2 * leafArea * leafConvects(v[DENSITY]!) * ground
      leafDraw[chain] = leafDraws(leafArea, v[DENSITY]!, sun / ground, deficit, leafC) * ground
      const covers = leavesCover(leafArea)
      through[chain] = 1 - covers
      const soilC = T[face[soil[0]!]!]!
      const film = min(
        covers * radiativeFilm((leafC + soilC) / 2, EMISSIVITY * LEAF_EMISSIVITY),
        (LATE_SHINE * leafFilm[chain]!) / ground,
      )
      for (let i = 0; i < soil.length; i++) {
        const c = soil[i]!
        const i1 = face[c]!
        through[c] = covers
        const shines = film * area[c]! * (leafC - T[i1]!)
        source[face[chain]!]! -= shines
        source[i1]! += shines
      }
    }
  }

  return { lay, begin }
}
