import { shownUnit, type Quantity, type UnitSystem } from './quantity'

/** An SI value in the shown unit of `system`, as a bare number. */
export function toShown(value: number, quantity: Quantity, system: UnitSystem): number {
  const u = shownUnit(quantity, system)
  return (value - (u.offset ?? 0)) / u.factor
}

/** The SI value of a bare number given in the shown unit of `system`. */
export function fromShown(shown: number, quantity: Quantity, system: UnitSystem): number {
  const u = shownUnit(quantity, system)
  return shown * u.factor + (u.offset ?? 0)
}

const DECIMALS: Partial<Record<Quantity, number>> = {
  length: 2,
  thickness: 0,
  cutLength: 0,
  area: 1,
  volume: 0,
  bulk: 2,
  temperature: 1,
  temperatureDifference: 1,
  resistance: 2,
  transmittance: 2,
  power: 0,
  electricPower: 0,
  elevation: 0,
  bearing: 0,
  energy: 0,
  angle: 1,
  share: 0,
  count: 0,
  airChanges: 2,
  speed: 1,
  money: 2,
  light: 1,
  hours: 0,
  priceByWeight: 2,
  arealPrice: 2,
  linearPrice: 2,
  bulkPrice: 2,
  airflow: 0,
  conductivity: 3,
  density: 0,
  specificHeat: 0,
  pressure: 0,
}
/** Units that need other decimals than their quantity. */
const UNIT_DECIMALS: Readonly<Record<string, number>> = {
  'in': 3,
  'R': 1,
  'lb': 0,
  'inH₂O': 2,
  'BTU/h·ft²·°F': 3,
  'BTU/lb·°F': 2,
  'BTU·in/h·ft²·°F': 2,
}
/** Times of the day and spans of hours up to this are shown to the quarter of an hour. */
const SHORT_H = 48

/** Writes a value in the reader's units. */
export type Show = (value: number, quantity: Quantity) => string

/** Values in SI units, as commands and files write them. */
export const inMetric: Show = (value, quantity) => formatQuantity(value, quantity, 'metric')

export interface FormatOptions {
  decimals?: number
  unit?: boolean
  sign?: boolean
}

const MINUS = '−'

/** A number with a true minus sign and no negative zero. */
export function formatNumber(value: number, decimals: number, sign = false): string {
  if (!Number.isFinite(value)) return '–'
  let text = Math.abs(value).toFixed(decimals)
  if (decimals === 0) text = text.replace(/\B(?=(\d{3})+$)/g, '\u202f')
  const zero = /^[0.\u202f]+$/.test(text)
  if (value < 0 && !zero) return MINUS + text
  return sign && !zero ? `+${text}` : text
}

/**
 * A value for reading, in the unit of the system: `4.60 m`, `15 ft 1 in`, `−3.4 °C`.
 * Feet are shown with whole inches unless `decimals` is given; what is cut, and thicknesses, in sixteenths of an inch.
 */
export function formatQuantity(
  value: number,
  quantity: Quantity,
  system: UnitSystem,
  options: FormatOptions = {},
): string {
  const u = shownUnit(quantity, system)
  if (!Number.isFinite(value)) return '–'
  if (u.symbol === 'ft' && quantity !== 'elevation' && options.decimals === undefined)
    return feetAndInches(value, quantity === 'cutLength' ? 16 : 1, options.sign)
  const shown = toShown(value, quantity, system)
  if (u.symbol === 'in' && options.decimals === undefined && (shown === 0 || Math.abs(shown) >= RULED_IN))
    return inches(value, options)
  const text = formatNumber(shown, options.decimals ?? decimalsOf(shown, quantity, u.symbol), options.sign)
  if (options.unit === false || u.symbol === '') return text
  const tight = u.symbol === '°' || u.symbol === '%' || u.symbol === '/h'
  if (u.symbol === 'R') return `R ${text}`
  return tight ? text + u.symbol : `${text}\u00a0${u.symbol}`
}

function decimalsOf(shown: number, quantity: Quantity, symbol: string): number {
  // A bottle is not to be rounded away, nor half an hour.
  if (quantity === 'volume' && Math.abs(shown) < 9.95) return 1
  if (symbol === 'h' && Math.abs(shown) < SHORT_H)
    return [0, 1].find(d => Math.abs(shown - Number(shown.toFixed(d))) < 1e-6) ?? 2
  // A floor of hundreds of square feet is not known to their tenths.
  if ((symbol === 'ft²' || symbol === 'ft³') && Math.abs(shown) >= 99.5) return 0
  // A harvest is weighed to the tenth, in pounds as well.
  if (quantity === 'harvest') return 1
  return UNIT_DECIMALS[symbol] ?? DECIMALS[quantity] ?? 1
}

/** From this on a thickness is read off a rule, in sixteenths; thinner ones are sheet and film, in. */
const RULED_IN = 1 / 8

/** A thickness as a rule gives it: `2 3/8 in`. */
function inches(metres: number, { sign, unit }: FormatOptions): string {
  const size = withFraction(Math.round((Math.abs(metres) / 0.0254) * 16) / 16)
  const lead = metres < 0 ? MINUS : sign ? '+' : ''
  return unit === false ? lead + size : `${lead}${size}\u00a0in`
}

/** @param parts of an inch that are told */
function feetAndInches(metres: number, parts: 1 | 16, sign = false): string {
  const inches = Math.round((Math.abs(metres) / 0.0254) * parts) / parts
  const lead = metres < 0 && inches > 0 ? MINUS : sign && inches > 0 ? '+' : ''
  const feet = Math.floor(inches / 12)
  const rest = inches - 12 * feet
  if (feet === 0) return `${lead}${withFraction(rest)}\u00a0in`
  return rest === 0 ? `${lead}${feet}\u00a0ft` : `${lead}${feet}\u00a0ft ${withFraction(rest)}\u00a0in`
}

/** Sixteenths in their lowest terms: `4 3/8`. */
function withFraction(inches: number): string {
  const whole = Math.floor(inches)
  let [over, under] = [Math.round((inches - whole) * 16), 16]
  if (over === 0) return String(whole)
  while (over % 2 === 0) [over, under] = [over / 2, under / 2]
  return whole === 0 ? `${over}/${under}` : `${whole} ${over}/${under}`
}

/** Amounts that stand in the names of goods and in remarks, and what they are. */
const NAMED: Readonly<Record<string, readonly [Quantity, number]>> = {
  'mm': ['thickness', 0.001],
  'm³/h': ['airflow', 1],
  'L': ['volume', 0.001],
  'm/s': ['speed', 1],
  'K': ['temperatureDifference', 1],
  'kg': ['harvest', 1],
}
const AMOUNT = /(\d+(?:\.\d+)?) (mm|m³\/h|L|m\/s|K|kg)(?![\w/·])/g

/** Vessels are sold in gallons by sizes of their own: a drum of 200 L is one of 55 gal. */
const SOLD_GAL: Readonly<Record<string, number>> = { 200: 55, 210: 55, 120: 30, 19: 5 }

/** The name of a thing or a remark as a reader measures it: `Blanket, 60 mm` is `Blanket, 2 3/8 in` to some. */
export const nameIn = (name: string, show: Show): string =>
  name.replace(AMOUNT, (as, amount: string, unit: string) => {
    const [quantity, si] = NAMED[unit]!
    const shown = show(Number(amount) * si, quantity)
    if (shown.endsWith('gal') && SOLD_GAL[amount]) return `${SOLD_GAL[amount]}\u00a0gal`
    return shown.endsWith(unit) ? as : shown
  })

/** Amounts as they stand in sentences of the core, which are metric, and what they are. */
const SAID: Readonly<Record<string, readonly [Quantity, number]>> = {
  'm': ['length', 1],
  'cm': ['thickness', 0.01],
  'mm': ['thickness', 0.001],
  'm²': ['area', 1],
  'm³': ['volume', 1],
  '°C': ['temperature', 1],
  'K': ['temperatureDifference', 1],
  'kg': ['mass', 1],
  'L': ['volume', 0.001],
}
const SAID_AMOUNT = /([-−]?\d+(?:\.\d+)?)[ \u00a0](m²|m³|mm|cm|m|°C|K|kg|L)(?![\w/·²³])/g

/** A sentence of the core as a reader measures it: `by 0.23 m` is `by 9 in` to one in feet. */
export const sentenceIn = (sentence: string, show: Show): string =>
  sentence.replace(SAID_AMOUNT, (as, amount: string, unit: string) => {
    const [quantity, si] = SAID[unit]!
    const shown = show(Number(amount.replace('−', '-')) * si, quantity)
    return shown.endsWith(unit) ? as : shown
  })
