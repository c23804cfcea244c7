import type { SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { sunOnPlane } from '../optics/outdoors'
import { hoursThere } from '../people/presence'
import { fumes } from '../sources/common'
import type { Work } from '../sources/kind'
import { firedBy, heatOf, sourceKind } from '../sources/registry'
import { GAIN } from './series'

/** The sources of a design as they are laid out for a year: one entry a source of the document, in its order. */
export interface Added {
  count: number
  /** Its place among the ledger's gains. */
  gain: Int32Array
  /**
   * Share of what it brings that is heat from fuel; the rest is its fumes' water. 0 where nothing is paid for heat: all
   * others rest in an unheated year.
   */
  heatShare: Float64Array
  /** What it does by the hour; null where nothing. */
  works: (Work | null)[]
  /** Which body it warms; −1 where there is none for it. */
  body: Int32Array
  /** Which beds it warms, by their place in the document; none for all. */
  beds: (readonly number[])[]
  thermostats: Thermostats
}

/**
 * Heaters that keep the air, the highest set point first: as the air cools, each takes over where the one after it
 * would have begun, and those of one set point help in the order of the document.
 */
export interface Thermostats {
  /** Which source each is. */
  source: Int32Array
  capacityW: Float64Array
  setPointC: Float64Array
  radiantShare: Float64Array
  /** Water that its fumes leave in the room, kg/J. */
  water: Float64Array
}

/** Lays the sources of a design out for its site's year. */
export function makeAdded(
  { store, breathe, topUp }: Design,
  site: SiteYear,
  building: Building,
  waterBody: number,
): Added {
  const { sources } = topUp
  const planes = new Map<number, Float32Array>()
  const sunOn = (tiltDeg: number) => {
    const known = planes.get(tiltDeg) ?? sunOnPlane(site, tiltDeg, building.sunnyAzimuthDeg)
    planes.set(tiltDeg, known)
    return known
  }
  const place = { outsideC: site.dryBulbC, there: hoursThere(breathe.people), sunOn }
  const thermostats = sources
    .flatMap((s, source) => {
      const thermostat = s.on ? sourceKind(s).thermostat(s) : null
      const fired = firedBy(s)
      return thermostat ? [{ ...thermostat, source, water: fired ? fumes(fired) : 0 }] : []
    })
    .sort((a, b) => b.setPointC - a.setPointC)
  return {
    count: sources.length,
    gain: Int32Array.from(sources, s => GAIN[sourceKind(s).gain]!),
    heatShare: Float64Array.from(sources, s => {
      const fired = firedBy(s)
      return fired ? heatOf(fired, 1) : 0
    }),
    works: sources.map(s => (s.on ? sourceKind(s).work(s, place) : null)),
    body: Int32Array.from(sources, s => {
      const chosen = sourceKind(s).body(s) ?? waterBody
      return chosen < store.bodies.length ? chosen : -1
    }),
    beds: sources.map(s => sourceKind(s).beds(s)),
    thermostats: {
      source: Int32Array.from(thermostats, t => t.source),
      capacityW: Float64Array.from(thermostats, t => t.capacityW),
      setPointC: Float64Array.from(thermostats, t => t.setPointC),
      radiantShare: Float64Array.from(thermostats, t => t.radiantShare),
      water: Float64Array.from(thermostats, t => t.water),
    },
  }
}
