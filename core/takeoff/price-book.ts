import { PRICE_ITEMS } from '../catalog'
import type { Design } from '../design/types'

/** Money for one of an item of the price book, by its id. Throws RangeError for what is not in it. */
export type PriceOf = (id: string) => number

const ROUGH = new Map(PRICE_ITEMS.map(item => [item.id, item.rough]))

/** The prices of a design: those that somebody knows, and for the rest rough ones at the ratio of its currency. */
export function pricesOf({ topUp }: { topUp: Pick<Design['topUp'], 'prices' | 'ratio'> }): PriceOf {
  const own = new Map(topUp.prices.map(p => [p.id, p.each]))
  return id => {
    const rough = ROUGH.get(id)
    if (rough === undefined) throw new RangeError(`There is no price of ${id}.`)
    return own.get(id) ?? rough * topUp.ratio
  }
}

/** Price of a layer's material, money per m³. */
export const materialPrice = (price: PriceOf, material: string): number => price(`material.${material}`)

/** Edits that put a price of one's own into the book, or with null take it out again. */
export function withPrice({ topUp }: Pick<Design, 'topUp'>, id: string, each: number | null): [string, unknown][] {
  const others = topUp.prices.filter(p => p.id !== id)
  return [['topUp.prices', each === null ? others : [...others, { id, each }]]]
}
