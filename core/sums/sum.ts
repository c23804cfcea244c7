import type { Quantity } from '../units'

/**
 * One line of arithmetic: what stands for what, how big it is, and in words. Values are SI (temperatures °C); the
 * screen shows them in the reader's units.
 */
export interface SumLine {
  symbol: string
  text: string
  value: number
  /** How to show the value; null for plain numbers, with `unit` as it stands. */
  quantity: Quantity | null
  unit: string
}

/** A sum by hand: its result, and the lines that lead to it, the result last. */
export interface Sum<T = number> {
  result: T
  lines: SumLine[]
  /** Where the rule comes from, and how far it is to be trusted. */
  rule: string
}

/** A line in a unit that the reader chooses. */
export function line(symbol: string, text: string, value: number, quantity: Quantity): SumLine {
  return { symbol, text, value, quantity, unit: '' }
}

/** A line in a unit that is the same for everybody. */
export function plain(symbol: string, text: string, value: number, unit = ''): SumLine {
  return { symbol, text, value, quantity: null, unit }
}

/** Throws RangeError unless a number lies within bounds: a sum with nonsense in it would mislead. */
export function need(name: string, value: number, low: number, high = Infinity): void {
  if (!(Number.isFinite(value) && value >= low && value <= high))
    throw new RangeError(`${name} is ${value}; allowed is ${low} to ${high}.`)
}
