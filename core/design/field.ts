import type { Quantity } from '../units'

/**
 * Fields of the document. A field is written once, in one of the tables of `fields/`: its kind and range, where it
 * starts, its name and hint. Types, validator, plain values, panels and the page of the format follow from it.
 */

/** What a screen and the page of the format say of a field. */
export interface Told {
  /** Its name on a screen. */
  label: string
  /** A sentence under it where it is set. */
  hint: string
  /** What it means, for the page of the format, where name and hint don't tell. */
  about: string
}

export interface NumberField extends Told {
  kind: 'number'
  /** Its quantity; null where no unit is chosen for it, and `unit` names the one that it has. */
  quantity: Quantity | null
  unit: string
  low: number
  high: number
  whole: boolean
  start: number | undefined
  /** Where it may be null: what stands in its place on a screen. */
  none: string | undefined
  /** Step of its slider, and the range that the slider covers, in its own unit. */
  step: number | undefined
  usual: readonly [number, number]
}
export interface Choice<C extends string = string> {
  id: C
  name: string
}
export interface ChoiceField extends Told {
  kind: 'choice'
  choices: readonly Choice[]
  start: string | undefined
}
export interface FlagField extends Told {
  kind: 'flag'
  start: boolean | undefined
}
export interface TextField extends Told {
  kind: 'text'
  least: number
  longest: number
  start: string | undefined
  /** Null where a text is well, else what is wrong and what is allowed. */
  check: (text: string) => readonly [message: string, allowed: string] | null
}
export interface ListField extends Told {
  kind: 'list'
  of: AnyField
  least: number
  most: number
  start: readonly unknown[] | undefined
}
export interface GroupField extends Told {
  kind: 'group'
  fields: Readonly<Record<string, AnyField>>
}
/** May be written as null. */
export interface NullableField extends Told {
  kind: 'or null'
  of: AnyField
  start: null | undefined
}
/** May be left out. */
export interface OptionalField extends Told {
  kind: 'optional'
  of: AnyField
}
/** Something wrong within a field, and where in it. */
export interface Complaint {
  at: string
  message: string
  allowed: string
}
/** Checked by a function of its own. */
export interface CheckedField extends Told {
  kind: 'checked'
  check: (value: unknown) => Complaint[]
  start: unknown
}
/** One of several groups, told apart by their `kind`. */
export interface OneOfField extends Told {
  kind: 'one of'
  kinds: Readonly<Record<string, GroupField>>
}
export type AnyField =
  | NumberField
  | ChoiceField
  | FlagField
  | TextField
  | ListField
  | GroupField
  | NullableField
  | OptionalField
  | CheckedField
  | OneOfField

/** What a field holds, and whether it may be left to its start. For the compiler alone. */
declare const HOLDS: unique symbol
declare const FREE: unique symbol
export interface Holds<V, Free extends boolean> {
  readonly [HOLDS]?: V
  readonly [FREE]?: Free
}

/** The value of a field. */
export type Value<F> = F extends Holds<infer V, boolean> ? V : never
type IsFree<F> = F extends Holds<unknown, infer Free> ? Free : never
type OptionalKeys<G> = { [K in keyof G]: G[K] extends OptionalField ? K : never }[keyof G]
type GroupValue<G> = { [K in keyof G as K extends OptionalKeys<G> ? never : K]: Value<G[K]> } & {
  [K in keyof G as K extends OptionalKeys<G> ? K : never]?: Value<G[K]>
} extends infer T
  ? { [K in keyof T]: T[K] }
  : never
type FreeKeys<G> = { [K in keyof G]: IsFree<G[K]> extends true ? K : never }[keyof G]
type GroupFree<G> = Exclude<keyof G, FreeKeys<G> | OptionalKeys<G>> extends never ? true : false

/** A value in which everything that has a start may be left out. */
export type Spare<F> = F extends { kind: 'group'; fields: infer G } & Holds<unknown, boolean>
  ? { [K in keyof G as K extends FreeKeys<G> | OptionalKeys<G> ? never : K]: Spare<G[K]> } & {
      [K in keyof G as K extends FreeKeys<G> | OptionalKeys<G> ? K : never]?: Spare<G[K]>
    }
  : Value<F>

type Options<S> = Partial<Told> & { start?: S }
type FreeIf<O, S> = O extends { start: S } ? true : false

const told = ({ label = '', hint = '', about = '' }: Partial<Told>): Told => ({ label, hint, about })

export interface NumberOptions extends Options<number> {
  whole?: boolean
  unit?: string
  none?: string
  step?: number
  /** Where a slider covers less than what is allowed. */
  usual?: readonly [number, number]
}

/** A number within limits, in the SI unit of its quantity (angles in degrees, temperatures in °C, hours). */
export function number<const O extends NumberOptions>(
  quantity: Quantity | null,
  low: number,
  high: number,
  options: O,
): NumberField & Holds<number, FreeIf<O, number>> {
  const { whole = quantity === 'count', unit = '', none, start, step, usual = [low, high] } = options
  return { kind: 'number', quantity, unit, low, high, whole, start, none, step, usual, ...told(options) }
}

const of =
  (quantity: Quantity | null) =>
  <const O extends NumberOptions>(low: number, high: number, options: O) =>
    number(quantity, low, high, options)

export const length = of('length')
export const thickness = of('thickness')
export const area = of('area')
export const temperature = of('temperature')
export const difference = of('temperatureDifference')
export const share = of('share')
export const angle = of('angle')
export const bearing = of('bearing')
export const hours = of('hours')
export const power = of('power')
/** What a plug draws, or a panel gives. */
export const electricPower = of('electricPower')
export const money = of('money')
export const count = of('count')
export const conductivity = of('conductivity')
/** In a unit that is shown as it is. */
export const plain = of(null)

/** One of some words. */
export function choice<const C extends string, const O extends Options<C>>(
  choices: readonly Choice<C>[],
  options: O,
): ChoiceField & Holds<C, FreeIf<O, C>> {
  return { kind: 'choice', choices, start: options.start, ...told(options) }
}

/** An entry of a catalogue, by its id. */
export function entryOf<const O extends Options<string>>(
  catalogue: readonly { readonly id: string; readonly name: string }[],
  options: O,
): ChoiceField & Holds<string, FreeIf<O, string>> {
  return { kind: 'choice', choices: catalogue, start: options.start, ...told(options) }
}

/** True or false. */
export function flag<const O extends Options<boolean>>(options: O): FlagField & Holds<boolean, FreeIf<O, boolean>> {
  return { kind: 'flag', start: options.start, ...told(options) }
}

/** Words of 1 to so many characters, or of none where `least` is 0. */
export function text<const O extends Options<string> & { least?: number; check?: TextField['check'] }>(
  longest: number,
  options: O,
): TextField & Holds<string, FreeIf<O, string>> {
  const { least = 1, check = () => null, start } = options
  return { kind: 'text', least, longest, start, check, ...told(options) }
}

/** A list of so many to so many. */
export function list<F extends AnyField & Holds<unknown, boolean>, const O extends Options<readonly Value<F>[]>>(
  member: F,
  least: number,
  most: number,
  options: O,
): Omit<ListField, 'of'> & { of: F } & Holds<Value<F>[], O extends { start: unknown } ? true : false> {
  return { kind: 'list', of: member, least, most, start: options.start, ...told(options) }
}

/** Months of the year, 1 for January to 12, each once at most. */
export const months = (start: readonly number[], options: Partial<Told>) =>
  list(MONTH, 0, 12, { ...options, start, about: options.about ?? 'months, 1 for January to 12' })
const MONTH = count(1, 12, { label: 'Month' })
/** Whether a field is one that {@link months} has made. */
export const isMonths = (field: AnyField): boolean => field.kind === 'list' && field.of === MONTH

/** Some of the beds, by their place in `shape.beds`. */
export const bedNumbers = (options: Partial<Told>) => list(BED_NUMBER, 0, 24, { ...options, start: [] })
const BED_NUMBER = count(0, 23, { label: 'Bed' })
/** Whether a field is one that {@link bedNumbers} has made. */
export const isBedNumbers = (field: AnyField): boolean => field.kind === 'list' && field.of === BED_NUMBER

/** Fields under one name. */
export function group<const G extends Record<string, AnyField>>(
  fields: G,
  options: Partial<Told> = {},
): Told & { kind: 'group'; fields: G } & Holds<GroupValue<G>, GroupFree<G>> {
  return { kind: 'group', fields, ...told(options) }
}

/** What may be written as null. */
export function orNull<F extends AnyField, const O extends Options<null>>(
  field: F,
  options: O,
): Omit<NullableField, 'of'> & { of: F } & Holds<Value<F> | null, FreeIf<O, null>> {
  return { kind: 'or null', of: field, start: options.start, ...told(options) }
}

/** What may be left out. */
export function optional<F extends AnyField>(field: F): Omit<OptionalField, 'of'> & { of: F } & Holds<Value<F>, false> {
  return { kind: 'optional', of: field, label: field.label, hint: field.hint, about: field.about }
}

/** One of several groups of fields, told apart by their `kind`. */
export function oneOf<const G extends Record<string, GroupField>>(
  kinds: G,
  options: Partial<Told>,
): Told & { kind: 'one of'; kinds: G } & Holds<Value<G[keyof G]>, false> {
  return { kind: 'one of', kinds, ...told(options) }
}

/** What a function of its own looks through. */
export function checked<V>(
  check: (value: unknown) => Complaint[],
  options: Partial<Told>,
): CheckedField & Holds<V, false>
export function checked<V>(
  check: (value: unknown) => Complaint[],
  options: Partial<Told> & { start: V },
): CheckedField & Holds<V, true>
export function checked(check: (value: unknown) => Complaint[], options: Partial<Told> & { start?: unknown }) {
  return { kind: 'checked' as const, check, start: options.start, ...told(options) }
}

/** Where a field stands before anybody has chosen; undefined where it must be given. */
export function startOf(field: AnyField): unknown {
  if (field.kind !== 'group') return 'start' in field ? field.start : undefined
  const all = Object.entries(field.fields).map(([name, f]) => [name, startOf(f)] as const)
  const known = all.filter(([, start]) => start !== undefined)
  return known.length > 0 ? Object.fromEntries(known) : undefined
}
