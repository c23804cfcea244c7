import type { AnyField } from '../design/field'
import { isTree, type Tree } from '../design/complete'
import { DESIGN, type Design } from '../design/types'

/** A value of a field with all money in it times a factor. */
function scaled(field: AnyField, value: unknown, factor: number): unknown {
  if (value === null || value === undefined) return value
  if (field.kind === 'number') return field.quantity === 'money' ? (value as number) * factor : value
  if (field.kind === 'or null' || field.kind === 'optional') return scaled(field.of, value, factor)
  if (field.kind === 'list') return (value as unknown[]).map(v => scaled(field.of, v, factor))
  const group = field.kind === 'one of' ? field.kinds[(value as Tree).kind as string] : field
  if (group?.kind !== 'group' || !isTree(value)) return value
  const { fields } = group
  return Object.fromEntries(
    Object.entries(value).map(([name, inner]) => [
      name,
      Object.hasOwn(fields, name) ? scaled(fields[name]!, inner, factor) : inner,
    ]),
  )
}

/** A thing as it is made for any house, with its money in this one's. */
export const pricedHere = <T>({ topUp }: Pick<Design, 'topUp'>, field: AnyField, made: T): T =>
  topUp.ratio === 1 ? made : (scaled(field, made, topUp.ratio) as T)

/**
 * A design in another currency. Each currency has a price book of its own: the one that is left is kept, one that was
 * there before is taken up again as it was, and a new one begins as the one that is left, times a ratio. What else of
 * the design is money goes along.
 * @param to three letters
 * @param times so much of the new currency for one of the one that is left; of no account where its book is there
 */
export function withCurrency(design: Design, to: string, times: number): Design {
  const { currency, ratio, prices, books } = design.topUp
  if (to === currency) return design
  const known = books.find(b => b.currency === to)
  const next = known?.ratio ?? ratio * times
  const all = scaled(DESIGN, { ...design, topUp: { ...design.topUp, books: [] } }, next / ratio) as Design
  return {
    ...all,
    topUp: {
      ...all.topUp,
      currency: to,
      ratio: next,
      prices: known?.prices ?? all.topUp.prices,
      books: [...books.filter(b => b.currency !== to), { currency, ratio, prices }],
    },
  }
}
