import type { Memory } from './memory'
import { chainsTied, OUTSIDE, type NetworkModel } from './model'

/** Heat flow held back by nothing that moves: capacity over time of water at its freezing point, W/K. */
const HELD = 1e15

/** The elimination of the chains from the outside in: it holds for an hour. */
export function makeElimination(memory: Memory) {
  const { capacity, between, store, pivot, factor, offset, face, head, held, iceKg, outG } = memory
  let m!: NetworkModel
  let waters: number[] = []
  /** Chains whose outer side changes by the hour. */
  let outsides: readonly number[] = []
  let lastDt = 0

  function lay(model: NetworkModel): void {
    m = model
    outsides = chainsTied(m, OUTSIDE)
    waters = Array.from(m.waterKg.keys()).filter(c => m.waterKg[c]! > 0)
    lastDt = 0
  }

  /** A chain of the hour from the outside in: what each cell holds against its neighbour towards the room. */
  function sweep(c: number): void {
    const stores = store
    const links = between
    const pivots = pivot
    const factors = factor
    const i1 = face[c]!
    let before = outG[c]!
    for (let i = offset[c]!; i < i1; i++) {
      const g = links[i]!
      const p = 1 / (stores[i]! + before + g)
      const f = g * p
      pivots[i] = p
      factors[i] = f
      before = g - g * f
    }
    head[c] = store[i1]! + before
  }

  /** Lets water that has been held at its freezing point go again. */
  function release(c: number, dt: number): void {
    const i = offset[c]!
    held[c] = 0
    store[i] = capacity[i]! / dt
    sweep(c)
  }

  /** Heat that cells hold against a step, W/K; part-frozen water holds against all. */
  function hold(dt: number): boolean {
    const anew = dt !== lastDt
    lastDt = dt
    if (anew) for (let i = 0; i < offset[m.count]!; i++) store[i] = capacity[i]! / dt
    for (let k = 0; k < waters.length; k++) {
      const c = waters[k]!
      const i = offset[c]!
      const now = iceKg[c]! > 0 && iceKg[c]! < m.waterKg[c]! ? 1 : 0
      store[i] = now ? HELD : capacity[i]! / dt
      if (now !== held[c]) {
        held[c] = now
        sweep(c)
      }
    }
    return anew
  }

  /** Chains whose ties have changed, or all where the step is of another length. */
  function sweepAll(anew: boolean): void {
    if (anew) for (let c = 0; c < m.count; c++) sweep(c)
    else for (let k = 0; k < outsides.length; k++) sweep(outsides[k]!)
  }

  return { lay, hold, sweepAll, release }
}
