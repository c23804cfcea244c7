import { dayName } from '../core/climate'
import { climateFaults, type HourlyClimate } from '../core/design'

/** Why a document would refuse a year of weather, in a sentence with its day and hour; null where it would not. */
export function unsoundHours(climate: HourlyClimate): string | null {
  const fault = climateFaults(climate)[0]
  if (!fault) return null
  const found = /^\.(\w+)\[(\d+)\]$/.exec(fault.at)
  const where = found
    ? `${found[1]} of ${dayName(Math.floor(Number(found[2]) / 24))}, ${Number(found[2]) % 24}:00`
    : fault.at.slice(1)
  return `The ${where} ${fault.message}; allowed is ${fault.allowed}.`
}
