import type { Memory } from './memory'
import type { NetworkModel } from './model'

const { min } = Math
const HOUR = 3600

/**
 * Heat that passes sideways between cells, explicitly by the block: the quick links stand first. Where a cell would
 * follow its neighbours in less than an hour, which is the shortest block, its links pass so much less that it comes
 * level with them and does not swing.
 */
export function makeLinks({ T, capacity, ints, doubles, size }: Memory) {
  const a = ints(size.links)
  const b = ints(size.links)
  const g = doubles(size.links)
  /** Of each cell, all that it is linked by, W/K. */
  const sum = doubles(size.cells)
  let m!: NetworkModel
  function lay(model: NetworkModel): void {
    m = model
    const n = m.quick.g.length
    for (const [links, from] of [
      [m.quick, 0],
      [m.slow, n],
    ] as const) {
      a.set(links.a, from)
      b.set(links.b, from)
      g.set(links.g, from)
    }
    for (let l = 0; l < n; l++) {
      sum[a[l]!]! += g[l]!
      sum[b[l]!]! += g[l]!
    }
    for (let l = 0; l < n; l++) g[l]! *= min(1, share(a[l]!), share(b[l]!))
  }
  /** Of what its links would pass in an hour, the share that brings a cell level with its neighbours at most. */
  const share = (i: number) => capacity[i]! / (sum[i]! * HOUR)

  /** Adds to the cells what passes along some of the links, W; returns what all of them pass. */
  function pass(from: number, until: number, to: Float64Array): number {
    const t = T
    const ones = a
    const others = b
    const conductances = g
    let sum = 0
    for (let l = from; l < until; l++) {
      const i = ones[l]!
      const j = others[l]!
      const q = conductances[l]! * (t[i]! - t[j]!)
      to[i]! -= q
      to[j]! += q
      sum += q
    }
    return sum
  }
  /** Both return what leaves the building. */
  function passQuick(to: Float64Array): number {
    const { g, edgeFrom } = m.quick
    pass(0, edgeFrom, to)
    return pass(edgeFrom, g.length, to)
  }
  function passSlow(to: Float64Array): number {
    const first = m.quick.g.length
    const { g, edgeFrom } = m.slow
    pass(first, first + edgeFrom, to)
    return pass(first + edgeFrom, first + g.length, to)
  }
  return { lay, passQuick, passSlow }
}
