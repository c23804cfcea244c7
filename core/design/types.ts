/** The schema that this version reads and writes; older ones are migrated forward on load. */
export const SCHEMA_VERSION = 1

export type Form = 'shed' | 'gable' | 'saltbox'

/** The steps of the work, in the order in which it goes. */
export const STEPS = ['aim', 'site', 'shape', 'skin', 'store', 'breathe', 'topUp'] as const
export type StepId = typeof STEPS[number]

/** One layer of an assembly, counted from outside inwards. */
export interface Layer { material: string, thicknessM: number }

export interface Bed {
  /** From the sunny wall to the near side of the bed, m. */
  atM: number
  widthM: number
  heightM: number
}

/** A year of measured weather in the document, 8760 values each, from 1 January 00:00 local standard time. Units as in `WeatherYear`. */
export interface HourlyClimate {
  kind: 'hourly'
  source: string
  notes: string[]
  dryBulbC: number[]
  dewPointC: number[]
  pressurePa: number[]
  globalWm2: number[]
  beamWm2: number[]
  diffuseWm2: number[]
  skyInfraredWm2: number[]
  windMs: number[]
  cloud: number[]
}

export interface NormalsClimate { kind: 'normals', lowC: number[], highC: number[] }

/** The one document: plain JSON, SI units (angles in degrees, temperatures in °C). Results are derived from it and never stored in it. */
export interface Design {
  schemaVersion: typeof SCHEMA_VERSION
  id: string
  name: string
  /** Steps in which a person has chosen something; the others stand at their defaults. */
  decided: StepId[]
  aim: {
    lowestAirC: number
    highestAirC: number
  }
  site: {
    place: string
    latitudeDeg: number
    longitudeDeg: number
    elevationM: number
    timeZone: string
    /** Material id of the ground. */
    soil: string
    /** Seed of the weather made from normals. */
    seed: number
    climate: NormalsClimate | HourlyClimate
  }
  shape: {
    form: Form
    /** Turn of the sunny side from the equator, degrees; positive to the east, in both hemispheres. */
    turnDeg: number
    /** Inside length along the ridge. */
    lengthM: number
    /** Inside width, sunny wall to back wall. */
    widthM: number
    kneeWallM: number
    /** Floor to ridge, inside. */
    ridgeHeightM: number
    /** From the sunny wall to below the ridge; a saltbox sets it, a shed's is the width, a gable's half of it. */
    ridgeAtM: number
    /** A saltbox sets it; a shed's is the ridge height, a gable's the knee wall. */
    backWallM: number
    beds: Bed[]
  }
  skin: {
    glazing: string
    poleSlope: 'solid' | 'glazed'
    /** Glazed share of each end wall, 0–1. */
    endsGlazedShare: number
    /** Knee wall, back wall and ends, outside to inside. */
    wall: Layer[]
    /** Solid roof slope, outside to inside. */
    roof: Layer[]
    cover: {
      id: string
      /** Drawn this long after sunset (negative: before) and opened this long after sunrise, h. */
      afterSunsetH: number
      afterSunriseH: number
      /** It stays open on nights when the air outside is above this. */
      onlyBelowC: number
    }
    edge: { material: string, thicknessM: number, depthM: number }
  }
  store: {
    barrels: {
      count: number
      vessel: string
      colour: string
      place: 'back' | 'middle' | 'sunny'
      /** How many stand on each other, 1–3. */
      stack: number
      raisedM: number
    }
    massWall: { material: string, thicknessM: number }
    floor: { material: string, thicknessM: number }
  }
  breathe: {
    leakage: string
    vents: { lowM2: number, highM2: number, startC: number, fullC: number }
  }
  topUp: {
    heater: { on: boolean, capacityW: number, setPointC: number, fuel: string, pricePerKWh: number, currency: string }
  }
}

/** What is wrong with a document, where, and what is allowed. */
export interface Fault {
  /** As in `site.climate.lowC[3]`; empty for the document as a whole. */
  path: string
  message: string
  allowed: string
}
