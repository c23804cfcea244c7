import type { CostPart } from '../catalog'
import type { AnyField, GroupField } from '../design/field'
import type { Quantity } from '../units'

/** Writes a value in the reader's units. */
export type Show = (value: number, quantity: Quantity) => string

/** What every fan says. Its kind adds the rest. */
export interface Fan {
  kind: string
  flowM3h: number
  powerW: number
}

/** A fan that moves air between the house and outside, as its curve and its thermostat have it. */
export interface Blows {
  /** Free flow of a stage, m³/h, and the pressure at which none is left, Pa. */
  flowM3h: number
  shutOffPa: number
  /** Free area of the louvre that opens for it, m²; 0 for none. */
  louvreM2: number
  /** Stages, the air at which the first comes on, °C, and how much warmer each further one does, K. */
  stages: number
  startC: number
  stepK: number
}

/**
 * A kind of fan: all that the rest of the program asks of it. A new kind is a module like its siblings here, and a line
 * in `registry.ts`.
 */
export interface FanKind<F extends Fan = Fan> {
  /** As documents write it. */
  kind: F['kind']
  /** As the reader calls one; several of them are numbered. */
  name: string
  fields: GroupField & { fields: Record<string, AnyField> }
  /** Which way it drives air through the skin: out, in, or not at all. */
  drives: 'out' | 'in' | 'round'
  /** What moves air through the skin; null for what only stirs it. */
  blows: (f: F) => Blows | null
  /** Whether what stirs the air runs, by the air and by whether it is day; false for all others. */
  stirs: (f: F, airC: number, isDay: boolean) => boolean
  /** What it is, to be paid for. */
  cost: (f: F) => CostPart
  /** What it is, in a few words for print and lists. */
  line: (f: F, show: Show) => string
}
