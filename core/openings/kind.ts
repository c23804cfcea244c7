import type { Presence } from '../people/presence'
import type { CostPart } from '../catalog'
import type { AnyField, GroupField } from '../design/field'
import type { PartId } from '../design/fields/parts'
import { openersFor, type LeafMade, type Shuts } from './leaf'
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
  /** Height above the floor at so far up the part, m. */
  heightAt: (up: number) => number
}

/** Leaves of one size in a row on a part. */
export interface Row {
  count: number
  widthM: number
  heightM: number
  /** Its lower edge above the foot of the part, up the part, m. */
  sillM: number
  /** The middle of the row off the middle of the part, m. */
  offsetM: number
  /** Spread along the whole part, or side by side about its middle. */
  spread: boolean
}

/** What the leaves of an opening are made of. */
export interface Leaf {
  made: LeafMade
  /** Of what is glazed of it, by its id; null for the house's. */
  glazing: string | null
  /** Of a leaf that is not all glazed, the share that is, let into its upper part, 0–1. */
  glazedShare: number
  /** Whether the night cover of its part is drawn over it too. */
  covered: boolean
  shuts: Shuts | null
}

/** What moves an opening, and when. */
export interface Opener extends Presence, WinterHabit {
  how: 'shut' | 'wax' | 'motor' | 'hand' | 'season'
  startC: number
  fullC: number
  lagS: number
  hysteresisK: number
  /** By hand: who leaves looks at no evening. */
  leftAjar: boolean
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
  /** Where its leaves lie on their part. */
  row: (o: O, host: Host) => Row
  /** What they are made of; null for what leaves the part as it is, and only opens. */
  leaf: (o: O) => Leaf | null
  /** Free area of all of it when it stands wide open, m². */
  freeM2: (o: O) => number
  /** The same with its leaves scaled along the part by a share, for studies; null where people choose its size. */
  scaled: (o: O, share: number) => O | null
  /** Share of the free area's ideal flow that goes through. */
  discharge: number
  /** At the ridge, where the wind sucks whatever side it comes from. */
  ridge: boolean
  opener: (o: O) => Opener
  /** Leakage area that a plug saves round all of it, m² at 4 Pa, from the length of its edges, m. */
  plugSavesM2: (o: O, edgeM: number) => number
  /** People going through: free area m², and seconds of a day that it stands open; null for what is no door. */
  traffic: (o: O) => { areaM2: number; secondsPerDay: number } | null
  /** What it is made of, to be paid for; panes let into it are counted with the glazing. */
  cost: (o: O) => readonly CostPart[]
  /** What it is, in a few words for print and lists. */
  line: (o: O, show: Show) => string
}

/** Flaps by their leaves, and what moves them. */
export const flapsCost = (o: {
  count: number
  widthM: number
  heightM: number
  how: Opener['how']
  leaf?: LeafMade
}): CostPart[] => [
  { amount: o.count * o.widthM * o.heightM, unit: 'm²', price: 'part.vent' },
  {
    amount: o.how === 'wax' || o.how === 'motor' ? openersFor(o.leaf ?? 'sheet', o.count, o.widthM * o.heightM) : 0,
    unit: 'pieces',
    price: 'part.opener',
  },
]

/** “3 × 1.2 m × 0.4 m”. */
export const sizeWords = (o: { count: number; widthM: number; heightM: number }, show: Show): string =>
  `${o.count > 1 ? `${o.count} × ` : ''}${show(o.widthM, 'length')} × ${show(o.heightM, 'length')}`

/** An orifice's share of ideal flow: a sharp edge. ASHRAE Fundamentals ch. 16. */
export const SHARP = 0.6
