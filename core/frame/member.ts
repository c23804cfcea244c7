import { RAD } from '../physics/constants'

/** Degrees of a radian. */
export const DEG = 1 / RAD

/** A cut at an end of a member. */
export interface EndCut {
  /** Plumb stands upright in the house, level lies flat in it; a mitre halves the angle of two that meet. */
  cut: 'square' | 'plumb' | 'level' | 'mitre'
  /** What the saw is set to, degrees from square across the member. */
  sawDeg: number
}

/** As builders call the cuts. */
export const CUT_NAMES: Record<EndCut['cut'], string> = {
  square: 'square',
  plumb: 'plumb',
  level: 'seat',
  mitre: 'mitre',
}

/** Members of one kind and length. */
export interface Member {
  member: string
  /** As the reader calls the part that it is of. */
  part: string
  count: number
  /** Along its inner edge, between the lines on which its ends are cut, m. */
  lengthM: number
  /** Its lower end, and the upper one. */
  ends: readonly [EndCut, EndCut]
  /** Bent to a curve, which a jig is made for. */
  bent: boolean
  /** Long sides of a dome's strut are ripped to this, degrees from square: half of what its faces turn by. */
  bevelDeg?: number
  /** What carries it along its length, m from its beginning, where it may be joined; null for what spans. */
  over: readonly number[] | null
}

/** Straight across. */
export const SQUARE: EndCut = { cut: 'square', sawDeg: 0 }
