import { MOST_BODIES } from '../bodies/common'
import { entry, FUELS } from '../catalog'
import { LATENT } from '../physics/constants'
import { angle, area, count, entryOf, flag, money, orNull } from '../design/field'
import type { Fired, Sink, SourceKind } from './kind'

/** Fields that many kinds share. */
export const on = flag({ start: true, label: 'In use' })
export const body = orNull(
  count(0, MOST_BODIES - 1, { label: 'Which body', about: 'by its place in `store.bodies`' }),
  { start: null, about: '`null` for the first body that holds water' },
)
export const fuelFields = (fuel: string) => ({
  fuel: entryOf(FUELS, { start: fuel, label: 'Fuel', hint: 'Its rough price comes along: put your own.' }),
  pricePerKWh: money(0, 100, { start: entry(FUELS, fuel).roughPrice, label: 'For each kWh of fuel' }),
})
export const panelFields = (tiltDeg: number) => ({
  areaM2: area(0, 200, { start: 2, usual: [0, 20], step: 0.5, label: 'Area' }),
  tiltDeg: angle(0, 90, { start: tiltDeg, label: 'Tilt', about: 'from level' }),
})

/** What most kinds are not. */
export const PLAIN = {
  plural: false,
  thermostat: () => null,
  work: () => null,
  body: () => null,
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

/** Share of the hour from k to k + 1 that lies between two times of the clock, which may span midnight. */
export function clockShare(k: number, fromH: number, untilH: number): number {
  const within = (a: number, b: number) => Math.max(0, Math.min(k + 1, b) - Math.max(k, a))
  return fromH <= untilH ? within(fromH, untilH) : within(fromH, 24) + within(0, untilH)
}

/** The same for each hour of the day. */
export const clockShares = (fromH: number, untilH: number): number[] =>
  Array.from({ length: 24 }, (_, k) => clockShare(k, fromH, untilH))

/** A time of the clock as people write it. */
export const clock = (hour: number): string =>
  `${Math.floor(hour)}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`
