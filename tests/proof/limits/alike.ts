import type { Design } from '../../../core/design'
import { SOURCE_KINDS } from '../../../core/sources/registry'
import { cutBeds, leafed } from '../../cut-beds'
import { withHours } from '../../hours'
import type { Figure, Limit } from './limit'
import { halved } from './nothing'

/** The same house told otherwise: lists in another order, things in halves, clocks and hemispheres turned. */
export function alikeLimits(): Limit[] {
  const same = (name: string, figure: Figure, tolerance: number, of: (d: Design) => Design | null): Limit => ({
    name,
    figure,
    pair: d => {
      const other = of(d)
      return other && [d, other]
    },
    then: 'same',
    tolerance,
  })
  return [
    same('openings in another order', 'coldest', 1e-5, d => ({
      ...d,
      skin: { ...d.skin, openings: turned(d.skin.openings) },
    })),
    same('openings in another order', 'hottest', 1e-5, d => ({
      ...d,
      skin: { ...d.skin, openings: turned(d.skin.openings) },
    })),
    same('bodies in another order', 'coldest', 1e-4, withBodiesTurned),
    same('beds in another order', 'coldest', 1e-4, d => ({ ...d, shape: { ...d.shape, beds: turned(d.shape.beds) } })),
    same('beds in another order', 'light', 1e-4, d => ({ ...d, shape: { ...d.shape, beds: turned(d.shape.beds) } })),
    same('fans in another order', 'hottest', 1e-5, d => ({
      ...d,
      breathe: { ...d.breathe, fans: turned(d.breathe.fans) },
    })),
    same('air stores in another order', 'coldest', 1e-4, d => ({
      ...d,
      store: { ...d.store, airStores: turned(d.store.airStores) },
    })),
    {
      ...same('beds cut in two, in full leaf', 'light', 0.02, d => d),
      pair: d => {
        const whole = leafed({ ...d, shape: { ...d.shape, beds: d.shape.beds.map(b => ({ ...b, crop: null })) } }, 3)
        return d.shape.beds.some(b => b.kind !== 'bed') ? null : [whole, cutBeds(whole, 2)]
      },
    },
    { ...same('clock and place an hour east', 'coldest', 0.01, d => d), pair: d => [atHour(d, 1), atHour(d, 2)] },
    ...(['coldest', 'light', 'soil'] as const).map(
      (figure): Limit => ({
        ...same('the other hemisphere, half a year on', figure, figure === 'light' ? 0.8 : 0.2, d => d),
        pair: d => [byNoCalendar(d), mirrored(d)],
      }),
    ),
    ...SOURCE_KINDS.map(
      (kind): Limit => ({
        name: `${kind.kind} as two halves`,
        figure: 'coldest',
        pair: d => halved(d, kind),
        then: 'same',
        tolerance: 0.02,
      }),
    ),
  ]
}

const turned = <T>(list: readonly T[]): T[] => [...list].reverse()

/** Bodies in another order, and what points at one of them with them. */
function withBodiesTurned(d: Design): Design {
  const last = d.store.bodies.length - 1
  const sources = d.topUp.sources.map(s =>
    'body' in s && typeof s.body === 'number' ? { ...s, body: last - s.body } : s,
  )
  return { ...d, store: { ...d.store, bodies: turned(d.store.bodies) }, topUp: { ...d.topUp, sources } }
}

/** Zones that keep no summer time: hours of the day mean the same all year. Their names count westwards. */
const zone = (hours: number) => `Etc/GMT${hours > 0 ? '-' : '+'}${Math.abs(hours)}`

/** The same local sun under a clock and at a place an hour apart. */
const atHour = (d: Design, hours: number): Design => ({
  ...d,
  site: { ...d.site, timeZone: zone(hours), longitudeDeg: hours * 15 + 3 },
})

/** A house that nothing in it sets by the calendar, in the hours of its own made year. */
const byNoCalendar = (d: Design): Design =>
  withHours({
    ...d,
    aim: { ...d.aim, crops: [] },
    site: { ...d.site, timeZone: 'Etc/GMT', longitudeDeg: 0 },
    shape: { ...d.shape, beds: d.shape.beds.map(b => ({ ...b, crop: null })), benches: [] },
    breathe: { ...d.breathe, people: { visits: [], spans: [] } },
    topUp: { ...d.topUp, sources: d.topUp.sources.filter(s => s.kind !== 'lamps') },
  })

/** Whole days, in hours. */
const HALF_A_YEAR = 183 * 24

/** Mirrored at the equator, half a year on. */
function mirrored(d: Design): Design {
  const north = byNoCalendar(d)
  const climate = Object.fromEntries(
    Object.entries(north.site.climate).map(([name, v]) => [
      name,
      Array.isArray(v) && v.length > HALF_A_YEAR ? [...v.slice(HALF_A_YEAR), ...v.slice(0, HALF_A_YEAR)] : v,
    ]),
  ) as unknown as Design['site']['climate']
  const across = (azimuthDeg: number) => (540 - azimuthDeg) % 360
  const { latitudeDeg, horizon, windFromDeg } = north.site
  return {
    ...north,
    site: {
      ...north.site,
      climate,
      latitudeDeg: -latitudeDeg,
      horizon: horizon.map(p => ({ ...p, azimuthDeg: across(p.azimuthDeg) })),
      windFromDeg: windFromDeg === null ? null : across(windFromDeg),
    },
    shape: { ...north.shape, turnDeg: -north.shape.turnDeg },
  }
}
