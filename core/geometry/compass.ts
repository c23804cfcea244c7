const POINTS = [
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

/** The nearest of sixteen compass points to an azimuth in degrees from true north. */
export function compassPoint(azimuthDeg: number): string {
  return POINTS[Math.round((((azimuthDeg % 360) + 360) % 360) / 22.5) % 16]!
}

/** A turn from the equator in words: `8° east of south`, `due north`. */
export function turnWords(latitudeDeg: number, turnDeg: number): string {
  const equator = latitudeDeg >= 0 ? 'south' : 'north'
  const size = Math.round(Math.abs(turnDeg))
  return size === 0 ? `due ${equator}` : `${size}° ${turnDeg > 0 ? 'east' : 'west'} of ${equator}`
}

/** North-north-east as NNE. */
const SHORT = POINTS.map(p =>
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
  const point = [...POINTS.keys()].find(k => POINTS[k] === typed || SHORT[k]!.toLowerCase() === typed)
  const degrees = /^\d+(?:[.,]\d+)?°?$/.test(typed) ? Number(typed.replace('°', '').replace(',', '.')) : NaN
  const read = point === undefined ? degrees : point * 22.5
  return read >= 0 && read <= 360 ? (((read + declinationDeg) % 360) + 360) % 360 : null
}

/** How far a side that faces an azimuth is turned from the equator, degrees: to the east positive everywhere. */
export function turnTowards(latitudeDeg: number, azimuthDeg: number): number {
  const off = latitudeDeg >= 0 ? 180 - azimuthDeg : azimuthDeg
  const turn = ((((off + 180) % 360) + 360) % 360) - 180
  return Math.round(turn * 10) / 10
}
