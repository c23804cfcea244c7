import type { Memory } from './memory'
import type { NetworkModel } from './model'

/**
 * Soil freezes and thaws by enthalpy: as a cell comes to 0 °C it stays there until all of its water has changed. What a
 * step would have carried it past goes into the ice, heat for heat: soil holds so much water that this is a few tenths
 * of a kelvin a step, so the step itself goes as if nothing froze.
 */
export function makeSoilIce(memory: Memory) {
  const { T, capacity, fusion, frozenJ } = memory
  const cells = memory.ints(memory.size.cells)
  /** So many of them are of chains; the rest are ground outside and deep ground. */
  let ofChains = 0
  let count = 0

  function lay(m: Pick<NetworkModel, 'fusion' | 'cellCount' | 'offset' | 'count'>): void {
    count = 0
    ofChains = 0
    const end = m.offset[m.count]!
    for (let i = 0; i < m.cellCount; i++) {
      if (m.fusion[i]! <= 0) continue
      cells[count++] = i
      if (i < end) ofChains = count
    }
  }

  function freeze(from: number, until: number): void {
    const t = T
    const frozen = frozenJ
    const those = cells
    for (let k = from; k < until; k++) {
      const i = those[k]!
      const now = t[i]!
      const ice = frozen[i]!
      if (now >= 0 && ice === 0) continue
      const heat = capacity[i]! * now - ice
      const whole = fusion[i]!
      const left = heat >= 0 ? 0 : heat > -whole ? -heat : whole
      frozen[i] = left
      t[i] = heat >= 0 || left === whole ? (heat + left) / capacity[i]! : 0
    }
  }

  /** Heat that the ice of some cells of the model is short of, J. */
  function iceJ(from: number, until: number): number {
    let sum = 0
    for (let i = from; i < until; i++) sum += frozenJ[i]!
    return sum
  }

  return {
    lay,
    /** After a step of the chains. */
    freezeChains: () => freeze(0, ofChains),
    /** After the hour's step of the ground outside and the deep ground. */
    freezeGround: () => freeze(ofChains, count),
    iceJ,
  }
}
