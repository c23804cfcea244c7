/**
 * The kinds of quantity a person types or reads, each with its units. Factors turn a typed value into SI: `si = value *
 * factor + offset`.
 */
export type Quantity =
  | 'length'
  | 'thickness'
  | 'cutLength'
  | 'area'
  | 'volume'
  | 'bulk'
  | 'temperature'
  | 'temperatureDifference'
  | 'resistance'
  | 'transmittance'
  | 'power'
  | 'energy'
  | 'angle'
  | 'bearing'
  | 'latitude'
  | 'longitude'
  | 'elevation'
  | 'electricPower'
  | 'share'
  | 'count'
  | 'airChanges'
  | 'speed'
  | 'money'
  | 'light'
  | 'hours'
  | 'insolation'
  | 'mass'
  | 'harvest'
  | 'priceByWeight'
  | 'arealPrice'
  | 'linearPrice'
  | 'bulkPrice'
  | 'arealMass'
  | 'gapArea'
  | 'airflow'
  | 'pressure'
  | 'conductance'
  | 'conductivity'
  | 'density'
  | 'specificHeat'
  | 'duration'
  | 'lampLight'
  | 'ratio'

export type UnitSystem = 'metric' | 'us' | 'mixed'

export interface Unit {
  /** How it is shown, e.g. `m`. */
  readonly symbol: string
  /** Lower-case spellings accepted when typed. */
  readonly spellings: readonly string[]
  readonly factor: number
  readonly offset?: number
}

/** Metres in a foot, cubic metres in a US gallon, kilograms in a pound, joules in a BTU (International Table). */
export const FOOT = 0.3048
const INCH = 0.0254
const YARD = 3 * FOOT
export const US_GALLON = 0.003785411784
export const POUND = 0.45359237
export const BTU = 1055.05585262
/** One US R-value, h·ft²·°F/BTU, in m²·K/W. */
export const US_R = 0.1761101838

const unit = (symbol: string, factor: number, spellings: string[], offset?: number): Unit => ({
  symbol,
  factor,
  spellings: [symbol.toLowerCase(), ...spellings],
  offset,
})

const M = unit('m', 1, ['metre', 'metres', 'meter', 'meters'])
const CM = unit('cm', 0.01, ['centimetre', 'centimetres'])
const MM = unit('mm', 0.001, ['millimetre', 'millimetres'])
const FT = unit('ft', FOOT, ["'", 'foot', 'feet', '′'])
const IN = unit('in', INCH, ['"', 'inch', 'inches', '″', "''"])
const C = unit('°C', 1, ['c', 'celsius', 'degc', 'ºc'])
const F = unit('°F', 5 / 9, ['f', 'fahrenheit', 'degf', 'ºf'], -160 / 9)
const DEGREES = unit('°', 1, ['deg', 'degree', 'degrees'])
const WATT = unit('W', 1, ['watt', 'watts'])
const KILOWATT = unit('kW', 1000, ['kilowatt', 'kilowatts'])
const K = unit('K', 1, ['k', 'kelvin'], -273.15)

export const UNITS: Record<Quantity, readonly Unit[]> = {
  length: [M, FT, IN, CM, MM],
  thickness: [MM, IN, CM, M, FT],
  cutLength: [MM, FT, IN, CM, M],
  area: [unit('m²', 1, ['m2', 'sqm', 'm^2']), unit('ft²', FOOT * FOOT, ['ft2', 'sqft', 'sq ft', 'ft^2'])],
  volume: [
    unit('L', 0.001, ['l', 'litre', 'litres', 'liter', 'liters']),
    unit('gal', US_GALLON, ['gallon', 'gallons', 'usgal', 'us gal']),
    unit('m³', 1, ['m3', 'm^3']),
    unit('ft³', FOOT ** 3, ['ft3', 'cuft', 'ft^3']),
  ],
  // Earth, concrete and stone, by the lorry load.
  bulk: [unit('m³', 1, ['m3', 'm^3']), unit('yd³', YARD ** 3, ['yd3', 'cu yd', 'yd^3']), unit('L', 0.001, ['l'])],
  temperature: [C, F, K],
  temperatureDifference: [unit('K', 1, ['k', 'c', '°c', 'kelvin']), unit('°F', 5 / 9, ['f', 'degf'])],
  resistance: [unit('m²K/W', 1, ['m2k/w', 'm²·k/w', 'rsi', 'm2·k/w']), unit('R', US_R, ['ft²·°f·h/btu'])],
  transmittance: [
    unit('W/m²K', 1, ['w/m2k', 'w/m²·k', 'u']),
    unit('BTU/h·ft²·°F', 1 / US_R, ['btu/hft2f', 'btu/h·ft2·f']),
  ],
  power: [WATT, unit('BTU/h', 0.29307107, ['btu/h', 'btuh', 'btu/hr']), KILOWATT],
  energy: [
    unit('kWh', 3.6e6, []),
    unit('J', 1, ['joule']),
    unit('MJ', 1e6, []),
    unit('BTU', BTU, []),
    unit('therm', 105505585, []),
  ],
  angle: [DEGREES],
  bearing: [DEGREES],
  latitude: [DEGREES],
  longitude: [DEGREES],
  // Above the sea: nobody tells it in inches.
  elevation: [M, FT],
  // What a plug or a plate says: watts everywhere.
  electricPower: [WATT, KILOWATT],
  share: [unit('%', 0.01, ['percent', 'per cent'])],
  count: [unit('', 1, [])],
  airChanges: [unit('/h', 1, ['ach', 'per hour'])],
  speed: [unit('m/s', 1, ['ms']), unit('mph', 0.44704, []), unit('km/h', 1 / 3.6, ['kmh', 'kph'])],
  money: [unit('', 1, ['€', '$', '£'])],
  light: [unit('mol', 1, ['mol/m²·d', 'mol/m2d'])],
  mass: [
    unit('t', 1000, ['tonne', 'tonnes']),
    unit('kg', 1, ['kilogram', 'kilograms']),
    unit('lb', POUND, ['lbs', 'pound', 'pounds']),
  ],
  harvest: [unit('kg', 1, ['kilogram', 'kilograms']), unit('lb', POUND, ['lbs', 'pound', 'pounds'])],
  priceByWeight: [unit('/kg', 1, []), unit('/lb', 1 / POUND, [])],
  insolation: [unit('kWh/m²', 3.6e6, ['kwh/m2', 'kwh']), unit('MJ/m²', 1e6, ['mj/m2', 'mj'])],
  arealPrice: [unit('/m²', 1, []), unit('/ft²', 1 / (FOOT * FOOT), [])],
  linearPrice: [unit('/m', 1, []), unit('/ft', 1 / FOOT, [])],
  bulkPrice: [unit('/m³', 1, []), unit('/yd³', 1 / YARD ** 3, [])],
  arealMass: [unit('kg/m²', 1, []), unit('lb/ft²', POUND / (FOOT * FOOT), [])],
  gapArea: [unit('cm²', 1e-4, ['cm2']), unit('in²', INCH * INCH, ['in2'])],
  airflow: [unit('m³/h', 1, ['m3/h']), unit('cfm', 1.69901082, ['ft³/min', 'ft3/min']), unit('L/s', 3.6, ['l/s'])],
  conductance: [unit('W/K', 1, ['w/°c']), unit('BTU/h·°F', 0.52752793, ['btu/hf', 'btu/h·f'])],
  conductivity: [
    unit('W/m·K', 1, ['w/mk', 'w/m·°c', 'λ']),
    unit('BTU·in/h·ft²·°F', INCH / US_R, ['btu·in/hft2f', 'btu in/h ft2 f']),
  ],
  density: [unit('kg/m³', 1, ['kg/m3']), unit('lb/ft³', POUND / FOOT ** 3, ['lb/ft3', 'pcf'])],
  specificHeat: [unit('J/kg·K', 1, ['j/kgk']), unit('BTU/lb·°F', 4186.8, ['btu/lbf'])],
  pressure: [unit('Pa', 1, ['pascal']), unit('inH₂O', 249.08891, ['inh2o', 'in wg'])],
  duration: [unit('min', 60, ['minute', 'minutes']), unit('s', 1, ['second', 'seconds']), unit('h', 3600, ['hour'])],
  ratio: [unit('', 1, [])],
  lampLight: [unit('µmol/J', 1, ['umol/j', 'mol/mj'])],
  hours: [unit('h', 1, ['hour', 'hours', 'hr']), unit('min', 1 / 60, ['minute', 'minutes'])],
}

/** The SI unit of a quantity: the one that is stored as it is. Temperatures in °C, flows in m³/h, times in h. */
export const siSymbol = (quantity: Quantity): string =>
  UNITS[quantity].find(u => u.factor === 1 && !u.offset)?.symbol ?? ''

/** Which unit each system shows: metric; US; mixed (feet, inches, gallons and US R-values with °C and watts). */
const SHOWN: Record<Quantity, Record<UnitSystem, string>> = {
  length: { metric: 'm', us: 'ft', mixed: 'ft' },
  thickness: { metric: 'mm', us: 'in', mixed: 'in' },
  cutLength: { metric: 'mm', us: 'ft', mixed: 'ft' },
  area: { metric: 'm²', us: 'ft²', mixed: 'ft²' },
  volume: { metric: 'L', us: 'gal', mixed: 'gal' },
  bulk: { metric: 'm³', us: 'yd³', mixed: 'yd³' },
  temperature: { metric: '°C', us: '°F', mixed: '°C' },
  temperatureDifference: { metric: 'K', us: '°F', mixed: 'K' },
  resistance: { metric: 'm²K/W', us: 'R', mixed: 'R' },
  transmittance: { metric: 'W/m²K', us: 'BTU/h·ft²·°F', mixed: 'BTU/h·ft²·°F' },
  power: { metric: 'W', us: 'BTU/h', mixed: 'W' },
  energy: { metric: 'kWh', us: 'kWh', mixed: 'kWh' },
  angle: { metric: '°', us: '°', mixed: '°' },
  bearing: { metric: '°', us: '°', mixed: '°' },
  latitude: { metric: '°', us: '°', mixed: '°' },
  longitude: { metric: '°', us: '°', mixed: '°' },
  elevation: { metric: 'm', us: 'ft', mixed: 'ft' },
  electricPower: { metric: 'W', us: 'W', mixed: 'W' },
  share: { metric: '%', us: '%', mixed: '%' },
  count: { metric: '', us: '', mixed: '' },
  airChanges: { metric: '/h', us: '/h', mixed: '/h' },
  speed: { metric: 'm/s', us: 'mph', mixed: 'mph' },
  money: { metric: '', us: '', mixed: '' },
  light: { metric: 'mol', us: 'mol', mixed: 'mol' },
  hours: { metric: 'h', us: 'h', mixed: 'h' },
  mass: { metric: 't', us: 'lb', mixed: 'lb' },
  harvest: { metric: 'kg', us: 'lb', mixed: 'lb' },
  priceByWeight: { metric: '/kg', us: '/lb', mixed: '/lb' },
  arealPrice: { metric: '/m²', us: '/ft²', mixed: '/ft²' },
  linearPrice: { metric: '/m', us: '/ft', mixed: '/ft' },
  bulkPrice: { metric: '/m³', us: '/yd³', mixed: '/yd³' },
  arealMass: { metric: 'kg/m²', us: 'lb/ft²', mixed: 'lb/ft²' },
  gapArea: { metric: 'cm²', us: 'in²', mixed: 'in²' },
  airflow: { metric: 'm³/h', us: 'cfm', mixed: 'cfm' },
  conductance: { metric: 'W/K', us: 'BTU/h·°F', mixed: 'W/K' },
  conductivity: { metric: 'W/m·K', us: 'BTU·in/h·ft²·°F', mixed: 'BTU·in/h·ft²·°F' },
  density: { metric: 'kg/m³', us: 'lb/ft³', mixed: 'lb/ft³' },
  specificHeat: { metric: 'J/kg·K', us: 'BTU/lb·°F', mixed: 'J/kg·K' },
  pressure: { metric: 'Pa', us: 'inH₂O', mixed: 'Pa' },
  duration: { metric: 'min', us: 'min', mixed: 'min' },
  ratio: { metric: '', us: '', mixed: '' },
  lampLight: { metric: 'µmol/J', us: 'µmol/J', mixed: 'µmol/J' },
  insolation: { metric: 'kWh/m²', us: 'kWh/m²', mixed: 'kWh/m²' },
}

/** The unit in which `system` shows `quantity`. */
export function shownUnit(quantity: Quantity, system: UnitSystem): Unit {
  const symbol = SHOWN[quantity][system]
  return UNITS[quantity].find(u => u.symbol === symbol)!
}
