import { parseQuantity, type UnitSystem } from '../units'

/** A figure of the winters of a place that people know: what most of them bring, or the coldest ever, °C. */
export type KnownLow =
  | { meanYearlyLowC: number; designLowC?: undefined }
  | { designLowC: number; meanYearlyLowC?: undefined }

export type ReadLow = { ok: true; known: KnownLow; words: string } | { ok: false; message: string }

/** Hardiness zones: bands of ten °F of the mean yearly low, zone 1 from −60 °F; a and b are its halves. */
const ZONES = 13
const ZONE_FROM_F = -60
const ZONE_F = 10
const celsius = (f: number) => Math.round(((f - 32) / 1.8) * 10) / 10

const ZONE = /^(?:zone|z|usda|hardiness|hardiness zone|usda zone)?\s*(\d{1,2})\s*([ab])?$/i

/** The mean yearly low of a hardiness zone, °C: the middle of its band. null for no zone. */
export function zoneLowC(zone: number, half: 'a' | 'b' | null): number | null {
  if (!Number.isInteger(zone) || zone < 1 || zone > ZONES) return null
  const from = ZONE_FROM_F + ZONE_F * (zone - 1)
  return celsius(half === null ? from + ZONE_F / 2 : from + (half === 'a' ? ZONE_F / 4 : (3 * ZONE_F) / 4))
}

/**
 * Reads a figure that people know of their winters.
 * @param kind `zone`: a hardiness zone such as 6 or 7b; `usual`: the coldest of most winters; `record`: the coldest
 *   that anybody knows of
 */
export function readKnownLow(text: string, kind: 'zone' | 'usual' | 'record', units: UnitSystem): ReadLow {
  if (kind === 'zone') {
    const match = ZONE.exec(text.trim())
    const half = (match?.[2]?.toLowerCase() ?? null) as 'a' | 'b' | null
    const lowC = match ? zoneLowC(Number(match[1]), half) : null
    if (lowC === null)
      return { ok: false, message: `“${text.trim()}” is no zone; a zone is 1 to ${ZONES}, as in 6 or 7b` }
    return { ok: true, known: { meanYearlyLowC: lowC }, words: `zone ${Number(match![1])}${half ?? ''}` }
  }
  const parsed = parseQuantity(text, 'temperature', units)
  if (!parsed.ok) return parsed
  if (parsed.value < -70 || parsed.value > 25)
    return { ok: false, message: 'A winter’s low lies between −70 and 25 °C (−94 and 77 °F)' }
  const value = Math.round(parsed.value * 10) / 10
  return kind === 'usual'
    ? { ok: true, known: { meanYearlyLowC: value }, words: 'the coldest of most winters' }
    : { ok: true, known: { designLowC: value }, words: 'the coldest that anybody knows of' }
}
