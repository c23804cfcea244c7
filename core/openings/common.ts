import { choice, difference, flag, number, temperature } from '../design/field'
import { PART_CHOICES, type PartId } from '../design/fields/parts'
import { presenceDays, presenceFrom, presenceUntil } from '../people/presence'
import type { Host, Opener } from './kind'
import { month, winterFields } from './winter'

export const HOWS = [
  { id: 'wax', name: 'by a wax piston' },
  { id: 'motor', name: 'by a motor on a thermostat' },
  { id: 'hand', name: 'by hand' },
  { id: 'season', name: 'stands open for a season' },
  { id: 'shut', name: 'stays shut' },
] as const

export const part = choice(PART_CHOICES, { label: 'On' })

/** What moves an opening, and when. */
export const openerFields = (how: Opener['how'], startC = 20) => ({
  how: choice(HOWS, { start: how, label: 'Opens' }),
  startC: temperature(5, 45, { start: startC, step: 0.5, label: 'Starts to open' }),
  fullC: temperature(6, 60, { start: startC + 9, step: 0.5, label: 'Fully open' }),
  lagS: number('duration', 0, 7200, { start: 720, label: 'Lag', about: 'time constant of a wax piston, s' }),
  hysteresisK: difference(0, 10, { start: 2, label: 'Hysteresis', about: 'it closes this much cooler than it opens' }),
  days: presenceDays,
  fromH: presenceFrom,
  untilH: presenceUntil,
  leftAjar: flag({
    start: false,
    label: 'Left open whatever the evening brings',
    about: 'by hand: otherwise who leaves shuts what the night would make too cold for what lives there',
  }),
  fromMonth: month(5, 'Open from the start of month'),
  untilMonth: month(9, 'Open to the end of month'),
  ...winterFields,
})

/** Everywhere on the skin but at the foot of the floor. */
export const ANYWHERE: readonly PartId[] = PART_CHOICES.map(p => p.id)
export const WALLS: readonly PartId[] = ['kneeWall', 'front', 'backWall', 'eastEnd', 'westEnd']

/** Where a leaf of a height sits in the middle of its part, m up from its foot. */
export const sillOn = (host: Host, heightM: number): number =>
  Math.max(0, Math.floor(((host.longM - heightM) / 2) * 100) / 100)

/** A row of leaves so many times as wide, in as many of them as it takes. */
export function scaledRow<O extends { count: number; widthM: number }>(o: O, share: number): O {
  const wide = o.count * o.widthM * share
  const count = Math.max(1, Math.round(wide / o.widthM))
  return { ...o, count, widthM: Math.round((wide / count) * 1000) / 1000 }
}
