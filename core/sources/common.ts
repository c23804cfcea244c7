import { MOST_BODIES } from '../bodies/common'
import { entry, FUELS } from '../catalog'
import { LATENT } from '../physics/constants'
import { angle, area, bedNumbers, count, entryOf, flag, money, months, orNull } from '../design/field'
import type { Fired, Sink, SourceKind } from './kind'

/** Fields that many kinds share. */
export const on = flag({ start: true, label: 'In use' })
export const body = orNull(
  count(0, MOST_BODIES - 1, { label: 'Which body', about: 'by its place in `store.bodies`' }),
  { start: null, about: '`null` for the first body that holds water' },
)
export const fuelFields = (fuel: string) => ({
  fuel: entryOf(FUELS, { start: fuel, label: 'Fuel', hint: 'Its rough price comes along: put your own.' }),
  pricePerKWh: money(0, 1e5, { start: entry(FUELS, fuel).roughPrice, label: 'For each kWh of fuel' }),
})
export const panelFields = (tiltDeg: number) => ({
  areaM2: area(0, 200, { start: 2, usual: [0, 20], step: 0.5, label: 'Area' }),
  tiltDeg: angle(0, 90, { start: tiltDeg, label: 'Tilt', about: 'from level' }),
})

/** Where a loop lies, and when it runs. */
export const loopFields = {
  inBeds: bedNumbers({ label: 'Lies in', hint: 'All beds, unless some are pressed.', about: 'none for all beds' }),
  months: months([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], { label: 'Runs in' }),
}

/** What most kinds are not. */
export const PLAIN = {
  plural: false,
  thermostat: () => null,
  work: () => null,
  body: () => null,
  beds: () => [],
  fired: () => null,
  molPerMJ: () => 0,
  idle: () => [],
  cost: () => null,
} satisfies Partial<SourceKind>

/** Panels and spare power warm water up to this, °C. */
export const HOT_C = 55

/** Heat that brings a sink to a temperature within a block of time, W; never below 0. */
export const upTo = (sink: Sink, setPointC: number, spanS: number): number =>
  Math.max(0, ((setPointC - sink.atC) * sink.capacity) / spanS)

/** Water that a fuel's fumes leave in the room, kg for each joule of heat; 0 where a flue takes them out. */
export function fumes({ fuel }: Fired): number {
  const { waterKg, efficiency, perUnitKWh } = entry(FUELS, fuel)
  return waterKg / (efficiency * perUnitKWh * 3.6e6)
}

/** All that a fired source brings for each joule of heat: with its fumes' latent heat. */
export const withFumes = (fired: Fired): number => 1 + LATENT * fumes(fired)
