import type { CropChoice } from '../aim/aim-line'

/** The schema that this version reads and writes; older ones are migrated forward on load. */
export const SCHEMA_VERSION = 3

export const FORMS = ['shed', 'gable', 'saltbox', 'gambrel', 'a-frame', 'arch', 'lean-to', 'dome'] as const
export type Form = (typeof FORMS)[number]

/** The steps of the work, in the order in which it goes. */
export const STEPS = ['aim', 'site', 'shape', 'skin', 'store', 'breathe', 'topUp'] as const
export type StepId = (typeof STEPS)[number]

/** A material that is in no catalogue. */
export interface OwnMaterial {
  name: string
  /** W/m·K */
  conductivity: number
  /** kg/m³ */
  density: number
  /** J/kg·K */
  specificHeat: number
  /** 0–1 */
  solarAbsorptance: number
}

/** One layer of an assembly, counted from outside inwards. */
export interface Layer {
  /** Its id in the catalogue, or `own` with `own` below. */
  material: string
  thicknessM: number
  /** Share of the layer that is timber framing, 0–0.4; none where it is left out. */
  framing?: number
  own?: OwnMaterial
}

export interface Bed {
  /** From the sunny wall to the near side of the bed, m. */
  atM: number
  widthM: number
  heightM: number
}

/** The place that a climate is of. */
export interface ClimatePlace {
  place: string
  latitudeDeg: number
  longitudeDeg: number
}

/**
 * A year of measured weather in the document, 8760 values each, from 1 January 00:00 local standard time. Units as in
 * `WeatherYear`.
 */
export interface HourlyClimate {
  kind: 'hourly'
  /** Left out, it is of the site. */
  at?: ClimatePlace
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
  /** Depth of snow lying, m; left out where the source has none. */
  snowM?: number[]
}

/** Monthly normals, January first. What is left out is estimated, and said to be. */
export interface NormalsClimate {
  kind: 'normals'
  /** Left out, they are of the site. */
  at?: ClimatePlace
  /** Mean daily lowest and highest air temperature, °C. */
  lowC: number[]
  highC: number[]
  /** Mean daily hours of bright sunshine. */
  sunshineH?: number[]
  /** Mean daily global radiation on the level, J/m². Goes before sunshine hours. */
  globalJm2?: number[]
  /** Mean relative humidity, 0–1. */
  humidity?: number[]
  /** Mean wind at 10 m, m/s. */
  windMs?: number[]
  /** Days with snow lying. */
  snowDays?: number[]
  /** Coldest night and hottest afternoon that the made year must reach, °C. */
  designLowC?: number
  designHighC?: number
}

/** A scripted fortnight laid into the year: dull days, then clear ones falling to a given low. */
export interface Spell {
  /** First day of the spell, day of year (0-based). */
  startDay: number
  dullDays: number
  clearDays: number
  /** Lowest air of its last night, °C. */
  lowC: number
}

/** A corner of the horizon: what stands in the way at an azimuth. Between corners the line is straight. */
export interface HorizonPoint {
  azimuthDeg: number
  altitudeDeg: number
  /** Deciduous trees let light through when they are bare. */
  kind: 'solid' | 'deciduous'
}

/** A fan with a straight curve from free flow to shut-off pressure. */
export interface Fan {
  freeFlowM3h: number
  shutOffPa: number
  powerW: number
}

/**
 * The one document: plain JSON, SI units (angles in degrees, temperatures in °C). Results are derived from it and never
 * stored in it.
 */
export interface Design {
  schemaVersion: typeof SCHEMA_VERSION
  id: string
  name: string
  /** Steps in which a person has chosen something; the others stand at their defaults. */
  decided: StepId[]
  aim: {
    lowestAirC: number
    highestAirC: number
    /** What is to live in it and when. With crops the two temperatures above give way to theirs, month by month. */
    crops: CropChoice[]
    /** What is at hand, and who must get about in it. */
    practical: {
      /** In the heater's currency; 0 while it is not known. */
      budget: number
      builder: 'self' | 'friends' | 'firm' | 'unknown'
      power: boolean
      water: boolean
      wheelchair: boolean
      headroomM: number
      reachM: number
      permits: 'unknown' | 'asked' | 'given' | 'none needed'
    }
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
    spell: Spell | null
    horizon: HorizonPoint[]
    /** What was measured and asked on the spot. It changes no sum: it stands on the drawing and among the notes. */
    survey: {
      /** Compass declination, degrees, east positive. */
      declinationDeg: number
      /** Depth of the water table, m; 0 while it is not known. */
      waterTableM: number
      /** Frost depth by local rule, m; 0 leaves the estimate. */
      frostDepthM: number
      /** Fall of the ground, degrees, and the azimuth that it falls towards. */
      slopeDeg: number
      slopeTowardsDeg: number
      /** Cold air gathers here on still nights. */
      frostPocket: boolean
      /** What the building office or an engineer said of snow and wind. */
      snowNote: string
      windNote: string
    }
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
    /** Gambrel: where the sunny slope breaks, from the sunny wall and above the floor; the pole side mirrors it. */
    breakAtM: number
    breakHeightM: number
    /** How far the floor lies below the ground outside, at the sunny wall. */
    sunkM: number
    /**
     * How much higher the ground outside stands at the back wall than at the sunny wall; negative where it falls that
     * way.
     */
    riseM: number
    /** Level of the paths against the floor: negative where they are dug lower. */
    pathM: number
    /** Solid eave beyond the top of the sunny glazing, level. */
    overhangM: number
    /** Lean-to: the house that it leans on. */
    house: {
      /** Above the greenhouse floor. */
      heightM: number
      /** Beyond each end of the greenhouse. */
      beyondM: number
      airC: number
    }
    /** Opaque strip inside the top of the sunny glazing, measured down the slope. */
    shadeStripM: number
    beds: Bed[]
    benches: Bed[]
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
    condition: {
      /** Share of each opening that is bars and frame, 0–1. */
      frameShare: number
      ageYears: number
      /** Share of light that dirt takes, 0–1. */
      dirt: number
    }
    /** Finish of the inner faces of walls and roof: its id. */
    finish: { wall: string; roof: string }
    cover: {
      id: string
      place: 'inside' | 'outside' | 'between'
      /** How well its edges are sealed against its kind. */
      fit: 'tight' | 'usual' | 'loose'
      /** By the sun, by the clock, or by cold alone (dark or not). */
      rule: 'sun' | 'clock' | 'cold'
      /** Clock rule: drawn from and until, h of local standard time. */
      fromH: number
      untilH: number
      /** Drawn this long after sunset (negative: before) and opened this long after sunrise, h. */
      afterSunsetH: number
      afterSunriseH: number
      /** It stays open on nights when the air outside is above this. */
      onlyBelowC: number
    }
    edge: {
      material: string
      thicknessM: number
      depthM: number
      /** Board sloping outwards under the soil, this wide. */
      skirtM: number
    }
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
      /** Warm water above cold, in three layers. */
      stratified: boolean
    }
    /** An open-sided box of water on the floor; no length means none. */
    tank: { lengthM: number; widthM: number; heightM: number; atM: number; colour: string }
    /** Open water let into the floor; no length means none. */
    pond: { lengthM: number; widthM: number; depthM: number; atM: number }
    /** A wall of mass standing free in the room; no thickness means none. */
    innerWall: { material: string; thicknessM: number; heightM: number; atM: number }
    massWall: { material: string; thicknessM: number }
    floor: { material: string; thicknessM: number }
    /** Air drawn from the ridge through pipes in the ground and back. */
    earth: {
      on: boolean
      pipes: number
      pipeLengthM: number
      pipeDiameterM: number
      depthM: number
      fan: Fan
      /** Runs when air and soil differ by this, K. */
      startK: number
    }
    /** Clean rock in an insulated pit, air through it. */
    rockBed: {
      on: boolean
      areaM2: number
      depthM: number
      rockM: number
      insulationM: number
      fan: Fan
      startK: number
    }
    /** Air channels or gravel ducts under the beds. */
    channels: { on: boolean; count: number; widthM: number; heightM: number; fan: Fan; startK: number }
  }
  breathe: {
    /** A leakage class, or `measured` with `ach50`. */
    leakage: string
    ach50: number
    /** Gaps found on a walk round: what, and how much of it in the unit of its kind. */
    gaps: { kind: string; amount: number }[]
    vents: {
      lowM2: number
      highM2: number
      startC: number
      fullC: number
      /** Time constant of the opener, s. */
      lagS: number
      /** It closes this much cooler than it opens, K. */
      hysteresisK: number
    }
    /** Extract fans: stage k starts `stepK` above the one before. */
    fans: { stages: number; flowM3h: number; powerW: number; startC: number; stepK: number }
    /** Winter habit: vents stay shut until it is really warm, and the house is aired at midday. */
    airing: {
      on: boolean
      fromH: number
      untilH: number
      holdUntilC: number
      /** Days are winter while their mean outside is below this. */
      belowC: number
    }
    doors: { areaM2: number; openingsPerDay: number; /** Each stands open this long, s. */ openS: number }
    /** Entry lobby before the door; no area means none. */
    lobby: { areaM2: number }
    /** Sheet over the beds on cold nights. */
    rowCover: { on: boolean; belowC: number }
    /** Leaf area over bed area. */
    leafArea: number
    /** Outside air drawn in through a pipe in the ground. */
    earthTube: {
      on: boolean
      lengthM: number
      diameterM: number
      depthM: number
      fan: Fan
      /** Runs while the air is below the first or above the second, °C. */
      belowC: number
      aboveC: number
    }
  }
  topUp: {
    heater: {
      on: boolean
      capacityW: number
      setPointC: number
      fuel: string
      pricePerKWh: number
      currency: string
      /** Warm air, or radiant heat aimed at faces and water. */
      kind: 'air' | 'radiant'
    }
    /** Collector that warms room air; no area means none. Tilt from level. */
    solarAir: { areaM2: number; tiltDeg: number; flowM3h: number }
    /** Collector with a loop of liquid to a coil in the water; no area means none. */
    solarWater: { areaM2: number; tiltDeg: number }
    /** Compost heap with a loop to the beds; no mass means none. */
    compost: { tonnes: number; startDay: number }
    /** Warm-water loop in the beds, on the heater's fuel. */
    bedLoop: { capacityW: number; setPointC: number }
    lamps: {
      powerW: number
      fromH: number
      untilH: number
      /** mol of useful light per MJ drawn. */
      molPerMJ: number
      /** Lit in these months, 1–12. */
      months: number[]
    }
    /** Spare power of a solar array into the water, else the air. */
    dumpLoad: { peakW: number; tiltDeg: number }
    people: { count: number; fromH: number; untilH: number }
  }
}

/** What is wrong with a document, where, and what is allowed. */
export interface Fault {
  /** As in `site.climate.lowC[3]`; empty for the document as a whole. */
  path: string
  message: string
  allowed: string
}
