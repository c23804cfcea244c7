import { makeLinks } from './links'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { LOSS } from './series'

const HOUR = 3600

/** The ground by the block: what passes sideways, what has waited for it, and the deep cells under the floor. */
export function makeDeepGround(memory: Memory) {
  const { T, source, pending, offset, lostJ } = memory
  const { cells, storeCells } = memory.size
  const slowSource = memory.doubles(cells)
  /** Of a deep cell: how far a joule warms it, K. */
  const perJoule = memory.doubles(cells)
  /** Cells that heat may wait for. */
  const fed = memory.ints(storeCells)
  const links = makeLinks(memory)
  let m!: NetworkModel
  let fedCount = 0
  let sourceCells = source
  let slowCells = slowSource
  /** Leaving along slow links, W; not known before the first look. */
  let slowEdge = NaN

  function lay(model: NetworkModel): void {
    m = model
    for (let i = m.deepFrom; i < m.cellCount; i++) perJoule[i] = 1 / m.capacity[i]!
    const waiting = new Set([...m.buried.cell, ...m.exchangers.flatMap(e => [...e.cells])])
    fedCount = waiting.size
    fed.set([...waiting])
    links.lay(m)
    sourceCells = source.subarray(0, m.cellCount)
    slowCells = slowSource.subarray(0, m.cellCount)
    slowEdge = NaN
  }

  /** What cells get in the block before anything else does: from beside them, and what has waited. */
  function sideways(h: number, span: number): void {
    if (h % 6 < span / HOUR || Number.isNaN(slowEdge)) {
      slowCells.fill(0)
      slowEdge = links.passSlow(slowSource)
    }
    sourceCells.set(slowCells)
    for (let k = 0; k < fedCount; k++) {
      const i = fed[k]!
      source[i]! += pending[i]! / span
      pending[i] = 0
    }
    lostJ[LOSS.ground]! += (links.passQuick(source) + slowEdge) * span
  }

  /** Deep ground under the floor, explicitly. */
  function warmDeep(span: number): void {
    const t = T
    const sources = source
    const kelvin = perJoule
    const end = m.cellCount
    for (let i = m.deepFrom; i < end; i++) t[i]! += sources[i]! * span * kelvin[i]!
  }

  /** Heat on its way to cells of the building, J. */
  function waitingJ(): number {
    let sum = 0
    for (let i = 0; i < offset[m.count]!; i++) sum += pending[i]!
    for (let i = m.deepFrom; i < m.cellCount; i++) sum += pending[i]!
    return sum
  }

  return { lay, sideways, warmDeep, waitingJ }
}
