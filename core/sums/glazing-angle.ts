import { noonAltitudeDeg } from '../sun'

/** One school's answer to “how steep?”. */
export interface AngleSchool {
  id: string
  /** In builders’ words. */
  name: string
  /** Slope from level, degrees. */
  angleDeg: number
  why: string
}

/** Obliquity of the ecliptic: the sun's declination at a solstice, degrees. */
export const SOLSTICE_DEG = 23.44

/**
 * The schools' glazing angles for a latitude, flattest first.
 * @param latitudeDeg −90 to 90; the hemisphere does not matter
 * @param coldNoonAltitudeDeg noon altitude of the sun in the middle of the coldest month
 */
export function angleSchools(latitudeDeg: number, coldNoonAltitudeDeg: number): AngleSchool[] {
  const l = Math.abs(latitudeDeg)
  const at = (a: number) => Math.max(0, Math.min(90, a))
  return [
    { id: 'equinox', name: 'equinox noon', angleDeg: at(l), why: 'For spring and autumn growing: the latitude.' },
    { id: 'plus-15', name: 'latitude + 15', angleDeg: at(l + 15), why: 'A rule between autumn and midwinter.' },
    {
      id: 'coldest',
      name: 'coldest month’s noon',
      angleDeg: at(90 - coldNoonAltitudeDeg),
      why: 'For the weeks that need heat most.',
    },
    { id: 'plus-20', name: 'latitude + 20', angleDeg: at(l + 20), why: 'A rule close to midwinter.' },
    {
      id: 'solstice',
      name: 'midwinter noon',
      angleDeg: at(90 - noonAltitudeDeg(-SOLSTICE_DEG, l)),
      why: 'For the lowest sun: the latitude + 23.4°.',
    },
  ].sort((a, b) => a.angleDeg - b.angleDeg)
}
