/** Points of the compass, clockwise from north, each 22.5° on. */
export const COMPASS_POINTS = [
  'north',
  'north-north-east',
  'north-east',
  'east-north-east',
  'east',
  'east-south-east',
  'south-east',
  'south-south-east',
  'south',
  'south-south-west',
  'south-west',
  'west-south-west',
  'west',
  'west-north-west',
  'north-west',
  'north-north-west',
] as const

/** North-north-east as NNE. */
const SHORT = COMPASS_POINTS.map(p =>
  p
    .split('-')
    .map(word => word[0]!.toUpperCase())
    .join(''),
)

/**
 * A bearing as people write it: degrees from north (235, 235°), or a compass point (SW, south-west). Degrees from true
 * north, 0–360; null for none.
 * @param declinationDeg how far a compass points east of true north there, where it was read off one
 */
export function readBearing(text: string, declinationDeg = 0): number | null {
  const typed = text.trim().toLowerCase().replace(/\s+/g, '-')
  const point = [...COMPASS_POINTS.keys()].find(k => COMPASS_POINTS[k] === typed || SHORT[k]!.toLowerCase() === typed)
  const degrees = /^\d+(?:[.,]\d+)?°?$/.test(typed) ? Number(typed.replace('°', '').replace(',', '.')) : NaN
  const read = point === undefined ? degrees : point * 22.5
  return read >= 0 && read <= 360 ? (((read + declinationDeg) % 360) + 360) % 360 : null
}

/**
 * A latitude or longitude with the letter of its half of the world, before or after it: `43 S`, `43.5° S`, `43° 30' S`,
 * `W 71 12 30`. Degrees, the second letter's negative; null for what has none, or is none.
 * @param letters the positive half's and the negative half's
 */
export function readHemisphere(text: string, letters: readonly [positive: string, negative: string]): number | null {
  const typed = text.trim().toUpperCase()
  const found = /^([NSEW])?\s*([\d.,°′″'"\s]+?)\s*([NSEW])?$/.exec(typed)
  const letter = found && (found[1] ?? found[3])
  if (!found || !letter || (found[1] && found[3]) || !letters.includes(letter)) return null
  const parts = found[2]!
    .trim()
    .split(/[°′″'"\s]+/)
    .filter(Boolean)
    .map(p => Number(p.replace(',', '.')))
  const [degrees, minutes = 0, seconds = 0] = parts
  const isSound = parts.length <= 3 && parts.every(Number.isFinite) && minutes < 60 && seconds < 60
  if (degrees === undefined || !isSound) return null
  return (letter === letters[0] ? 1 : -1) * (degrees + minutes / 60 + seconds / 3600)
}
