import { formatNumber, type Quantity, type Show } from '../units'
import type { Stock } from '../catalog/stock'

/** When it is wanted on the site. */
export const BUILD_STAGES = {
  ground: 'Ground',
  foundation: 'Foundation',
  frame: 'Frame',
  shell: 'Walls and roof',
  glazing: 'Glazing',
  openings: 'Openings',
  inside: 'Inside',
  devices: 'Devices',
} as const
export type BuildStage = keyof typeof BUILD_STAGES

/** So much of something that is to be bought, as it is worked out from the drawing. */
export interface Need {
  item: string
  /** What it is called by where its item tells a size, which each reader reads in units of their own. */
  word?: string
  /** That is needed, or cut to; nothing over. */
  amount: number
  unit: 'm³' | 'm²' | 'm' | 'pieces'
  /** What the price book calls it; null where it costs nothing here. */
  price: string | null
  /** Its price for the book's one: pipes are paid for by their width. 1 unless said. */
  times?: number
  /** Sold in so many at a time, or as the stock is; any amount unless said. */
  pack?: number | keyof Pick<Stock, 'insulationBoardM2' | 'boardM2' | 'pipeM' | 'rollM2'>
  /** Already cut from lists: nothing more is bought for waste. */
  cut?: boolean
  note?: string
}

/** A part of the house with what it takes. */
export interface PartNeeds {
  stage: BuildStage
  part: string
  needs: readonly Need[]
}

/** A line of the take-off. */
export interface TakeoffLine {
  id: string
  stage: BuildStage
  part: string
  item: string
  /** Needed, and the share bought over it. */
  amount: number
  unit: Need['unit']
  waste: number
  /** Bought, in the same unit: whole packs. */
  buy: number
  /** Of that, what is there already and costs nothing. */
  mine: number
  /** How many of the unit a pack holds; null where any amount is sold. */
  pack: number | null
  /** Its item of the price book; null where it costs nothing. Money of the design's currency for one of the unit. */
  priced: string | null
  price: number
  cost: number
  note: string
}

/** What a price for one of a unit is, and what so much of it is; pieces are neither. */
export const PRICED: Readonly<Record<string, Quantity>> = { 'm²': 'arealPrice', 'm³': 'bulkPrice', 'm': 'linearPrice' }
export const MEASURED: Readonly<Record<string, Quantity>> = { 'm²': 'area', 'm³': 'bulk', 'm': 'length' }

/** An amount as the reader reads it. */
export function amountWords(amount: number, unit: string, show: Show): string {
  const quantity = MEASURED[unit]
  if (quantity) return show(amount, quantity)
  const text = formatNumber(amount, amount % 1 === 0 ? 0 : 1)
  return unit === 'pieces' ? text : `${text} ${unit}`
}

/** What to buy of an amount: with what is bought over it, in whole packs. */
export function toBuy(amount: number, waste: number, pack: number | null, whole: boolean): number {
  const wanted = amount * (1 + waste)
  const step = pack ?? (whole ? 1 : 0)
  return step > 0 ? Math.ceil(wanted / step - 1e-9) * step : wanted
}

/** A lorry carries so much, t. */
const LORRY_T = 10

/** A weight, and how often a lorry comes for it. */
export function heavy(kg: number, show: Show): string {
  if (kg <= 3000) return show(kg, 'mass')
  const count = Math.ceil(kg / 1000 / LORRY_T)
  const loads = count === 1 ? 'a lorry load' : `${count} lorry loads`
  return `${show(kg, 'mass')}, ${loads} of ${show(LORRY_T * 1000, 'mass')}`
}
