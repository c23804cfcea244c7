import type { Answers } from './answers'
import { frostDepthM } from './ground/frost'
import { designDays, noonOfDay, type DesignDay, type GroundClimate } from './climate'
import type { Design } from './design/types'
import { makeBuilding } from './geometry/surfaces'
import { bookedSums, type BookedSum } from './sums/book'
import type { YearResult } from './year'
import { groundOf } from './materials/ground'

/**
 * What a screen needs of a year: the answers, the hours it charts, and the days it draws rays for. Plain data, cheap to
 * pass between threads.
 */
export interface YearView {
  answers: Answers
  /** Sums by hand with the design's own numbers, and what its year says beside them. */
  sums: BookedSum[]
  latitudeDeg: number
  longitudeDeg: number
  standardOffsetH: number
  hours: Record<
    | 'outsideC'
    | 'airC'
    | 'leafC'
    | 'bedLightWm2'
    | 'soilC'
    | 'waterC'
    | 'sunAltitudeDeg'
    | 'sunAzimuthDeg'
    | 'globalWm2'
    | 'beamWm2'
    | 'windMs'
    | 'heaterW'
    | 'ventOpening'
    | 'coverDrawn'
    | 'relativeHumidity',
    Float32Array
  >
  /** How far each opening stands open, 0–1 by hour, in the order of the document. */
  openShare: Float32Array[]
  /** Middle of each body, °C by hour, in the order of the document. */
  bodiesC: Float32Array[]
  /** What each gives off, W by hour; takes in, below 0. */
  bodiesGiveW: Float32Array[]
  cold: DesignDay
  hot: DesignDay
  /** The yearly wave of the ground's surface, and how quickly the site's soil passes it on, m²/s. */
  ground: GroundClimate
  soilDiffusivity: number
  /** How deep frost goes into bare ground, m. */
  frostDepthM: number
}

/** The view of a year's result. */
export function yearView(design: Design, result: YearResult): YearView {
  const { answers, site, series } = result
  const { cold, hot } = designDays(site)
  const soil = groundOf(design.site)
  const diffusivity = soil.conductivity / (soil.density * soil.specificHeat)
  return {
    answers,
    sums: bookedSums({ ...result, design, building: makeBuilding(design) }),
    latitudeDeg: site.latitudeDeg,
    longitudeDeg: site.longitudeDeg,
    standardOffsetH: site.standardOffsetH,
    cold,
    hot,
    frostDepthM: frostDepthM(site.dryBulbC),
    ground: site.ground,
    soilDiffusivity: diffusivity,
    openShare: series.openings,
    bodiesC: series.bodies.map(b => b.middleC),
    bodiesGiveW: series.bodies.map(b => b.givesW),
    hours: {
      outsideC: site.dryBulbC,
      airC: series.airC,
      leafC: series.leafC,
      bedLightWm2: series.bedLightWm2,
      soilC: series.soilC,
      waterC: series.waterC,
      sunAltitudeDeg: site.sunAltitudeDeg,
      sunAzimuthDeg: site.sunAzimuthDeg,
      globalWm2: site.globalWm2,
      beamWm2: site.beamWm2,
      windMs: site.windMs,
      heaterW: series.heaterW,
      ventOpening: series.ventOpening,
      coverDrawn: series.coverDrawn,
      relativeHumidity: series.relativeHumidity,
    },
  }
}

/** The sun at solar noon of any day of a view's site. */
export function noonOf(view: YearView, day: number): DesignDay {
  return noonOfDay(view, day)
}
