import type { AnyField, GroupField } from '../design/field'
import type { Footprint } from '../geometry/footprint'
import type { Grip, Room } from '../bodies/kind'

/** The room that beds stand in: how high its walls are at the foot of the glazing, and its top, m. */
export interface BedRoom extends Room {
  kneeWallM: number
  ridgeHeightM: number
}

/** What every bed says of its size. Its kind adds where it lies. */
export interface Laid {
  kind: string
  heightM: number
}

/**
 * A kind of bed by how it lies on the floor: all that the rest of the program asks of it. A new kind is a module like
 * its siblings here, and a line in `registry.ts`.
 */
export interface BedKind<B extends Laid = Laid> {
  /** As documents write it, and as the reader calls one that is to be put in. */
  kind: B['kind']
  name: string
  fields: GroupField & { fields: Record<string, AnyField> }
  /** A new one, small enough for most rooms. */
  fresh: (room: BedRoom) => Partial<B>
  /** The pieces of floor that it stands on; they touch, and do not overlap. */
  pieces: (bed: B, room: BedRoom) => Footprint[]
  /** What of its own sizes does not fit the room; null where all does. */
  unfit: (bed: B, room: BedRoom) => { field: string; message: string; allowed: string } | null
  /** What can be drawn out. Null for what its place decides. */
  width: Grip
  length: Grip | null
  /** Which field says where it lies across the house, or round it. */
  place: 'atM' | 'aroundDeg'
  /** It in a house so many times as wide, and with its floor moved so far away from the sunny wall, m. */
  stretched: (bed: B, factor: number) => Partial<B>
  /** What of it is otherwise in a house that is not round; null where it lies there as it does. */
  notRound: ((bed: B) => object) | null
  moved: (bed: B, byM: number) => Partial<B>
}
