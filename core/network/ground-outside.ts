import type { Memory } from './memory'
import type { NetworkModel } from './model'

/** Resistance of a metre of settled snow, m²K/W. */
export const SNOW = 5

/**
 * Steps the ground beside the building through one hour: each column by itself, implicitly, from its foot (which passes
 * nothing) up to the surface under film and snow. What passes between columns stands in `source`. Its elimination holds
 * until the snow changes.
 */
export function makeGroundOutside(memory: Memory) {
  const { T, source, capacity } = memory
  const { cells } = memory.size
  const pivot = memory.doubles(cells)
  const store = memory.doubles(cells)
  const own = memory.doubles(cells)
  /** What a cell passes on to the one above it. */
  const factor = memory.doubles(cells)
  const surface = memory.doubles(cells)
  let m!: NetworkModel['outsideGround']
  let lastSnow = -1
  let lastSpan = 0

  function eliminate(snowM: number, span: number): void {
    const { first, columns, rows, down, area, half, film } = m
    for (let j = 0; j < columns; j++) {
      surface[j] = 1 / (1 / half[j]! + (film + snowM * SNOW) / area[j]!)
      // From the foot up.
      let before = 0
      for (let r = rows - 1; r >= 0; r--) {
        const i = r * columns + j
        store[i] = capacity[first + i]! / span
        const up = r > 0 ? down[i - columns]! : surface[j]!
        pivot[i] = 1 / (store[i]! + before + up)
        factor[i] = up * pivot[i]!
        before = up * (1 - factor[i]!)
      }
    }
    lastSnow = snowM
    lastSpan = span
  }

  function lay(model: Pick<NetworkModel, 'outsideGround'>): void {
    m = model.outsideGround
    lastSnow = -1
  }

  function step(surfaceC: number, snowM: number, span: number): void {
    if (snowM !== lastSnow || span !== lastSpan) eliminate(snowM, span)
    const { first, columns } = m
    const n = columns * m.rows
    const t = T
    const sources = source
    const stores = store
    const side = own
    const factors = factor
    const pivots = pivot
    // Row by row: its cells do not wait for each other.
    for (let i = n - 1; i >= n - columns; i--) side[i] = stores[i]! * t[first + i]! + sources[first + i]!
    for (let i = n - columns - 1; i >= 0; i--)
      side[i] = stores[i]! * t[first + i]! + sources[first + i]! + side[i + columns]! * factors[i + columns]!
    for (let i = 0; i < columns; i++) t[first + i] = side[i]! * pivots[i]! + factors[i]! * surfaceC
    for (let i = columns; i < n; i++) t[first + i] = side[i]! * pivots[i]! + factors[i]! * t[first + i - columns]!
  }
  return { lay, step }
}
