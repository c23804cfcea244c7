import type { Show } from '../units'
import type { CostPart } from '../catalog'
import type { AnyField, GroupField } from '../design/field'

/** The room that bodies stand in: inside, x from the sunny wall, y along the ridge from the west end, m. */
export interface Room {
  lengthM: number
  widthM: number
  dome: boolean
}

/** Upright vessels in rows across and columns along: `count` columns stand, counted row by row. */
export interface Bank {
  radiusM: number
  rows: number
  perRow: number
  pitchM: number
  count: number
}

/** What a body fills, m, z above the floor. A bank of upright vessels stands in its box with gaps between. */
export interface Box {
  x0: number
  x1: number
  y0: number
  y1: number
  z0: number
  z1: number
  bank: Bank | null
}

/** A line of cells of a body, from its middle (first) to its face in the room (last). */
export interface BodyChain {
  areaM2: number
  /** Cosine between the room-facing normal and up. */
  facingUp: number
  /** J/K by cell, and W/K between a cell and the next. */
  capacity: number[]
  between: number[]
  /** Water in its first cell, kg. */
  waterKg: number
  /** Of its face, the share that is water open to the air, 0–1. */
  open: number
}

/** A size of a body that can be drawn out: its field, and the least that it may be. */
export interface Grip {
  field: string
  least: number
}

/** What every body says of its place. Its kind adds the rest. */
export interface Placed {
  kind: string
  atM: number
}

/**
 * A kind of body that stands in the room and keeps heat: all that the rest of the program asks of it. A new kind is a
 * module like its siblings here, and a line in `registry.ts`.
 */
export interface BodyKind<B extends Placed = Placed> {
  /** As documents write it. */
  kind: B['kind']
  /** As the reader calls one; several of them are numbered. */
  name: string
  /** More than one thing by itself, as barrels are: they stand, and do not fit. */
  plural: boolean
  fields: GroupField & { fields: Record<string, AnyField> }
  /** How the drawings show it. */
  look: 'vessels' | 'water' | 'mass' | 'crates'
  /** For drawings: how many stand on each other, how deep it goes below the floor, m, and its colour's id. */
  levels: (body: B) => number
  deepM: (body: B) => number
  colour: (body: B) => string | null
  /** A new one, small enough for most rooms. */
  fresh: (room: Room) => B
  box: (body: B, room: Room) => Box
  /** What of its own sizes does not fit the room; null where all does. */
  unfit: (body: B, room: Room) => { field: string; message: string; allowed: string } | null
  /** Fields that do nothing as it is set now. */
  idle: (body: B) => readonly string[]
  /** What can be drawn out, and which field says how high it stands. */
  width: Grip | null
  height: Grip | null
  length: Grip | null
  heightField: string
  /** Share of sunlight that it takes in, 0–1. */
  absorptance: (body: B) => number
  chains: (body: B, box: Box) => BodyChain[]
  /** What passes to the soil beneath, W/K, and how deep below the floor; null where it stands clear of it. */
  underfoot: (body: B, box: Box) => { conductance: number; depthM: number } | null
  /** Water that it holds, m³. */
  waterM3: (body: B, box: Box) => number
  /** The field by which it holds more, and how much each of it is, m³: so that it can be asked for by volume. */
  filled: { field: string; eachM3: (body: B, box: Box) => number }
  /** What stands on the floor, kg: what it holds, or itself where it is all of a piece. */
  weightKg: (body: B, box: Box) => number
  /** At rough prices, in money. */
  cost: (body: B, box: Box) => CostPart
  /** What it is, in a few words for print and lists. */
  line: (body: B, box: Box, show: Show) => string
  /** What it can do to people. */
  cautions: (body: B, box: Box) => ('drowning' | 'tipping')[]
}

/** Length along the ridge that a thing between x0 and x1 can have, m: all of it, or a dome's chord there. */
export function lengthBetween({ lengthM, widthM, dome }: Room, x0: number, x1: number): number {
  if (!dome) return lengthM
  const r = widthM / 2
  const off = Math.max(Math.abs(x0 - r), Math.abs(x1 - r)) / r
  return Math.max(0.2, lengthM * 0.97 * Math.sqrt(Math.max(0, 1 - off * off)))
}

/** A box `lengthM` long (as long as there is room where it is 0), its middle `offsetM` east of the room's. */
export function boxAlong(
  room: Room,
  x: readonly [number, number],
  z: readonly [number, number],
  lengthM: number,
  offsetM: number,
): Box {
  const most = lengthBetween(room, x[0], x[1])
  const long = lengthM > 0 ? Math.min(lengthM, most) : most
  const middle = room.lengthM / 2
  const off = Math.min((most - long) / 2, Math.max((long - most) / 2, offsetM))
  return {
    x0: x[0],
    x1: x[1],
    y0: middle + off - long / 2,
    y1: middle + off + long / 2,
    z0: z[0],
    z1: z[1],
    bank: null,
  }
}

/** A length for a message, rounded down to the centimetre. */
export const metres = (v: number) => `${Math.max(0, Math.floor(v * 100) / 100).toFixed(2)} m`

/** A length that the room has no place for; null where it has. */
export function tooLong(room: Room, x0: number, x1: number, lengthM: number) {
  const most = lengthBetween(room, x0, x1)
  return lengthM > most + 1e-9
    ? {
        field: 'lengthM',
        message: room.dome ? 'is longer than the dome is wide there' : 'is longer than the greenhouse',
        allowed: `at most ${metres(most)} at that place`,
      }
    : null
}

/** What lies level with the floor stands this far above it, so that light finds it and not the floor, m. */
export const FLAT_M = 0.002

/** Water stirs itself: from its middle to the vessel's wall, W/m²K. */
export const STIRRING = 150
/** A vessel's wall, J/m²K. */
export const VESSEL_WALL = 500
/** Conductance of a standing tank's or pond's bed to the soil beneath, W/m²K. */
export const BED_OF_WATER = 4
