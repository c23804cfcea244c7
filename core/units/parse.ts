import { formatQuantity } from './format'
import { readBearing, readHemisphere } from './bearing'
import { shownUnit, UNITS, type Quantity, type Unit, type UnitSystem } from './quantity'

export type Parsed = { ok: true; value: number } | { ok: false; message: string }

const NUMBER = /^[+\-−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:e[+-]?\d+)?/i

/**
 * A number with a point or a comma as its decimal mark. `1,900` could mean two things, so it is refused with both
 * spellings offered.
 */
export function parseNumber(text: string): Parsed {
  const t = text
    .trim()
    .replace(/[\u00a0\u202f\s]/g, '')
    .replace(/^[−–]/, '-')
  const whole = NUMBER.exec(t)
  if (!whole || whole[0].length !== t.length) return { ok: false, message: `“${text.trim()}” is not a number` }
  if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(t)) {
    return { ok: false, message: `“${t}” could be two numbers: write ${t.replace(',', '')} or ${t.replace(',', '.')}` }
  }
  const value = Number(t.replace(',', '.'))
  return Number.isFinite(value) ? { ok: true, value } : { ok: false, message: `“${text.trim()}” is too large` }
}

/** Quantities that are told in feet and inches. */
const LENGTHS: readonly Quantity[] = ['length', 'thickness', 'cutLength']

/** What is also told by letters: a side of the compass, a half of the world. */
const LETTERED: Partial<Record<Quantity, (text: string) => number | null>> = {
  bearing: text => readBearing(text),
  latitude: text => readHemisphere(text, ['N', 'S']),
  longitude: text => readHemisphere(text, ['E', 'W']),
}
const LETTERS: Partial<Record<Quantity, string>> = {
  bearing: 'or a point such as SW',
  latitude: 'or a letter as in 43 S',
  longitude: 'or a letter as in 71 W',
}

/** Fractions as decimals: `9 1/2`, `9-1/2` and `1/2` as a rule gives them. */
const withoutFractions = (text: string): string =>
  text.replace(/(?:(\d+)[\u00a0 -])?(\d{1,2})\/(\d{1,2})(?!\d)/g, (as, whole: string | undefined, over, under) =>
    Number(under) === 0 ? as : String(Number(whole ?? 0) + Number(over) / Number(under)),
  )

function findUnit(quantity: Quantity, word: string): Unit | undefined {
  const w = word.trim().toLowerCase()
  return UNITS[quantity].find(u => u.spellings.includes(w))
}

/**
 * Reads what a person typed into an SI value. A bare number is in the unit that `system` shows; any unit of the
 * quantity may follow it (`1.9m`, `-10F`, `55gal`), lengths may have two parts and fractions (`6ft 4in`, `2' 9 1/2"`),
 * R-values may lead with their letter (`R20`, `RSI 3.5`), bearings may be points of the compass (`SW`) and places say
 * their half of the world (`43 S`). Temperatures come back in °C, angles in degrees, shares
 * as 0–1, energy in joules, all else in plain SI.
 */
export function parseQuantity(text: string, quantity: Quantity, system: UnitSystem): Parsed {
  // Thousands may stand apart, as they do where we show them.
  const isLong = LENGTHS.includes(quantity)
  let rest = (isLong ? withoutFractions(text) : text).trim().replace(/(?<=\d)[\u00a0\u202f ](?=\d{3}(?!\d))/g, '')
  if (rest === '') return { ok: false, message: 'Nothing is typed here' }
  const inLetters = LETTERED[quantity]?.(rest)
  if (typeof inLetters === 'number') return { ok: true, value: inLetters }
  if (quantity === 'resistance') {
    const led = /^(rsi|r)[\s-]*([\d.,]+)$/i.exec(rest)
    if (led) rest = `${led[2]} ${led[1]!.toLowerCase()}`
  }
  let total = 0
  let parts = 0
  let sign = 1
  while (rest !== '') {
    const found = NUMBER.exec(rest)
    if (!found)
      return {
        ok: false,
        message: `“${text.trim()}” is not understood: type a number, then a unit such as ${examples(quantity)}`,
      }
    const number = parseNumber(found[0])
    if (!number.ok) return number
    rest = rest.slice(found[0].length).trimStart()
    const word = /^[^\d.,+\-−]*(?:(?<=[a-z^])[23](?![\d.,])[^\d.,+\-−]*)?/i.exec(rest)![0]
    rest = rest.slice(word.length)
    const chosen =
      word.trim() === '' ? (parts === 0 ? shownUnit(quantity, system) : undefined) : findUnit(quantity, word)
    if (!chosen)
      return {
        ok: false,
        message: `“${word.trim() || rest || text.trim()}” is not a unit for this: use ${examples(quantity)}`,
      }
    if (parts > 0 && !isLong) return { ok: false, message: `“${text.trim()}” has more than one number` }
    if (parts === 0 && /^[-−]/.test(found[0])) sign = -1
    total += parts === 0 ? number.value * chosen.factor + (chosen.offset ?? 0) : sign * number.value * chosen.factor
    parts++
  }
  return { ok: true, value: total }
}

function examples(quantity: Quantity): string {
  if (LETTERS[quantity]) return `°, ${LETTERS[quantity]}`
  const names = UNITS[quantity].map(u => u.symbol).filter(Boolean)
  if (names.length === 0) return 'a whole number'
  return names.length === 1 ? names[0]! : `${names.slice(0, -1).join(', ')} or ${names[names.length - 1]}`
}

/** The numbers of a text, by their value, and its words. */
const spoken = (text: string): string =>
  text
    .replace(/(?<=\d)[\u00a0\u202f ](?=\d{3}(?!\d))/g, '')
    .replace(/[−–]/g, '-')
    .match(/-?(?:\d+(?:[.,]\d*)?|[.,]\d+)/g)
    ?.map(n => Number(n.replace(',', '.')))
    .join(' ') ?? ''

/**
 * What a person typed over a value that is shown, as an SI value: the value itself, to its last digit, where they typed
 * again what stood there. What is shown is rounded, and reading it back would change what nobody meant to change.
 */
export function parseRetyped(
  text: string,
  quantity: Quantity,
  system: UnitSystem,
  current: number | null,
): Parsed & { unchanged?: true } {
  const parsed = parseQuantity(text, quantity, system)
  if (!parsed.ok || current === null) return parsed
  const shown = formatQuantity(current, quantity, system)
  const again = parseQuantity(shown, quantity, system)
  const isSame = again.ok && Math.abs(again.value - parsed.value) <= 1e-9 * Math.max(1, Math.abs(parsed.value))
  return isSame && spoken(text) === spoken(shown) ? { ok: true, value: current, unchanged: true } : parsed
}

/** Another quantity in which a value may be told, as an R-value, and what it comes to in the field's own SI unit. */
export interface OtherReading {
  quantity: Quantity
  toOwn: (si: number) => number
  /** More than this is never of the field's own quantity: it is of the other. In the field's own SI unit. */
  above?: number
}

/** What a person typed over a value that is shown, in its own quantity or, with a unit of its own, in another. */
export function parseEither(
  text: string,
  quantity: Quantity,
  system: UnitSystem,
  current: number | null,
  other: OtherReading | undefined,
): ReturnType<typeof parseRetyped> {
  const own = parseRetyped(text, quantity, system, current)
  if (!other || (own.ok && own.value <= (other.above ?? Infinity))) return own
  const read = parseQuantity(text, other.quantity, system)
  return read.ok ? { ok: true, value: other.toOwn(read.value) } : own
}
