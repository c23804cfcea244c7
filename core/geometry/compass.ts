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
