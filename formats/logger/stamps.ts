import { offsetH } from '../../core/climate/time-zone'

/** What a stamp says: its parts on a clock as if that were UTC, how far it runs ahead of UTC where it says so, min. */
export interface Stamp {
  ms: number
  offsetMin: number | null
  /** It names a day and no hour. */
  dayOnly: boolean
}

/** 2027-01-31 14:00, with T or / and an offset; 31.1.2027 14:00 or 1/31/27 2:00 pm or 31-Jan-2027. */
const CLOCK = '(?:[T, ]+(\\d{1,2})[:.h](\\d{2})(?:[:.](\\d{2})(?:[.,]\\d+)?)?)?'
const ISO_STAMP = new RegExp(`^(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})${CLOCK}\\s*(Z|UTC|[+-]\\d{2}:?\\d{2})?$`)
const OTHER_STAMP = new RegExp(`^(\\d{1,2})[-/. ]+(\\d{1,2}|[A-Za-zäé]{3,9})\\.?[-/. ]+(\\d{2,4})${CLOCK}$`)
const MONTHS = [
  'jan|january|januar|janvier|ene',
  'feb|february|februar|février|fev',
  'mar|march|märz|mär|mrz|mars',
  'apr|april|avril|abr',
  'may|mai|mayo',
  'jun|june|juni|juin',
  'jul|july|juli|juillet',
  'aug|august|août|ago',
  'sep|sept|september|septembre',
  'oct|october|okt|oktober|octobre',
  'nov|november|novembre',
  'dec|december|dez|dezember|décembre|dic',
].map(names => names.split('|'))
const HALF_DAY = /\s*([ap])\.?\s?m\.?$/i
/** Seconds and milliseconds since 1970, and days since 1900 as spreadsheets count. */
const EPOCH = /^\d{9,10}(\.\d+)?$/
const EPOCH_MS = /^\d{12,13}$/

/** A stamp of any of the usual forms; null for none. */
export function partsOf(stamp: string, dayFirst: boolean): Stamp | null {
  const text = stamp.trim()
  if (EPOCH.test(text)) return { ms: Number(text) * 1000, offsetMin: 0, dayOnly: false }
  if (EPOCH_MS.test(text)) return { ms: Number(text), offsetMin: 0, dayOnly: false }
  const half = HALF_DAY.exec(text)
  const plain = half ? text.slice(0, half.index) : text
  const isPm = half ? half[1]!.toLowerCase() : ''
  const iso = ISO_STAMP.exec(plain)
  if (iso) return made([+iso[1]!, +iso[2]!, +iso[3]!], iso[4], iso[5], iso[6], iso[7], isPm)
  const other = OTHER_STAMP.exec(plain)
  if (!other) return null
  const [a, b] = [+other[1]!, other[2]!]
  const year = other[3]!.length < 3 ? 2000 + +other[3]! : +other[3]!
  const named = MONTHS.findIndex(names => names.includes(b.toLowerCase()))
  const [month, day] = named >= 0 ? [named + 1, a] : dayFirst ? [+b, a] : [a, +b]
  return made([year, month, day], other[4], other[5], other[6], undefined, isPm)
}

function made(
  [year, month, day]: [number, number, number],
  hour: string | undefined,
  minute: string | undefined,
  second: string | undefined,
  offset: string | undefined,
  half: string,
): Stamp | null {
  const h = half === '' ? +(hour ?? 0) : (+(hour ?? 0) % 12) + (half === 'p' ? 12 : 0)
  if (!(month >= 1 && month <= 12 && day >= 1 && day <= 31 && h <= 24 && +(minute ?? 0) <= 59)) return null
  const ms = Date.UTC(year, month - 1, day, h, +(minute ?? 0), +(second ?? 0))
  if (h < 24 && new Date(ms).getUTCDate() !== day) return null
  const sign = offset?.startsWith('-') ? -1 : 1
  const offsetMin =
    offset === undefined ? null : /^(Z|UTC)$/.test(offset) ? 0 : sign * (+offset.slice(1, 3) * 60 + +offset.slice(-2))
  return { ms, offsetMin, dayOnly: hour === undefined }
}

/** Whether a cell is a time of day: 14:00, 2:00 pm, 14.00.30. */
export const isClock = (cell: string): boolean =>
  /^\s*\d{1,2}[:.h]\d{2}([:.]\d{2}([.,]\d+)?)?(\s*[ap]\.?m\.?)?\s*$/i.test(cell)

/** Reads stamps of a whole file; a day that comes again and again is worked out once. */
export function stampReader(dayFirst: boolean): (day: string, clock: string | null) => Stamp | null {
  const days = new Map<string, Stamp | null>()
  const dayOf = (text: string): Stamp | null => {
    let known = days.get(text)
    if (known === undefined) {
      known = partsOf(text, dayFirst)
      if (days.size > 5000) days.clear()
      days.set(text, known)
    }
    return known
  }
  const TAIL = /^(\S+)[T ](\d{2}):(\d{2})(?::(\d{2}))?$/
  return (day, clock) => {
    if (clock !== null) return partsOf(`${day.trim()} ${clock.trim()}`, dayFirst)
    const split = TAIL.exec(day)
    if (!split) return partsOf(day, dayFirst)
    const its = dayOf(split[1]!)
    const [h, minute] = [+split[2]!, +split[3]!]
    if (its === null || !its.dayOnly || h > 24 || minute > 59) return partsOf(day, dayFirst)
    return { ms: its.ms + (h * 3600 + minute * 60 + +(split[4] ?? 0)) * 1000, offsetMin: null, dayOnly: false }
  }
}

const HOUR_MS = 3_600_000

/**
 * Instants that a clock of a zone may mean by what it shows, UTC ms: one; two where an hour comes twice; where one is
 * left out, the one that it would have been.
 */
export function instantsOf(zone: string | number): (wallMs: number) => [number, number?] {
  if (typeof zone === 'number') return wallMs => [wallMs - zone * HOUR_MS]
  const byDay = new Map<number, number>()
  const ofDay = (day: number): number => {
    let known = byDay.get(day)
    if (known === undefined) {
      known = offsetH(zone, day * 24 * HOUR_MS) * HOUR_MS
      byDay.set(day, known)
    }
    return known
  }
  return wallMs => {
    const day = Math.floor(wallMs / (24 * HOUR_MS))
    const offsets = [ofDay(day - 1), ofDay(day + 2)]
    // Days with one offset before and after have no change in them.
    if (offsets[0] === offsets[1]) return [wallMs - offsets[0]!]
    const meant = offsets.map(o => wallMs - o).filter((utc, i) => offsetH(zone, utc) * HOUR_MS === offsets[i])
    return meant.length === 2 ? [Math.min(...meant), Math.max(...meant)] : [meant[0] ?? wallMs - offsets[0]!]
  }
}
