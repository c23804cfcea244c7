import type { CostPart } from '../catalog'
import type { AnyField, GroupField } from '../design/field'
import type { Quantity } from '../units'

/** Writes a value in the reader's units. */
export type Show = (value: number, quantity: Quantity) => string

/** What every source says: whether it is in use. Its kind adds the rest. */
export interface Added {
  kind: string
  on: boolean
}

/** What a source knows of its place before the year is run; series are 8760 long, from 1 January 00:00. */
export interface Place {
  outsideC: Float32Array
  /** Hours in which people are in the house, 1 each. */
  there: Uint8Array
  /** Sun on a plane of a tilt that faces as the house's sunny side does, W/m². */
  sunOn: (tiltDeg: number) => Float32Array
}

/**
 * The room as an hour of it begins, and where a source puts its heat, W. All of it stays the same for the hour. What
 * has no body to go to, or no bed, is for the kind to see to: then `body` or `beds` is null.
 */
export interface Room {
  airC: number
  outsideC: number
  /** Of the air, kg/m³. */
  density: number
  /** The coolest air at which an opening starts to open, °C. */
  ventsAtC: number
  /** How long the block of time is, s. */
  spanS: number
  /** The body that it is brought to, and the middle of the beds' soil, felt in the first bed. */
  body: Sink | null
  beds: Sink | null
  toAir: (watts: number) => void
  /** Shines on all faces, by what they see of each other. */
  toFaces: (watts: number) => void
  /** Light that falls on the beds. */
  toLeaves: (watts: number) => void
  /** Water let into the air, kg/s. */
  toDamp: (kgPerS: number) => void
  /** Notes heat that is carried from one thing in the house to another, W: it is no gain. */
  moves: (watts: number) => void
  /** Notes electricity of a pump or fan, W: where its heat goes is the kind's to say. */
  draws: (watts: number) => void
}

/** Something that takes heat: how warm it is where that is felt, °C, and what it holds, J/K. */
export interface Sink {
  atC: number
  capacity: number
  take: (watts: number) => void
}

/** What a source does in an hour of the year; gives back all that it brings, W. */
export type Work = (hour: number, room: Room) => number

/** A source that keeps the air at a temperature: solved together with the air in each step. */
export interface Thermostat {
  capacityW: number
  setPointC: number
  /** Share of its heat that shines on faces, 0–1. */
  radiantShare: number
}

/** What is paid for: a fuel of the catalogue, and the price of a kWh of it. */
export interface Fired {
  fuel: string
  pricePerKWh: number
}

/**
 * A kind of source, which adds heat or light: all that the rest of the program asks of it. A new kind is a module like
 * its siblings here, and a line in `registry.ts`.
 */
export interface SourceKind<S extends Added = Added> {
  /** As documents write it. */
  kind: S['kind']
  /** As the reader calls one; several of them are numbered. */
  name: string
  plural: boolean
  fields: GroupField & { fields: Record<string, AnyField> }
  /** Its line in the ledger. */
  gain: string
  thermostat: (s: S) => Thermostat | null
  /** What it does by the hour; null where nothing. */
  work: (s: S, place: Place) => Work | null
  /** Which body it warms, by its place in the document; null for the first that holds water. */
  body: (s: S) => number | null
  /** Which beds it warms, by their place in the document; none for all. */
  beds: (s: S) => readonly number[]
  fired: (s: S) => Fired | null
  /** Useful light for what it draws, mol/MJ. */
  molPerMJ: (s: S) => number
  /** Fields that do nothing as it is set now. */
  idle: (s: S) => readonly string[]
  /** What it is, to be paid for; none for what is there anyway. */
  cost: (s: S) => CostPart | null
  /** What it is, in a few words for print and lists. */
  line: (s: S, show: Show) => string
}
