import { READINGS, type ReadingId } from '../../core/season/log'

/** What a column of a logger's file may be; `skip` is left out. Dates with lows and highs by the day have their own. */
export const LOGGER_COLUMNS = {
  skip: 'left out',
  time: 'time or day',
  clock: 'hour and minute',
  insideC: READINGS.insideC.name,
  outsideC: READINGS.outsideC.name,
  soilC: READINGS.soilC.name,
  waterC: READINGS.waterC.name,
  rh: READINGS.rh.name,
  sunWm2: READINGS.sunWm2.name,
  insideMinC: 'lowest inside of the day',
  insideMaxC: 'highest inside of the day',
  outsideMinC: 'lowest outside of the day',
  outsideMaxC: 'highest outside of the day',
} as const
export type LoggerColumn = keyof typeof LOGGER_COLUMNS
/** A column that holds readings. */
export type ReadColumn = Exclude<LoggerColumn, 'skip' | 'time' | 'clock'>

export const isReading = (column: LoggerColumn): column is ReadColumn =>
  column !== 'skip' && column !== 'time' && column !== 'clock'
/** Whether a column is of lows or highs by the day. */
export const isOfDay = (column: LoggerColumn): boolean => /(Min|Max)C$/.test(column)
export const isDegrees = (column: LoggerColumn): boolean => column.endsWith('C')

/** The reading whose range a column has: a day's lowest inside is air inside. */
export const readingOf = (column: ReadColumn): ReadingId => column.replace(/(Min|Max)C$/, 'C') as ReadingId

/** Words of headings in the languages that loggers speak, each before those that it must not be taken for. */
const LOW = 'min|low|tief|niedrig|min\\.'
const HIGH = 'max|high|hoch|höchst'
const IN = 'in|inside|indoor|innen|green|gewächshaus|house|int|intérieur|interior|dentro|inne'
const OUT = 'out|outside|outdoor|au(?:ß|ss)en|ext|extérieur|exterior|fuera|ambient|ute'
const both = (a: string, b: string) =>
  new RegExp(`(?:^|[^a-zß-ÿ])(?:${a})(?:.*(?:^|[^a-z])|[a-z]*[_ ]?)(?:${b})|(?:${b}).*(?:${a})`, 'i')
const GUESSES: readonly [LoggerColumn, RegExp][] = [
  ['outsideMinC', both(OUT, LOW)],
  ['outsideMaxC', both(OUT, HIGH)],
  ['insideMinC', both(IN, LOW)],
  ['insideMaxC', both(IN, HIGH)],
  ['clock', /^\W*(?:clock|uhrzeit|hour|heure|hora|time of day|klockslag)\W*$/i],
  ['time', /time|date|stamp|zeit|\bday\b|datum|\btag\b|epoch|unix|horodat|fecha|jour|\bdt\b/i],
  ['clock', /uhr|hour|heure|hora|clock/i],
  ['rh', /humid|\brh\b|feuchte|\br\.?f\.?\b|humedad|%\s*r\.?h|fukt/i],
  ['sunWm2', /sun|solar|radiation|w\/m|strahlung|globalstr|pyrano/i],
  ['soilC', /soil|\bbed\b|ground|boden|erde|\bsol\b|suelo|jord/i],
  ['waterC', /water|tank|barrel|drum|wasser|fass|\beau\b|agua|vatten/i],
  ['outsideC', /out(?!put)|\bext|ambient|au(?:ß|ss)en|extérieur|exterior|fuera|\bute\b/i],
  ['insideC', /\bin(?:side|door|nen)?\b|_in\b|green|house|temp|\bair\b|luft|sensor|°|\bt\d?\b|kanal|channel|probe/i],
]

/** A first guess of what the columns are, from their names; one of each. */
export function guessColumns(heading: readonly string[]): LoggerColumn[] {
  const taken = new Set<LoggerColumn>()
  return heading.map(name => {
    const plain = name.replace(/_/g, ' ').trim()
    const found = GUESSES.find(([, words]) => words.test(name) || words.test(plain))
    if (!found || taken.has(found[0])) return 'skip'
    taken.add(found[0])
    return found[0]
  })
}

/** Columns that are named as one that is there already: two sensors of one kind, whose second is left out. */
export const alike = (heading: readonly string[], columns: readonly LoggerColumn[]): number[] =>
  heading.flatMap((name, i) => {
    if (columns[i] !== 'skip') return []
    const [its] = guessColumns([name])
    return its !== undefined && isReading(its) && columns.includes(its) ? [i] : []
  })

/** Degrees as a heading says: °F, (F), _F, Fahrenheit. */
export function unitOfHeading(name: string): 'C' | 'F' | null {
  if (/°\s?F|[([]\s*F\s*[)\]]|\bF$|_F\b|fahrenheit/i.test(name)) return 'F'
  if (/°\s?C|[([]\s*C\s*[)\]]|\bC$|_C\b|celsius|centigrade/i.test(name)) return 'C'
  return null
}
