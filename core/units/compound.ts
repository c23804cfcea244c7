import { formatNumber } from './format'
import { BTU, FOOT, POUND, US_GALLON, type UnitSystem } from './quantity'

/** Kelvins in a degree Fahrenheit. */
const F_K = 5 / 9
const GALLON_L = 1000 * US_GALLON

type Shown = readonly [symbol: string, si: number]

/** Units of sums and of fuels: as they are shown in metric and in US units, and how much of the SI one each is. */
const COMPOUND: Readonly<Record<string, { metric: Shown; us: Shown }>> = {
  'kg': { metric: ['kg', 1], us: ['lb', POUND] },
  'kg/m²': { metric: ['kg/m²', 1], us: ['lb/ft²', POUND / FOOT ** 2] },
  'kg/m³': { metric: ['kg/m³', 1], us: ['lb/ft³', POUND / FOOT ** 3] },
  'L': { metric: ['L', 1], us: ['gal', GALLON_L] },
  'L/h': { metric: ['L/h', 1], us: ['gal/h', GALLON_L] },
  'L/m²': { metric: ['L/m²', 1], us: ['gal/ft²', GALLON_L / FOOT ** 2] },
  '/kg': { metric: ['/kg', 1], us: ['/lb', 1 / POUND] },
  '/L': { metric: ['/L', 1], us: ['/gal', 1 / GALLON_L] },
  '/m³': { metric: ['/m³', 1], us: ['/ft³', FOOT ** -3] },
  'kWh/kg': { metric: ['kWh/kg', 1], us: ['kWh/lb', 1 / POUND] },
  'kWh/L': { metric: ['kWh/L', 1], us: ['kWh/gal', 1 / GALLON_L] },
  'kWh/m³': { metric: ['kWh/m³', 1], us: ['kWh/ft³', FOOT ** -3] },
  'm/m³': { metric: ['m/m³', 1], us: ['ft/ft³', FOOT ** -2] },
  'm³': { metric: ['m³', 1], us: ['ft³', FOOT ** 3] },
  'K': { metric: ['K', 1], us: ['°R', F_K] },
  'K·h': { metric: ['K·h', 1], us: ['°F·h', F_K] },
  'J/K': { metric: ['kJ/K', 1000], us: ['BTU/°F', BTU / F_K] },
  'J/kg': { metric: ['kJ/kg', 1000], us: ['BTU/lb', BTU / POUND] },
  'J/kgK': { metric: ['kJ/kg·K', 1000], us: ['BTU/lb·°F', BTU / POUND / F_K] },
  'J/m³K': { metric: ['kJ/m³·K', 1000], us: ['BTU/ft³·°F', BTU / FOOT ** 3 / F_K] },
}

/**
 * A value in a unit that no field has, to so many figures: `1.163 kJ/kg·K`. A unit that is the same for everybody, or
 * none, stands as it is. Who mixes has feet, gallons and pounds, and heat and degrees in metric.
 * @param value SI
 * @param unit the SI unit as a sum names it
 * @param digits figures that count, 1–21
 */
export function formatCompound(value: number, unit: string, system: UnitSystem, digits = 4): string {
  const inUs = system === 'us' || (system === 'mixed' && !/[JK]/.test(unit))
  const [symbol, si] = COMPOUND[unit]?.[inUs ? 'us' : 'metric'] ?? [unit, 1]
  const shown = Number((value / si).toPrecision(digits))
  const decimals = Math.max(0, digits - 1 - Math.floor(Math.log10(Math.max(1e-6, Math.abs(shown)))))
  const text = formatNumber(shown, decimals)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')
  return /^(\/|$)/.test(symbol) ? text + symbol : `${text}\u00a0${symbol}`
}
