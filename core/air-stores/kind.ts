import type { AnyField, GroupField } from '../design/field'
import type { Quantity } from '../units'

/** Writes a value in the reader's units. */
export type Show = (value: number, quantity: Quantity) => string

/** What every air store says: whether it is in use. Its kind adds the rest. */
export interface Blown {
  kind: string
  on: boolean
}

/** What an air store knows of the house that it lies under. */
export interface Under {
  lengthM: number
  /** W/m·K of the soil. */
  soilConductivity: number
}

/** From under the ridge, from round the beds, or from the floor: of a path that is dug lower, if there is one. */
export type Intake = 'ridge' | 'beds' | 'floor'

/** An air store with its fan running. */
export interface AirWork {
  /**
   * `pipes` pass heat to cells of the ground; `rock` has nodes of its own, in line with the flow; a `tube` brings
   * outside air in.
   */
  as: 'pipes' | 'rock' | 'tube'
  flowM3s: number
  pressurePa: number
  fanW: number
  /** Pipes: share of the difference to the soil given up. Rock: the same for one node. */
  effectiveness: number
  /** Rock only: J/K of a node, and W/K of all nodes together to the ground. */
  nodeCapacity: number
  toGround: number
  /** Stores only: runs where air and store differ by this, K. */
  startK: number
  /** Stores only: where in the house it draws its air in. */
  intake: Intake
  /** Stores only: takes heat from air warmer than the first, gives to colder than the second, °C; null: by the aim. */
  takeAboveC: number | null
  giveBelowC: number | null
  /** Tube only: runs below the first air temperature and above the second, °C. */
  belowC: number
  aboveC: number
}

/**
 * A kind of store that a fan blows air through: all that the rest of the program asks of it. A new kind is a module
 * like its siblings here, and a line in `registry.ts`.
 */
export interface AirStoreKind<S extends Blown = Blown> {
  /** As documents write it. */
  kind: S['kind']
  /** As the reader calls one; several of them are numbered. */
  name: string
  plural: boolean
  fields: GroupField & { fields: Record<string, AnyField> }
  /** Where it lies: under the whole floor, under the beds, or in the ground beside the house; and how deep, m. */
  lies: 'floor' | 'beds' | 'beside'
  depthM: (s: S) => number
  /** Depths of its layers, m: its own where it has but one. */
  depthsM: (s: S) => number[]
  /** Floor that it takes up beneath, m²; 0 for pipes. */
  footM2: (s: S) => number
  work: (s: S, under: Under) => AirWork
  /** What it is, in a few words for print and lists. */
  line: (s: S, show: Show) => string
}

/** What a kind of work does not have. */
export const NO_WORK = {
  nodeCapacity: 0,
  toGround: 0,
  startK: 0,
  belowC: 0,
  aboveC: 0,
  intake: 'beds' as Intake,
  takeAboveC: null,
  giveBelowC: null,
}
