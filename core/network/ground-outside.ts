import type { NetworkModel } from './model'

/** Resistance of a metre of settled snow, m²K/W. */
const SNOW = 5

/**
 * Steps the ground beside the building through one hour: each column by itself, implicitly, from its foot (which passes nothing) up to the surface under
 * film and snow. What passes between columns stands in `source`. Its elimination holds until the snow changes.
 */
export function makeGroundOutside(m: NetworkModel, T: Float64Array, source: Float64Array) {
  const { first, columns, rows, down, area, half, film } = m.outsideGround
  const n = columns * rows
  const pivot = new Float64Array(n)
  const factor = new Float64Array(n)
  const store = new Float64Array(n)
  const surface = new Float64Array(columns)
  let lastSnow = -1
  let lastSpan = 0

  function eliminate(snowM: number, span: number): void {
    for (let j = 0; j < columns; j++) {
      surface[j] = 1 / (1 / half[j]! + (film + snowM * SNOW) / area[j]!)
      // From the foot up.
      let before = 0
      for (let r = rows - 1; r >= 0; r--) {
        const i = j * rows + r
        store[i] = m.capacity[first + i]! / span
        const up = r > 0 ? down[i - 1]! : surface[j]!
        pivot[i] = 1 / (store[i]! + before + up)
        factor[i] = up * pivot[i]!
        before = up * (1 - factor[i]!)
      }
    }
    lastSnow = snowM
    lastSpan = span
  }

  return (surfaceC: number, snowM: number, span: number): void => {
    if (snowM !== lastSnow || span !== lastSpan) eliminate(snowM, span)
    for (let j = 0; j < columns; j++) {
      let r = 0
      for (let row = rows - 1; row >= 0; row--) {
        const i = j * rows + row
        const own = store[i]! * T[first + i]! + source[first + i]! + r
        source[first + i] = own
        r = own * factor[i]!
      }
      let above = surfaceC
      for (let row = 0; row < rows; row++) {
        const i = j * rows + row
        above = source[first + i]! * pivot[i]! + factor[i]! * above
        T[first + i] = above
      }
    }
  }
}
