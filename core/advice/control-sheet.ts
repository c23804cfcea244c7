import { airStoreKind, airStoreName } from '../air-stores/registry'
import { MONTH_NAMES } from '../climate/types'
import { isMonths, type AnyField, type GroupField } from '../design/field'
import { BREATHE } from '../design/fields/breathe'
import { COVER } from '../design/fields/skin'
import type { Design } from '../design/types'
import { fanKind, fanName } from '../fans/registry'
import { partName } from '../geometry/parts'
import { openingKind, openingName } from '../openings/registry'
import { usedWays } from '../openings/used'
import { sourceKind, sourceName } from '../sources/registry'
import { clock } from '../people/clock'
import { VISIT } from '../people/presence'
import type { Quantity } from '../units'

/** A set-point that the year was run with: what a person sets on a thermostat or a timer, or does by hand. */
export interface ControlLine {
  device: string
  setting: string
  value: number | string
  /** Of a number; null for words. */
  quantity: Quantity | null
}

/** Quantities that thermostats and timers are set in. */
const SET_IN: readonly (Quantity | null)[] = ['temperature', 'temperatureDifference', 'hours']
/** Fields in words, and counts, that say when something works. */
const WORDS = new Set([
  'how',
  'rule',
  'moved',
  'winter',
  'winterBy',
  'days',
  'intake',
  'stages',
  'forgotten',
  'shades',
  'lit',
])
/** Of each rule for a night cover, the fields that it does not ask. */
const NOT_OF_RULE: Record<string, readonly string[]> = {
  sun: ['fromH', 'untilH'],
  clock: ['afterSunsetH', 'afterSunriseH'],
  cold: ['fromH', 'untilH', 'afterSunsetH', 'afterSunriseH'],
  gain: ['fromH', 'untilH', 'afterSunsetH', 'afterSunriseH'],
}
const OWN_HOURS = ['thereFromH', 'thereUntilH']
const VISIT_HOURS = ['fromH', 'untilH']
const BY_HAND = ['days', ...OWN_HOURS, 'forgotten']

/** A field that is set, in words or as a number; null where it is none of these. */
function setting(name: string, field: AnyField, value: unknown): Omit<ControlLine, 'device'> | null {
  const inner = field.kind === 'or null' ? field.of : field
  const label = field.label || inner.label
  const asWords = (words: string) => ({ setting: label, value: words, quantity: null })
  if (value === null) return null
  if (isMonths(inner)) return asWords((value as number[]).map(m => MONTH_NAMES[m - 1]).join(', '))
  if (inner.kind === 'number' && name.endsWith('Month')) return asWords(MONTH_NAMES[(value as number) - 1]!)
  if (inner.kind === 'number' && (SET_IN.includes(inner.quantity) || WORDS.has(name)))
    return { setting: label, value: value as number, quantity: inner.quantity }
  if (inner.kind === 'choice' && WORDS.has(name))
    return asWords(inner.choices.find(c => c.id === value)?.name ?? String(value))
  if (inner.kind === 'flag' && WORDS.has(name)) return asWords(value ? 'yes' : 'no')
  return null
}

/** All that is set of a thing, by its table; those names that do nothing now are left out. */
function settings(
  device: string,
  { fields }: GroupField,
  thing: object,
  without: readonly string[] = [],
): ControlLine[] {
  return Object.entries(fields).flatMap(([name, field]) => {
    if (without.includes(name)) return []
    const value = (thing as Record<string, unknown>)[name]
    if (field.kind === 'group') return settings(device, field, value as object)
    const found = setting(name, field, value)
    return found ? [{ device, ...found }] : []
  })
}

function coverLines(device: string, cover: Design['skin']['cover']): ControlLine[] {
  if (cover.id === 'none') return []
  const idle = [
    ...NOT_OF_RULE[cover.rule]!,
    ...(cover.moved === 'hand' ? (cover.days === 'house' ? OWN_HOURS : []) : BY_HAND),
    ...(cover.shades ? [] : ['shadeAboveC']),
  ]
  return settings(device, COVER, cover, idle)
}

/** When people are there, visit by visit, and their terms and holidays. */
function peopleLines({ visits, spans }: Design['breathe']['people']): ControlLine[] {
  const line = (setting: string, value: string): ControlLine => ({ device: 'People', setting, value, quantity: null })
  const days = VISIT.fields.days.choices
  return [
    ...visits.map((v, i) =>
      line(
        v.who || `Visit ${i + 1}`,
        `${days.find(d => d.id === v.days)!.name}, ${clock(v.fromH)} to ${clock(v.untilH)}`,
      ),
    ),
    ...spans.map((s, i) =>
      line(
        s.name || `Span ${i + 1}`,
        `${s.from} to ${s.until}, ${s.there === 'away' ? 'nobody comes' : 'people come'}`,
      ),
    ),
  ]
}

/** Every set-point that a design's year is run with, device by device. */
export function controlSheet(design: Design): ControlLine[] {
  const { skin, breathe, store, topUp, shape } = design
  const { airing, misting, rowCover } = BREATHE.fields
  const openings = skin.openings.flatMap((o, i) => {
    const { fields } = openingKind(o)
    const used = usedWays(o)
    const idle = Object.keys(fields.fields).filter(name => !used.includes(name))
    const device = `${openingName(skin.openings, i)}, ${partName(o.part, shape.form)}`
    return settings(device, fields, o, idle)
  })
  return [
    ...peopleLines(breathe.people),
    ...coverLines('Night cover', skin.cover),
    ...Object.entries(skin.parts).flatMap(([part, own]) =>
      own.cover ? coverLines(`Night cover, ${partName(part as never, shape.form)}`, own.cover) : [],
    ),
    ...(breathe.rowCover.on
      ? settings('Row cover', rowCover, breathe.rowCover, breathe.rowCover.days === 'house' ? VISIT_HOURS : [])
      : []),
    ...openings,
    ...(breathe.misting.on ? settings('Misting', misting, breathe.misting) : []),
    ...(breathe.airing.on ? settings('Winter airing', airing, breathe.airing) : []),
    ...breathe.fans.flatMap((f, i) => settings(fanName(breathe.fans, i), fanKind(f).fields, f)),
    ...store.airStores.flatMap((s, i) =>
      s.on ? settings(airStoreName(store.airStores, i), airStoreKind(s).fields, s) : [],
    ),
    ...topUp.sources.flatMap((s, i) =>
      s.on ? settings(sourceName(topUp.sources, i), sourceKind(s).fields, s, sourceKind(s).idle(s as never)) : [],
    ),
  ]
}
