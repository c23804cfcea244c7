import type { Design } from '../design/types'
import { takeoff } from '../takeoff/takeoff'
import type { StartAnswers } from './choices'

/**
 * A design whose list knows what was said to be at hand: so many drums, so much glass of old windows, and all of the
 * stone. It is not bought again.
 */
export function withMine(design: Design, { atHand }: Pick<StartAnswers, 'atHand'>): Design {
  const left = { drums: atHand.drums, glass: atHand.windowsM2, stone: atHand.stone ? Infinity : 0 }
  const thing = (priced: string | null): keyof typeof left | null =>
    priced?.startsWith('vessel.barrel')
      ? 'drums'
      : priced === 'glazing.glass-1'
        ? 'glass'
        : priced === 'material.stone'
          ? 'stone'
          : null
  const notes = takeoff(design).lines.flatMap(({ id, priced, buy }) => {
    const of = thing(priced)
    const mine = of ? Math.min(buy, left[of]) : 0
    if (!of || mine <= 0) return []
    left[of] -= mine
    return [{ line: id, supplier: '', note: 'at hand', mine }]
  })
  return notes.length > 0 ? { ...design, build: { ...design.build, notes } } : design
}
