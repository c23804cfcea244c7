import { anAirStore } from '../core/air-stores/registry'
import type { AirStore, Design, Source, SourceOf } from '../core/design'
import type { AnyFan } from '../core/fans/registry'
import { aSource } from '../core/sources/registry'

/** A design with these sources and no others. */
export const withSources = (d: Design, ...sources: Source[]): Design => ({ ...d, topUp: { ...d.topUp, sources } })

export const unheated = (d: Design): Design => withSources(d)

/** A design with one heater. */
export const heated = (d: Design, chosen: Partial<SourceOf<'heater'>> = {}): Design =>
  withSources(d, aSource('heater', chosen))

/** A design with these air stores and no others. */
export const withAirStores = (d: Design, ...airStores: AirStore[]): Design => ({
  ...d,
  store: { ...d.store, airStores },
})

/** A design with one air store of each kind. */
export const withAllAirStores = (d: Design): Design =>
  withAirStores(
    d,
    anAirStore('earth store'),
    anAirStore('bed channels'),
    anAirStore('rock bed'),
    anAirStore('earth tube'),
  )

/** A design with these fans and no others. */
export const withFans = (d: Design, ...fans: AnyFan[]): Design => ({ ...d, breathe: { ...d.breathe, fans } })
