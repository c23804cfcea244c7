import { linear } from '../scale'

/** A curve through values at even steps, as an SVG path: broken where there is none. */
export function curvePath(values: ArrayLike<number>, x: (i: number) => number, y: (v: number) => number): string {
  let out = ''
  let pen = false
  for (let i = 0; i < values.length; i++) {
    const v = values[i]!
    if (Number.isNaN(v)) {
      pen = false
      continue
    }
    out += `${pen ? 'L' : 'M'}${x(i).toFixed(1)} ${y(v).toFixed(1)}`
    pen = true
  }
  return out
}

/** A scale of temperatures up a picture, with lines at round ones. */
export interface Rise {
  y: (c: number) => number
  ticks: number[]
}

/** Steps between lines, on the reader's own scale. */
const STEPS = [1, 2, 5, 10, 20, 50]

/**
 * A scale that holds some temperatures, with air over and under them.
 * @param shown turns °C into the reader's degrees, and back
 */
export function rise(
  values: readonly number[],
  topPx: number,
  footPx: number,
  shown: { to: (c: number) => number; from: (v: number) => number } = { to: v => v, from: v => v },
  most = 6,
): Rise {
  const real = values.filter(Number.isFinite)
  const low = Math.min(...(real.length > 0 ? real : [0])) - 0.5
  const high = Math.max(...(real.length > 0 ? real : [10])) + 0.5
  const [a, b] = [shown.to(low), shown.to(high)]
  const step = STEPS.find(s => (b - a) / s <= most) ?? 100
  const ticks: number[] = []
  for (let v = Math.ceil(a / step) * step; v <= b; v += step) ticks.push(shown.from(v) + 0)
  return { y: linear([low, high], [footPx, topPx]), ticks }
}
