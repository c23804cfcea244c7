import type { Design } from '../design/types'
import { makeBuilding } from '../geometry/surfaces'
import { inMetric, type Show } from '../units'
import { groundNeeds, type Dug } from './ground'
import { handsH } from './hands'
import { insideNeeds } from './inside'
import { BUILD_STAGES, toBuy, type PartNeeds, type TakeoffLine } from './lines'
import { pricesOf } from './price-book'
import { shellNeeds } from './shell'
import { stockOf } from '../frame/spacing'

/** All that a design takes, line by line. */
export interface Takeoff extends Dug {
  lines: TakeoffLine[]
  /** What is bought costs so much, at the design's prices: the one price of the house. */
  total: number
  /** Work apart: hours on its main parts, and what they cost where an hour has a price. */
  hands: { hours: number; cost: number }
  currency: string
}

/** What a line is called by in notes. */
const slug = (...words: string[]) =>
  words
    .join(' ')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '')

/**
 * The take-off of a design: what is to be bought, by stage and part, at the design's prices. The design must be sound.
 * @param show writes sizes in items and notes in the reader's units
 */
export function takeoff(design: Design, show: Show = inMetric): Takeoff {
  const building = makeBuilding(design)
  const price = pricesOf(design)
  const stock = stockOf(design.build)
  const ground = groundNeeds(design, building, show)
  const parts: PartNeeds[] = [
    ...ground.parts,
    ...shellNeeds(design, building, show),
    ...insideNeeds(design, building, show),
  ]
  const hours = handsH(design, building)
  const order = Object.keys(BUILD_STAGES)
  const seen = new Map<string, number>()
  const own = new Map(design.build.notes.map(n => [n.line, n.mine]))
  const lines = [...parts]
    .sort((a, b) => order.indexOf(a.stage) - order.indexOf(b.stage))
    .flatMap(({ stage, part, needs }) =>
      needs
        .filter(n => n.amount > 1e-6)
        .map((n): TakeoffLine => {
          const word = slug(stage, part, n.word ?? n.item)
          const before = seen.get(word) ?? 0
          seen.set(word, before + 1)
          const pack = typeof n.pack === 'string' ? stock[n.pack] : (n.pack ?? null)
          const whole = n.unit === 'pieces'
          // Pieces are counted, and what a list was cut for has its waste in it.
          const waste = n.cut || whole ? 0 : design.build.wasteShare
          const buy = toBuy(n.amount, waste, pack, whole)
          const each = n.price === null ? 0 : price(n.price) * (n.times ?? 1)
          const id = before > 0 ? `${word}-${before + 1}` : word
          const mine = Math.min(buy, own.get(id) ?? 0)
          return {
            id,
            stage,
            part,
            item: n.item,
            amount: n.amount,
            unit: n.unit,
            waste,
            buy,
            mine,
            pack,
            priced: n.price,
            price: each,
            cost: (buy - mine) * each,
            note: n.note ?? '',
          }
        }),
    )
  return {
    lines,
    total: lines.reduce((sum, l) => sum + l.cost, 0),
    hands: { hours, cost: hours * price('work.hour') },
    currency: design.topUp.currency,
    digM3: ground.digM3,
    spoilM3: ground.spoilM3,
  }
}

/** The price of a house: of all that its take-off buys, in its own currency. */
export const housePrice = (design: Design): number => takeoff(design).total
