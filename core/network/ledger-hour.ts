import type { Memory } from './memory'
import { BURIED, chainsTied, HOUSE, OUTSIDE, type NetworkModel } from './model'
import { HOUSE_DOOR_G, SUM_AIR, SUM_DAMP, SUM_LEAK, SUM_MOIST, SUM_SIZE, SUM_STAR, SUM_VENT, SUN_IN } from './room'
import { GAIN, LOSS } from './series'

const SUN = GAIN.sun!

/** What has left and come in over a block, by its ways; and what goes on to the ground and the stores. */
export function makeLedgerHour(memory: Memory) {
  const { v, sums, T, pending, glazed, firstSum, lostJ, gainedJ, leftJ, outG, outT, toSkyG, toSkyT, outerSun } = memory
  const lossIndex = memory.ints(memory.size.chains)
  let m!: NetworkModel
  let outsides: number[] = []
  let burieds: number[] = []
  let houses: number[] = []

  function lay(model: NetworkModel): void {
    m = model
    outsides = chainsTied(m, OUTSIDE)
    burieds = chainsTied(m, BURIED)
    houses = chainsTied(m, HOUSE)
    lossIndex.set(m.lossIndex)
  }

  function leave(c: number, joules: number): void {
    lostJ[lossIndex[c]!]! += joules
    leftJ[c]! += joules
  }

  /** By the chains: through the skin, to the house and to the ground beside sunk walls. */
  function closeChains(span: number): void {
    const starMean = sums[SUM_STAR]! / span
    for (let k = 0; k < outsides.length; k++) {
      const c = outsides[k]!
      let out = outG[c]! * (firstSum[c]! / span - outT[c]!) - outerSun[c]!
      if (glazed[c] === 1) out += toSkyG[c]! * (starMean - toSkyT[c]!)
      leave(c, out * span)
    }
    for (let k = 0; k < houses.length; k++) {
      const c = houses[k]!
      leave(c, outG[c]! * (firstSum[c]! - outT[c]! * span))
    }
    const { g, cell, share } = m.buried
    for (let k = 0; k < burieds.length; k++) {
      const c = burieds[k]!
      leave(c, outG[c]! * (firstSum[c]! - outT[c]! * span))
      for (let r = 0; r < g.length; r++) pending[cell[r]!]! += g[r]! * share[c]! * (firstSum[c]! - T[cell[r]!]! * span)
    }
    for (let c = 0; c < m.count; c++) firstSum[c] = 0
  }

  /**
   * Closes a block.
   * @param storesTook what air stores took from the ground's books, by the mean air and moisture of the block, J
   */
  function close(span: number, storesTook: (airC: number, moisture: number, span: number) => number): void {
    closeChains(span)
    gainedJ[SUN]! += v[SUN_IN]! * span
    lostJ[LOSS['air leaks']]! += sums[SUM_LEAK]!
    lostJ[LOSS.vents]! += sums[SUM_VENT]!
    lostJ[LOSS['damp air']]! += sums[SUM_DAMP]!
    lostJ[LOSS.house]! += v[HOUSE_DOOR_G]! * (sums[SUM_AIR]! - m.houseC * span)
    lostJ[LOSS.ground]! -= storesTook(sums[SUM_AIR]! / span, sums[SUM_MOIST]! / span, span)
    for (let k = 0; k < SUM_SIZE; k++) sums[k] = 0
  }

  return { lay, close }
}
