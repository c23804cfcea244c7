import type { Design } from '../design/types'
import type { Show } from '../units'

const INCH = 0.0254
/** Planed lumber is called by what it was sawn to, in: its own size, and its name. */
const NOMINAL: readonly (readonly [actual: number, nominal: number])[] = [
  [0.75, 1],
  [1.5, 2],
  [2.5, 3],
  [3.5, 4],
  [5.5, 6],
  [7.25, 8],
  [9.25, 10],
  [11.25, 12],
]
/** Sizes within this are meant, m. */
const MEANT_M = 0.0025
const nominal = (m: number) => NOMINAL.find(([actual]) => Math.abs(m - actual * INCH) < MEANT_M)?.[1]

/** The section of members as it is entered, by the name that lumber is sold under; or that it is not told yet. */
export function sectionWords({ stock, frame: { thickM, deepM, made } }: Design['build'], show: Show): string {
  if (thickM === null || deepM === null) return 'section to be told by the engineer'
  const [thin, deep] = [nominal(thickM), nominal(deepM)]
  const named =
    made === 'timber' && stock === 'us' && thin !== undefined && deep !== undefined ? `${thin}×${deep}, ` : ''
  const section = made === 'metal' ? 'metal section' : 'section'
  return `${section} ${named}${show(thickM, 'thickness')} × ${show(deepM, 'thickness')}, as entered`
}
