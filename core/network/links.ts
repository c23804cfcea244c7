import type { Memory } from './memory'
import type { NetworkModel } from './model'

/** Heat that passes sideways between cells: the quick links stand first. */
export function makeLinks({ T, ints, doubles, size }: Memory) {
  const a = ints(size.links)
  const b = ints(size.links)
  const g = doubles(size.links)
  let m!: NetworkModel
  function lay(model: NetworkModel): void {
    m = model
    const n = m.quick.g.length
    for (const [links, from] of [[m.quick, 0], [m.slow, n]] as const) {
      a.set(links.a, from)
      b.set(links.b, from)
      g.set(links.g, from)
    }
  }
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
