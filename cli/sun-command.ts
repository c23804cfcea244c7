import { sunDay, sunPosition } from '../core/sun'
import { BadInput } from './bad-input'
import { numberOption, readOptions } from './options'

/** `sun --lat --lon --at`: the sun's place and its day. */
export function sunCommand(args: string[]): unknown {
  const { options } = readOptions(args, ['lat', 'lon', 'at'], [])
  const faults: string[] = []
  const collect = <T>(read: () => T): T | undefined => {
    try {
      return read()
    } catch (error) {
      if (!(error instanceof BadInput)) throw error
      faults.push(...error.lines)
      return undefined
    }
  }
  const lat = collect(() => numberOption('lat', options.lat, -90, 90))
  const lon = collect(() => numberOption('lon', options.lon, -180, 180))
  const at = collect(() => instant(options.at))
  if (lat === undefined || lon === undefined || at === undefined) throw new BadInput(faults)
  const p = sunPosition(at, lat, lon)
  const day = sunDay(at, lat, lon)
  const iso = (ms: number | null) =>
    ms === null ? null : new Date(Math.round(ms / 1000) * 1000).toISOString().replace('.000', '')
  const round = (x: number) => Math.round(x * 1e5) / 1e5
  return {
    altitudeDeg: round(p.altitudeDeg),
    azimuthDeg: round(p.azimuthDeg),
    apparentAltitudeDeg: round(p.apparentAltitudeDeg),
    solarNoonUtc: iso(day.solarNoonUtc),
    sunriseUtc: iso(day.sunriseUtc),
    sunsetUtc: iso(day.sunsetUtc),
    dayLengthH: round(day.dayLengthH),
  }
}

function instant(text: string | undefined): number {
  const allowed = 'an instant with its offset from 1950 to 2050, such as 2027-01-15T11:00:00Z'
  if (text === undefined) throw new BadInput([`--at: is missing; allowed: ${allowed}`])
  const parts = /^(\d{4})-(\d{2})-(\d{2})T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:?\d{2})$/.exec(text)
  const ms = parts ? Date.parse(text) : NaN
  if (parts && Number(parts[3]) > new Date(Date.UTC(Number(parts[1]), Number(parts[2]), 0)).getUTCDate()) {
    throw new BadInput([`--at: there is no ${parts[1]}-${parts[2]}-${parts[3]}; allowed: ${allowed}`])
  }
  const year = new Date(ms).getUTCFullYear()
  if (!Number.isFinite(ms) || year < 1950 || year > 2050)
    throw new BadInput([`--at: “${text}” is not usable; allowed: ${allowed}`])
  return ms
}
