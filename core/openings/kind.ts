import { entry, GAPS, type CostPart } from '../catalog'
import type { AnyField, GroupField } from '../design/field'
import type { PartId } from '../design/fields/parts'
import type { Presence } from './presence'
import type { WinterHabit } from './winter'

/** Writes a value in the reader's units. */
export type Show = (value: number, quantity: 'length' | 'area' | 'temperature') => string

/** What every opening says: which part it is on. Its kind adds the rest. */
export interface Let {
  kind: string
  part: PartId
}

/** The part that an opening is on: how long it is up the slope, how wide across, m, and how high it begins and ends. */
export interface Host {
  longM: number
  wideM: number
  lowM: number
  highM: number
}

/** Panes of one size in a row, as they lie on their part: the lower edge so far up it, the middle off the part's. */
export interface Panes {
  widthM: number
  heightM: number
  sillM: number
  offsetM: number
  count: number
  /** By its id; null for the house's. */
  glazing: string | null
  /** Whether the night cover is drawn over them too. */
  covered: boolean
}

/** What moves an opening, and when. */
export interface Opener extends Presence, WinterHabit {
  how: 'shut' | 'wax' | 'motor' | 'hand' | 'season'
  startC: number
  fullC: number
  lagS: number
  hysteresisK: number
  fromMonth: number
  untilMonth: number
}

/**
 * A kind of opening: all that the rest of the program asks of it. A new kind is a module like its siblings here, and a
 * line in `registry.ts`.
 */
export interface OpeningKind<O extends Let = Let> {
  /** As documents write it. */
  kind: O['kind']
  /** As the reader calls one; several of them are numbered. */
  name: string
  fields: GroupField & { fields: Record<string, AnyField> }
  /** Parts that it may be on, and whether the small facets of a dome take it. */
  on: readonly PartId[]
  onDome: boolean
  /** A new one on a part. */
  fresh: (part: PartId, host: Host) => O
  /** Free area of all of it when it stands wide open, m². */
  freeM2: (o: O) => number
  /** Height of its middle above the floor, and of one of it from edge to edge, m. */
  height: (o: O, host: Host) => { atM: number; tallM: number }
  /** Share of the free area's ideal flow that goes through. */
  discharge: number
  /** At the ridge, where the wind sucks whatever side it comes from. */
  ridge: boolean
  /** What is glazed of it where it is let into a solid part; null where nothing is. */
  panes: (o: O) => Panes | null
  opener: (o: O) => Opener
  /** Leakage area that a plug saves round all of it, m² at 4 Pa, from its free area and how tall one of it is. */
  plugSavesM2: (freeM2: number, tallM: number) => number
  /**
   * People going through: free area m², and seconds that it stands open in each working hour; null for what is no
   * door.
   */
  traffic: (o: O) => { areaM2: number; secondsPerHour: number } | null
  /** What it is made of, to be paid for; its panes are counted with the glazing. */
  cost: (o: O) => readonly CostPart[]
  /** What it is, in a few words for print and lists. */
  line: (o: O, show: Show) => string
}

/** A plugged rim leaks less than a shut one by the metre. */
export function rimSavedM2(freeM2: number, tallM: number): number {
  const rimM = freeM2 > 0 && tallM > 0 ? 2 * (freeM2 / tallM + tallM) : 0
  return rimM * (entry(GAPS, 'vent-edge').areaM2 - entry(GAPS, 'vent-sealed').areaM2)
}

/** Flaps by their free area, and what moves them. */
export const flapsCost = ({ areaM2, how }: { areaM2: number; how: Opener['how'] }): CostPart[] => [
  { amount: areaM2, unit: 'm²', price: 'part.vent' },
  { amount: how === 'wax' || how === 'motor' ? 1 : 0, unit: 'pieces', price: 'part.opener' },
]

/** An orifice's share of ideal flow: a sharp edge. ASHRAE Fundamentals ch. 16. */
export const SHARP = 0.6
