import { entry, FUELS } from '../catalog'
import { HOURS, MONTH_OF_DAY, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { sunOnPlane } from '../optics/gains'
import { clockShare } from './schedule'

/**
 * Heat and light added by devices and people, as far as it is known before the year is run. Arrays are 8760 long; null
 * where there is none.
 */
export interface Sources {
  lampsW: Float32Array | null
  /** Light of lamps on the beds, W of radiation: the share of their power that is useful light. */
  lampLightShare: number
  peopleCount: Float32Array | null
  compostW: Float32Array | null
  dumpW: Float32Array | null
  /** Sun on the collectors, W/m², and their area. */
  solarAir: { sun: Float32Array; areaM2: number; massFlow: number } | null
  solarWater: { sun: Float32Array; areaM2: number } | null
  bedLoop: { capacityW: number; setPointC: number } | null
  /** Share of the heater's heat that is radiant, and kg of water that its fumes leave in the room for each J. */
  heaterRadiant: number
  heaterWater: number
}

/** Fresh compost gives about this much, W a tonne, fading over months. Measured heaps give 50–250. */
const COMPOST_W_PER_TONNE = 110
const COMPOST_FADES_DAYS = 70
/** Of a solar array's rated power, after heat and wiring. */
const ARRAY_RATIO = 0.85
/** Energy in a mole of lamp light, MJ. */
const MJ_PER_MOL = 0.21

/** The sources of a design in a site's year. */
export function makeSources(design: Design, site: SiteYear, building: Building): Sources {
  const { lamps, people, compost, dumpLoad, solarAir, solarWater, bedLoop, heater } = design.topUp
  const fuel = entry(FUELS, heater.fuel)
  const hourly = (on: boolean, of: (h: number) => number) => {
    if (!on) return null
    const out = new Float32Array(HOURS)
    for (let h = 0; h < HOURS; h++) out[h] = of(h)
    return out
  }
  const shares = (fromH: number, untilH: number) => Array.from({ length: 24 }, (_, k) => clockShare(k, fromH, untilH))
  const lit = Array.from({ length: 12 }, (_, m) => lamps.months.includes(m + 1))
  const lampShare = shares(lamps.fromH, lamps.untilH)
  const peopleShare = shares(people.fromH, people.untilH)
  const equator = building.sunnyAzimuthDeg
  const dumpSun = dumpLoad.peakW > 0 ? sunOnPlane(site, dumpLoad.tiltDeg, equator) : null
  return {
    lampsW: hourly(lamps.powerW > 0, h => (lit[MONTH_OF_DAY[(h / 24) | 0]!] ? lamps.powerW * lampShare[h % 24]! : 0)),
    lampLightShare: Math.min(0.75, lamps.molPerMJ * MJ_PER_MOL),
    peopleCount: hourly(people.count > 0, h => people.count * peopleShare[h % 24]!),
    compostW: hourly(compost.tonnes > 0, h => {
      const age = h / 24 - compost.startDay
      return compost.tonnes * COMPOST_W_PER_TONNE * Math.exp(-(age < 0 ? age + 365 : age) / COMPOST_FADES_DAYS)
    }),
    dumpW: dumpSun && dumpSun.map(w => ((dumpLoad.peakW * w) / 1000) * ARRAY_RATIO),
    solarAir:
      solarAir.areaM2 > 0
        ? {
            sun: sunOnPlane(site, solarAir.tiltDeg, equator),
            areaM2: solarAir.areaM2,
            massFlow: (solarAir.flowM3h / 3600) * 1.2,
          }
        : null,
    solarWater:
      solarWater.areaM2 > 0 ? { sun: sunOnPlane(site, solarWater.tiltDeg, equator), areaM2: solarWater.areaM2 } : null,
    bedLoop: bedLoop.capacityW > 0 ? { capacityW: bedLoop.capacityW, setPointC: bedLoop.setPointC } : null,
    heaterRadiant: heater.kind === 'radiant' ? 0.7 : 0,
    heaterWater: fuel.waterKg / (fuel.efficiency * fuel.perUnitKWh * 3.6e6),
  }
}

/**
 * Useful heat of a solar air panel, W/m²: it takes 70 % of the sun and loses 5 W/m²K from its mean temperature to the
 * air outside; nothing when it would cool.
 */
export function airPanelWm2(sunWm2: number, insideC: number, outsideC: number): number {
  return Math.max(0, 0.7 * sunWm2 - 5 * (insideC - outsideC))
}

/**
 * Useful heat of a solar water panel, W/m². Flat plate by its usual efficiency line, 0.75 and 4 W/m²K, less a tenth for
 * the coil and its antifreeze.
 */
export function waterPanelWm2(sunWm2: number, waterC: number, outsideC: number): number {
  return 0.9 * Math.max(0, 0.75 * sunWm2 - 4 * (waterC - outsideC))
}
