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
  area: 1,
  volume: 0,
  temperature: 1,
  temperatureDifference: 1,
  resistance: 2,
  transmittance: 2,
  power: 0,
  energy: 0,
  angle: 1,
  share: 0,
  count: 0,
  airChanges: 2,
  speed: 1,
  money: 2,
  light: 1,
  hours: 0,
  arealPrice: 2,
}

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
 * Feet are shown with whole inches unless `decimals` is given.
 */
export function formatQuantity(
  value: number,
  quantity: Quantity,
  system: UnitSystem,
  options: FormatOptions = {},
): string {
  const u = shownUnit(quantity, system)
  if (!Number.isFinite(value)) return '–'
  if (u.symbol === 'ft' && options.decimals === undefined) return feetAndInches(value, options.sign)
  const shown = toShown(value, quantity, system)
  let decimals = options.decimals ?? DECIMALS[quantity] ?? 1
  if (options.decimals === undefined && u.symbol === 'in') decimals = 2
  if (options.decimals === undefined && u.symbol === 'R') decimals = 1
  if (options.decimals === undefined && u.symbol === 'lb') decimals = 0
  // A bottle is not to be rounded away.
  if (options.decimals === undefined && quantity === 'volume' && Math.abs(shown) < 9.95) decimals = 1
  const text = formatNumber(shown, decimals, options.sign)
  if (options.unit === false || u.symbol === '') return text
  const tight = u.symbol === '°' || u.symbol === '%' || u.symbol === '/h'
  if (u.symbol === 'R') return `R ${text}`
  return tight ? text + u.symbol : `${text}\u00a0${u.symbol}`
}

function feetAndInches(metres: number, sign = false): string {
  const inches = Math.round(Math.abs(metres) / 0.0254)
  const lead = metres < 0 && inches > 0 ? MINUS : sign && inches > 0 ? '+' : ''
  const feet = Math.floor(inches / 12)
  const rest = inches % 12
  if (feet === 0) return `${lead}${rest}\u00a0in`
  return rest === 0 ? `${lead}${feet}\u00a0ft` : `${lead}${feet}\u00a0ft ${rest}\u00a0in`
}
