/** A place on the earth, degrees; south and west negative. */
export interface Coordinates {
  latitudeDeg: number
  longitudeDeg: number
}

/** A place of the offline list. */
export interface Place extends Coordinates {
  name: string
  region: string
  country: string
}

export type ReadCoordinates = { ok: true; coordinates: Coordinates } | { ok: false; message: string }

interface Angle {
  degrees: number
  letter: string
}

const NUMBER = '\\d+(?:[.,]\\d+)?'
const ANGLE = new RegExp(
  `([NSEWO])?\\s*([+-])?\\s*(${NUMBER})\\s*(?:°|º|d|deg|\\s|$)?\\s*` +
    `(?:(${NUMBER})\\s*(?:['′’m]|\\s|$))?\\s*(?:(${NUMBER})\\s*(?:"|″|”|''|s|$)?)?\\s*([NSEWO])?`,
  'i',
)

/** One angle from its words: 47.4, 47° 24′, 47°24'30"N, N47 24.5. A letter at either end. */
function readAngle(text: string): Angle | string {
  const t = text.trim().replace(/[−–]/g, '-')
  const match = ANGLE.exec(t)
  if (!match || match[0].trim() !== t || t === '')
    return `“${text.trim()}” is not an angle such as 47.4, 47° 24′ or N47 24.5`
  const [, before, sign, d, m, s, after] = match
  if (before && after) return `“${text.trim()}” has a letter at both ends`
  const value = (v: string | undefined) => (v === undefined ? 0 : Number(v.replace(',', '.')))
  if (value(m) >= 60 || value(s) >= 60) return `“${text.trim()}” has minutes or seconds of 60 or more`
  if (m !== undefined && /[.,]/.test(d!)) return `“${text.trim()}” has minutes after a decimal degree`
  // In several tongues west is O; it is taken for west only beside a clear north or south.
  const letter = (before ?? after ?? '').toUpperCase().replace('O', 'W')
  const size = value(d) + value(m) / 60 + value(s) / 3600
  const negative = sign === '-' || letter === 'S' || letter === 'W'
  if (sign === '-' && letter) return `“${text.trim()}” has both a minus and a letter`
  return { degrees: negative ? -size : size, letter }
}

/**
 * Reads a place from its coordinates in any usual notation: decimal degrees, degrees and minutes, degrees, minutes and
 * seconds; letters or signs; comma, semicolon or space between; decimal commas where they cannot be mistaken. Latitude
 * first unless letters say otherwise. Never throws.
 */
export function readCoordinates(text: string): ReadCoordinates {
  const no = (message: string): ReadCoordinates => ({
    ok: false,
    message: `${message}. Write latitude, then longitude: 47.4, 14.9 or 47°24′N 14°54′E.`,
  })
  const plain = text.trim()
  if (plain === '') return no('There is nothing to read')
  if (plain.length > 80) return no('That is too long for two angles')
  const parts = halves(plain)
  if (!parts) return no(`“${plain}” does not split into two angles`)
  const [first, second] = parts.map(readAngle) as [Angle | string, Angle | string]
  if (typeof first === 'string') return no(first)
  if (typeof second === 'string') return no(second)
  const isLongitude = (a: Angle) => a.letter === 'E' || a.letter === 'W'
  const isLatitude = (a: Angle) => a.letter === 'N' || a.letter === 'S'
  if ((isLatitude(first) && isLatitude(second)) || (isLongitude(first) && isLongitude(second)))
    return no('Both angles name the same axis')
  const [lat, lon] = isLongitude(first) || isLatitude(second) ? [second, first] : [first, second]
  if (Math.abs(lat.degrees) > 90) return no(`The latitude is ${lat.degrees}; allowed is −90 to 90`)
  if (Math.abs(lon.degrees) > 180) return no(`The longitude is ${lon.degrees}; allowed is −180 to 180`)
  return { ok: true, coordinates: { latitudeDeg: lat.degrees, longitudeDeg: lon.degrees } }
}

/** The two angles of a text: by a clear separator, by letters, or by the space in the middle. */
function halves(text: string): [string, string] | null {
  for (const separator of [/\s*[;/|]\s*/, /\s*,\s+/, /\s+,\s*/]) {
    const parts = text.split(separator)
    if (parts.length === 2) return parts as [string, string]
  }
  if ((text.match(/,/g) ?? []).length === 1 && !/\s/.test(text.replace(/,/, '')))
    return text.split(',') as [string, string]
  const after = /^(.*?\d[^A-Z]*[NSEWO])[\s,]*(.*\d.*[NSEWO])$/i.exec(text)
  if (after) return [after[1]!, after[2]!]
  const before = /^([NSEWO].*?\d[^NSEWO]*?)[\s,]*([NSEWO].*)$/i.exec(text)
  if (before) return [before[1]!, before[2]!]
  const words = text.split(/\s+/)
  if (words.length === 2 || words.length === 4 || words.length === 6)
    return [words.slice(0, words.length / 2).join(' '), words.slice(words.length / 2).join(' ')]
  return null
}

/** Degrees, minutes and seconds with letters, to a tenth of a second (about 3 m). */
export function formatCoordinates({ latitudeDeg, longitudeDeg }: Coordinates): string {
  const one = (v: number, plus: string, minus: string) => {
    const tenths = Math.round(Math.abs(v) * 36000)
    const d = Math.floor(tenths / 36000)
    const m = Math.floor((tenths % 36000) / 600)
    const s = ((tenths % 600) / 10).toFixed(1)
    return `${d}°${String(m).padStart(2, '0')}′${s.padStart(4, '0')}″${v < 0 ? minus : plus}`
  }
  return `${one(latitudeDeg, 'N', 'S')} ${one(longitudeDeg, 'E', 'W')}`
}
