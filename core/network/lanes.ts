import type { Memory } from './memory'
import type { NetworkModel } from './model'

/**
 * Right-hand sides of the chains carried inwards, and temperatures back out. Chains lie one behind the other; they are
 * gone through in two lanes at once, so that neither waits for its own last result.
 *
 * The loops take arrays under names of their own before they begin: that is a few per cent faster than to reach for
 * them in each turn.
 */
export function makeLanes({ T, source, store, factor, pivot, rhs }: Memory) {
  let chainCells = 0
  /** First cell of the second lane; the first is at least as long. */
  let middleCell = 0

  function lay({ offset, count }: NetworkModel): void {
    chainCells = offset[count]!
    middleCell = offset.find(i => i >= chainCells / 2)!
  }

  /** Carries right-hand sides inwards. A face passes nothing on to the chain after it. */
  function inwards(): void {
    const t = T
    const stores = store
    const sources = source
    const factors = factor
    const own = rhs
    const middle = middleCell
    const second = chainCells - middle
    let a = 0
    let b = 0
    for (let i = 0, j = middle; i < second; i++, j++) {
      const first = stores[i]! * t[i]! + sources[i]! + a
      own[i] = first
      a = factors[i]! * first
      const other = stores[j]! * t[j]! + sources[j]! + b
      own[j] = other
      b = factors[j]! * other
    }
    for (let i = second; i < middle; i++) {
      const first = stores[i]! * t[i]! + sources[i]! + a
      own[i] = first
      a = factors[i]! * first
    }
  }

  /** Faces stand in `rhs` as they are; what lies behind them follows. */
  function outwards(): void {
    const t = T
    const pivots = pivot
    const factors = factor
    const own = rhs
    const end = chainCells
    const middle = middleCell
    const second = end - middle
    let a = 0
    let b = 0
    for (let i = middle - 1, j = end - 1; j >= middle; i--, j--) {
      a = own[i]! * pivots[i]! + factors[i]! * a
      t[i] = a
      b = own[j]! * pivots[j]! + factors[j]! * b
      t[j] = b
    }
    for (let i = middle - second - 1; i >= 0; i--) {
      a = own[i]! * pivots[i]! + factors[i]! * a
      t[i] = a
    }
  }

  return { lay, inwards, outwards }
}
