import { SOLAR_CONSTANT } from '../core/physics/constants'
import { dewPointC, HOURS, MONTH_DAYS, MONTH_START, skyInfraredWm2, standardPressurePa } from '../core/climate'
import { splitGlobal } from '../core/climate/radiation'
import { makeSunYear } from '../core/climate/sun-year'
import { rangeOf, type HourlyClimate } from '../core/design'
import { parseEpwTable } from './epw-table'
import { crossGaps } from './gaps'
import { unsoundHours } from './sound-hours'

/** What an EPW file says of its place, and its year. */
export interface EpwYear {
  place: string
  latitudeDeg: number
  longitudeDeg: number
  standardOffsetH: number
  elevationM: number
  climate: HourlyClimate
}

export type ReadEpw = { ok: true; epw: EpwYear } | { ok: false; message: string }

/**
 * Columns that are read, with the values that stand for “missing” and the range allowed. EnergyPlus Auxiliary Programs,
 * EPW data dictionary.
 */
const COLUMNS = {
  dryBulbC: { at: 6, missing: 99.9, min: -70, max: 70, name: 'dry bulb' },
  dewPointC: { at: 7, missing: 99.9, min: -70, max: 70, name: 'dew point' },
  humidity: { at: 8, missing: 999, min: 0, max: 110, name: 'relative humidity' },
  pressurePa: { at: 9, missing: 999999, min: 31000, max: 120000, name: 'pressure' },
  skyInfraredWm2: { at: 12, missing: 9999, min: 0, max: 900, name: 'horizontal infrared' },
  globalWm2: { at: 13, missing: 9999, min: 0, max: 2000, name: 'global radiation' },
  beamWm2: { at: 14, missing: 9999, min: 0, max: 1600, name: 'direct radiation' },
  diffuseWm2: { at: 15, missing: 9999, min: 0, max: 1500, name: 'diffuse radiation' },
  windMs: { at: 21, missing: 999, min: 0, max: 80, name: 'wind speed' },
  cloud: { at: 22, missing: 99, min: 0, max: 10, name: 'sky cover' },
  snowCm: { at: 30, missing: 999, min: 0, max: 998, name: 'snow depth' },
} as const
type Column = keyof typeof COLUMNS

/** Longest run of missing hours that is filled by a straight line. */
const LONGEST_GAP_H = 6

/**
 * Reads an EPW weather file of one year. A leap day is dropped; codes for “missing” are filled (temperature up to 6 h
 * by a straight line, the rest from what is known) and said in the notes; a bad row is named by its line. Stamps are
 * hour-ending: row 1 is 00:00–01:00, local standard time.
 */
export function readEpw(text: string, fileName: string): ReadEpw {
  const no = (message: string): ReadEpw => ({ ok: false, message })
  const table = parseEpwTable(text)
  const location = table.heading[0]?.split(',') ?? []
  if (!/^LOCATION$/i.test(location[0]?.trim() ?? ''))
    return no('Line 1 does not begin with LOCATION, so this is not an EPW weather file.')
  const [latitudeDeg, longitudeDeg, standardOffsetH, elevationM] = [6, 7, 8, 9].map(i =>
    location[i]?.trim() ? Number(location[i]) : NaN,
  ) as [number, number, number, number]
  if (!(Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180))
    return no('Line 1 gives no latitude from −90 to 90 and longitude from −180 to 180 in its 7th and 8th fields.')
  if (!(Math.abs(standardOffsetH) <= 14)) return no('Line 1 gives no time zone from −14 to 14 h in its 9th field.')
  const [lowest, highest] = rangeOf('site.elevationM')
  if (!(elevationM >= lowest && elevationM <= highest))
    return no(`Line 1 gives no elevation from ${lowest} to ${highest} m in its 10th field.`)
  if (table.rows.length === 0) return no('There are no rows of data after the heading.')

  const values = Object.fromEntries(Object.keys(COLUMNS).map(k => [k, new Float64Array(HOURS).fill(NaN)])) as Record<
    Column,
    Float64Array
  >
  let hours = 0
  let leap = 0
  for (let i = 0; i < table.rows.length; i++) {
    const cells = table.rows[i]!
    const at = table.lines[i]!
    if (cells.length < 23)
      return no(`Line ${at} has ${cells.length} fields; 23 or more are needed. The file may be cut short.`)
    const month = Number(cells[1])
    const day = Number(cells[2])
    const hour = Number(cells[3])
    if (!(month >= 1 && month <= 12 && day >= 1 && day <= 31 && hour >= 1 && hour <= 24))
      return no(`Line ${at} has no proper date: month ${cells[1]}, day ${cells[2]}, hour ${cells[3]}.`)
    if (month === 2 && day === 29) {
      leap++
      continue
    }
    if (day > MONTH_DAYS[month - 1]!) return no(`Line ${at} has day ${day} in month ${month}.`)
    const h = (MONTH_START[month - 1]! + day - 1) * 24 + hour - 1
    if (h !== hours)
      return no(
        `Line ${at} is month ${month}, day ${day}, hour ${hour}; hour ${hours + 1} of the year was expected ` +
          `there. Files of one year, 1 January to 31 December in hourly rows, are read.`,
      )
    for (const [name, column] of Object.entries(COLUMNS) as [Column, (typeof COLUMNS)[Column]][]) {
      const cell = cells[column.at]?.trim() ?? ''
      const value = cell === '' ? column.missing : Number(cell)
      if (Number.isNaN(value)) return no(`Line ${at}: the ${column.name} “${cell}” is not a number.`)
      if (value >= column.missing) continue
      if (value < column.min || value > column.max)
        return no(`Line ${at}: the ${column.name} is ${value}; allowed is ${column.min} to ${column.max}.`)
      values[name][h] = value
    }
    hours++
  }
  if (hours !== HOURS)
    return no(
      `There are ${hours} hourly rows; a full year of ${HOURS} is needed. The file ends after line ` +
        `${table.lines[table.lines.length - 1]}.`,
    )

  const notes: string[] = []
  if (leap > 0) notes.push('The leap day was left out.')
  const gap = crossGaps(values.dryBulbC)
  if (gap.longest > LONGEST_GAP_H)
    return no(
      `The dry bulb is missing for ${gap.longest} hours from line ${table.lines[gap.at]}; gaps up to ` +
        `${LONGEST_GAP_H} hours are filled.`,
    )
  if (gap.count > 0) notes.push(`${gap.count} missing hours of temperature were filled by straight lines.`)
  completeYear(values, { latitudeDeg, longitudeDeg, standardOffsetH, elevationM }, notes)
  const round = (a: Float64Array, digits: number) => Array.from(a, v => Math.round(v * 10 ** digits) / 10 ** digits)
  const climate: HourlyClimate = {
    kind: 'hourly',
    source: fileName,
    notes,
    dryBulbC: round(values.dryBulbC, 2),
    dewPointC: round(values.dewPointC, 2),
    pressurePa: round(values.pressurePa, 0),
    globalWm2: round(values.globalWm2, 1),
    beamWm2: round(values.beamWm2, 1),
    diffuseWm2: round(values.diffuseWm2, 1),
    skyInfraredWm2: round(values.skyInfraredWm2, 1),
    windMs: round(values.windMs, 2),
    cloud: round(values.cloud, 2),
    ...(values.snowCm.some(v => v > 0)
      ? { snowM: Array.from(values.snowCm, v => (v > 0 ? Math.round(v) / 100 : 0)) }
      : {}),
  }
  const unsound = unsoundHours(climate)
  if (unsound) return no(unsound)
  return {
    ok: true,
    epw: {
      place: (location[1]?.trim() || fileName).slice(0, 120),
      latitudeDeg,
      longitudeDeg,
      standardOffsetH,
      elevationM,
      climate,
    },
  }
}

/** Fills what an EPW leaves out from what it gives, and says so. */
function completeYear(
  values: Record<Column, Float64Array>,
  site: { latitudeDeg: number; longitudeDeg: number; standardOffsetH: number; elevationM: number },
  notes: string[],
): void {
  const missing = (name: Column) => values[name].reduce((n, v) => n + (Number.isNaN(v) ? 1 : 0), 0)
  const say = (name: Column, how: string) => {
    const n = missing(name)
    if (n > 0) notes.push(`${n} hours without ${COLUMNS[name].name}: ${how}.`)
  }
  say('dewPointC', 'taken from the relative humidity, or 2 K below the air')
  say('pressurePa', 'standard pressure at that height')
  say('windMs', '2.5 m/s')
  say('cloud', 'half-covered sky')
  say('globalWm2', 'summed from beam and diffuse, or none')
  say('beamWm2', 'split from global (Erbs)')
  say('skyInfraredWm2', 'estimated from dew point and cloud (Berdahl–Martin)')
  const sun = makeSunYear(site.latitudeDeg, site.longitudeDeg, site.standardOffsetH)
  const standard = standardPressurePa(site.elevationM)
  for (let h = 0; h < HOURS; h++) {
    const t = values.dryBulbC[h]!
    if (Number.isNaN(values.pressurePa[h]!)) values.pressurePa[h] = standard
    if (Number.isNaN(values.dewPointC[h]!))
      values.dewPointC[h] = Number.isNaN(values.humidity[h]!) ? t - 2 : dewPointC(t, values.humidity[h]! / 100)
    if (Number.isNaN(values.windMs[h]!)) values.windMs[h] = 2.5
    values.cloud[h] = Number.isNaN(values.cloud[h]!) ? 0.5 : values.cloud[h]! / 10
    const up = Math.max(0, Math.sin((sun.altitudeDeg[h]! * Math.PI) / 180))
    if (Number.isNaN(values.globalWm2[h]!))
      values.globalWm2[h] = (values.beamWm2[h]! || 0) * up + (values.diffuseWm2[h]! || 0)
    const split = splitGlobal(values.globalWm2[h]!, sun.altitudeDeg[h]!, SOLAR_CONSTANT)
    if (Number.isNaN(values.beamWm2[h]!)) values.beamWm2[h] = split.beam
    if (Number.isNaN(values.diffuseWm2[h]!))
      values.diffuseWm2[h] = Math.max(0, values.globalWm2[h]! - values.beamWm2[h]! * up)
    // Some files write 0 for “not measured” here; a sky that radiates nothing does not exist.
    if (!(values.skyInfraredWm2[h]! > 50))
      values.skyInfraredWm2[h] = skyInfraredWm2(
        t,
        values.dewPointC[h]!,
        values.cloud[h]!,
        (h % 24) + 0.5,
        values.pressurePa[h]!,
      )
  }
}
