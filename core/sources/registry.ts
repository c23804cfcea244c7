import { entry, FUELS } from '../catalog'
import type { Value } from '../design/field'
import { kindsOf } from '../design/kinds'
import { AIR_PANEL } from './air-panel'
import { BED_LOOP } from './bed-loop'
import { BODY_LOOP } from './body-loop'
import { withFumes } from './common'
import { COMPOST } from './compost'
import { HEATER } from './heater'
import type { Added, Fired, SourceKind } from './kind'
import { LAMPS } from './lamps'
import { PEOPLE } from './people'
import { SPARE_POWER } from './spare-power'
import { STOVE } from './stove'
import { WATER_PANEL } from './water-panel'

/** Every kind of source: a new one is a module beside these, and a line here. */
const KINDS = {
  'heater': HEATER,
  'stove': STOVE,
  'bed loop': BED_LOOP,
  'body loop': BODY_LOOP,
  'lamps': LAMPS,
  'people': PEOPLE,
  'solar air panel': AIR_PANEL,
  'solar water panel': WATER_PANEL,
  'compost': COMPOST,
  'spare power': SPARE_POWER,
}

export const SOURCES = kindsOf<SourceKind>()(KINDS, 'Source #')

export const SOURCE = SOURCES.field
export type Source = Value<typeof SOURCE>
export type SourceKindId = keyof typeof KINDS
export type SourceOf<K extends SourceKindId> = Extract<Source, { kind: K }>
export const SOURCE_KINDS = SOURCES.all
/** Their lines in the ledger. */
export const SOURCE_GAINS = Object.values(KINDS).map(k => k.gain)
export const sourceKind = SOURCES.of
export const sourceName = SOURCES.name
export const aSource = SOURCES.fresh

/** What a source in use burns or draws to heat; null for all others. */
export const firedBy = (source: Added): Fired | null => (source.on ? sourceKind(source).fired(source) : null)

/** Whether anything that is paid for heats the house. */
export const isHeated = (sources: readonly Added[]): boolean => sources.some(s => firedBy(s) !== null)

/** The warmest air that heaters in use keep, °C; null where none keeps any. */
export function keptAirC(sources: readonly Added[]): number | null {
  const kept = sources.flatMap(s => {
    const thermostat = s.on ? sourceKind(s).thermostat(s) : null
    return thermostat && thermostat.capacityW > 0 ? [thermostat.setPointC] : []
  })
  return kept.length > 0 ? Math.max(...kept) : null
}

/** The heater that comes first, in use or not, or a new one: what heat would be bought at. */
export function mainHeater(sources: readonly Source[]): SourceOf<'heater'> {
  const heaters = sources.filter(s => s.kind === 'heater')
  return heaters.find(s => s.on) ?? heaters[0] ?? { ...aSource('heater'), on: false, ...firstFired(sources) }
}

const firstFired = (sources: readonly Source[]): Partial<Fired> => {
  const fired = sources.map(s => sourceKind(s).fired(s)).find(f => f !== null)
  return fired ? { fuel: fired.fuel, pricePerKWh: fired.pricePerKWh } : {}
}

/** Heat for which fuel is burnt, of all that a fired source has brought. */
export const heatOf = (fired: Fired, brought: number): number => brought / withFumes(fired)

/** What that heat takes of its fuel, as sold, and costs. */
export function boughtFor(fired: Fired, kWh: number): { amount: number; unit: string; cost: number } {
  const { efficiency, perUnitKWh, unit } = entry(FUELS, fired.fuel)
  const paid = kWh / efficiency
  return { amount: paid / perUnitKWh, unit, cost: paid * fired.pricePerKWh }
}
