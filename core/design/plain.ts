import type { Design, Fan } from './types'

const fan = (freeFlowM3h: number, shutOffPa: number, powerW: number): Fan => ({ freeFlowM3h, shutOffPa, powerW })

/**
 * Parts of a design as they stand before anybody has chosen: nothing dug, nothing added. Demos, new designs and older
 * documents build on them.
 */
export const PLAIN = {
  aim: {
    crops: [],
    practical: {
      budget: 0,
      builder: 'unknown',
      power: true,
      water: true,
      wheelchair: false,
      headroomM: 1.9,
      reachM: 0.75,
      permits: 'unknown',
    },
  },
  site: {
    spell: null,
    horizon: [],
    survey: {
      declinationDeg: 0,
      waterTableM: 0,
      frostDepthM: 0,
      slopeDeg: 0,
      slopeTowardsDeg: 180,
      frostPocket: false,
      snowNote: '',
      windNote: '',
    },
  },
  shape: {
    breakAtM: 0.8,
    breakHeightM: 2.2,
    sunkM: 0,
    riseM: 0,
    pathM: 0,
    overhangM: 0,
    house: { heightM: 6, beyondM: 3, airC: 18 },
    shadeStripM: 0,
    benches: [],
  },
  skin: {
    condition: { frameShare: 0.08, ageYears: 0, dirt: 0.02 },
    finish: { wall: 'bare', roof: 'bare' },
    cover: { place: 'inside', fit: 'usual', rule: 'sun', fromH: 17, untilH: 8 },
    edge: { skirtM: 0 },
  },
  store: {
    barrels: { stratified: false },
    tank: { lengthM: 0, widthM: 0.8, heightM: 1, atM: 1.4, colour: 'black' },
    pond: { lengthM: 0, widthM: 1, depthM: 0.6, atM: 1.4 },
    innerWall: { material: 'gabion', thicknessM: 0, heightM: 1, atM: 2 },
    earth: { on: false, pipes: 10, pipeLengthM: 8, pipeDiameterM: 0.1, depthM: 0.9, fan: fan(700, 120, 90), startK: 4 },
    rockBed: { on: false, areaM2: 6, depthM: 0.6, rockM: 0.05, insulationM: 0.1, fan: fan(600, 120, 90), startK: 4 },
    channels: { on: false, count: 4, widthM: 0.15, heightM: 0.1, fan: fan(400, 80, 40), startK: 4 },
  },
  breathe: {
    ach50: 24,
    gaps: [],
    vents: { lagS: 720, hysteresisK: 2 },
    fans: { stages: 0, flowM3h: 2000, powerW: 120, startC: 30, stepK: 3 },
    airing: { on: false, fromH: 11, untilH: 13, holdUntilC: 30, belowC: 8 },
    doors: { areaM2: 1.8, openingsPerDay: 4, openS: 12 },
    lobby: { areaM2: 0 },
    rowCover: { on: false, belowC: 4 },
    leafArea: 1,
    earthTube: { on: false, lengthM: 20, diameterM: 0.2, depthM: 1.6, fan: fan(250, 100, 40), belowC: 4, aboveC: 28 },
  },
  topUp: {
    heater: { kind: 'air' },
    solarAir: { areaM2: 0, tiltDeg: 60, flowM3h: 200 },
    solarWater: { areaM2: 0, tiltDeg: 60 },
    compost: { tonnes: 0, startDay: 305 },
    bedLoop: { capacityW: 0, setPointC: 14 },
    lamps: { powerW: 0, fromH: 5, untilH: 8, molPerMJ: 2.5, months: [11, 12, 1, 2] },
    dumpLoad: { peakW: 0, tiltDeg: 45 },
    people: { count: 0, fromH: 9, untilH: 16 },
  },
} as const

type Tree = { [key: string]: unknown }
const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)

/** `given` with what it lacks taken from `plain`; nothing that is there is changed. */
function filled(given: Tree, plain: Tree): Tree {
  const out: Tree = { ...given }
  for (const [key, value] of Object.entries(plain)) {
    if (!Object.hasOwn(given, key)) out[key] = structuredClone(value)
    else if (isTree(value) && isTree(given[key])) out[key] = filled(given[key], value)
  }
  return out
}

/** What a document needs to say for itself; the rest may stand at {@link PLAIN}. */
type Spare<T, P> = T extends readonly unknown[]
  ? T
  : T extends object
    ? { [K in keyof T as K extends keyof P ? never : K]: T[K] } & {
        [K in keyof T & keyof P]?: T[K] extends object ? Spare<T[K], P[K]> : T[K]
      }
    : T

/** A whole design from one that leaves the plain parts out. */
export function completeDesign(spare: Spare<Design, typeof PLAIN>): Design {
  return filled(spare as unknown as Tree, PLAIN as unknown as Tree) as unknown as Design
}

/**
 * A document brought forward to this version's schema: fields that came later start plain. What is not an older design
 * comes back as it was, for
 * `designFaults` to judge. Never throws.
 */
export function migrateDesign(document: unknown): unknown {
  if (!isTree(document) || (document.schemaVersion !== 1 && document.schemaVersion !== 2)) return document
  return { ...filled(document, PLAIN as unknown as Tree), schemaVersion: 3 }
}
