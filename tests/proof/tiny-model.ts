import { derivedHours, HOURS, type SiteYear } from '../../core/climate'
import { DEMOS } from '../../core/design'
import { halves, type Orifice } from '../../core/air/vents'
import { startOf } from '../../core/design/field'
import type { Airs } from '../../core/network/airs'
import type { Airways } from '../../core/network/airways'
import { CLOSED, OUTSIDE, type NetworkModel } from '../../core/network/model'
import type { Opener } from '../../core/openings/kind'
import { hoursFor } from '../../core/people/presence'
import { VENT } from '../../core/openings/vent'
import { makeFans } from '../../core/network/fans'
import type { Added } from '../../core/network/added'

const NONE = new Float64Array(0)

/** A site of one unchanging, dark hour: no sun, no wind, sky as warm as the air. */
export function steadySite(outsideC: number): SiteYear {
  const flat = (v: number) => new Float32Array(HOURS).fill(v)
  const skyInfraredWm2 = flat(5.670374e-8 * (outsideC + 273.15) ** 4)
  const { skyC, humidity } = derivedHours({ skyInfraredWm2, dewPointC: flat(outsideC - 5), pressurePa: flat(101325) })
  return {
    latitudeDeg: 47,
    longitudeDeg: 15,
    standardOffsetH: 1,
    dryBulbC: flat(outsideC),
    dewPointC: flat(outsideC - 5),
    pressurePa: flat(101325),
    globalWm2: flat(0),
    beamWm2: flat(0),
    diffuseWm2: flat(0),
    skyInfraredWm2,
    skyC,
    humidityRatio: humidity,
    windMs: flat(0),
    cloud: flat(0),
    snowM: flat(0),
    notes: [],
    sunAltitudeDeg: flat(-10),
    sunAzimuthDeg: flat(0),
    extraterrestrialWm2: flat(1361),
    ground: { meanC: outsideC, amplitudeK: 0, coldestDay: 15 },
    horizon: null,
  }
}

/**
 * A room of water behind one massless wall: nothing else. The wall's conductance is so small that the films do not
 * count.
 */
export function waterRoom(options: { wallWK: number; waterKg: number }): NetworkModel {
  const none = new Float32Array(HOURS)
  const area = 200
  const two = (a = 0, b = 0) => Float64Array.from([a, b])
  const empty = { a: new Int32Array(0), g: new Float64Array(0) }
  return {
    count: 2,
    offset: Int32Array.from([0, 2, 4]),
    cellCount: 4,
    capacity: Float64Array.from([0, 0, options.waterKg * 4184, 0]),
    fusion: new Float64Array(4),
    between: Float64Array.from([options.wallWK, 0, 1e5, 0]),
    tie: Int32Array.from([OUTSIDE, CLOSED]),
    area: two(area, area),
    facingUp: two(),
    skyView: two(),
    longwaveThrough: two(),
    emissivity: two(0.9, 0.9),
    glazed: new Uint8Array(2),
    paneOpen: two(),
    paneDrawn: two(),
    insideDrawn: two(),
    outsideWetter: two(),
    iced: [null],
    bearsC: new Float64Array(12),
    outsideDrawn: two(),
    lossIndex: new Int32Array(2),
    underRow: new Uint8Array(2),
    waterKg: two(0, options.waterKg),
    openWater: two(),
    bed: new Uint8Array(2),
    sun: { watts: new Float32Array(0), cell: empty.a, chain: empty.a, cover: empty.a, lit: 0, kept: 0 },
    airSun: none,
    start: new Float64Array(4).fill(NaN),
    quick: { a: empty.a, b: empty.a, g: empty.g, edgeFrom: 0 },
    slow: { a: empty.a, b: empty.a, g: empty.g, edgeFrom: 0 },
    followS: Infinity,
    deepFrom: 4,
    outsideGround: { first: 4, columns: 0, rows: 0, down: empty.g, area: empty.g, half: empty.g, film: 0 },
    buried: { g: empty.g, cell: empty.a, share: two() },
    houseC: 20,
    banks: null,
    covers: 1,
    drawn: none,
    coverLeak: Float64Array.of(0),
    coverOutside: new Uint8Array(1),
    byGain: [null],
    coverOf: new Int32Array(2),
    boarded: [],
    bedAreaM2: 0,
    bedLight: none,
    leafArea: NONE,
    bedAreasM2: NONE,
    rootCell: new Int32Array(2),
    soilBare: two(),
    bedIndex: Int32Array.of(-1, -1),
    leafOf: Int32Array.of(-1, -1),
    leakAreaM2: 0,
    leakWind: 0.000104,
    airways: airwaysOf([]),
    airing: DEMOS[0]!.breathe.airing,
    fans: makeFans([], 101325),
    leakHeightM: 1.5,
    comings: new Float64Array(HOURS),
    lobby: { areaM2: 0 },
    rowCover: { areaM2: 0, belowC: 0, there: new Uint8Array(8760), awayLowC: new Float32Array(8760) },
    misting: { kgPerS: 0, startC: 28, upTo: 0.8 },
    exchangers: [],
    airStores: 0,
    added: NOTHING_ADDED,
    airs: ONE_AIR,
    airMassKg: 1e-6,
    airCapacity: 1e-3,
    bodies: [Int32Array.of(1)],
    skin: [],
    probes: { soil: [Int32Array.of(2)], floor: 3, backWall: 1, glazing: 1 },
  }
}

/** All air as one. */
export const ONE_AIR: Airs = {
  splitM: 0,
  planeM2: 0,
  pathM2: 0,
  pathHolds: 0,
  aboveShare: 0,
  pathShare: 0,
  above: NONE,
  inPath: new Uint8Array(0),
  orificeAbove: new Uint8Array(0),
}

const NOTHING_ADDED: Added = {
  count: 0,
  gain: new Int32Array(0),
  heatShare: NONE,
  works: [],
  body: new Int32Array(0),
  beds: [],
  thermostats: { source: new Int32Array(0), capacityW: NONE, setPointC: NONE, radiantShare: NONE, water: NONE },
}

/** Airways of openings that are each two halves: their area, m², height, m, and what moves them. */
export function airwaysOf(
  openings: readonly { areaM2: number; atM: number; tallM?: number; wind?: number; opener?: Partial<Opener> }[],
): Airways {
  const usual = startOf(VENT.fields) as unknown as Opener
  const orifices = openings.flatMap((o, opening) =>
    halves(o.areaM2, 0.6, o.atM, o.tallM ?? 0.3, o.wind ?? 0.1).map((h: Orifice) => ({ ...h, opening })),
  )
  return {
    openers: openings.map(o => ({ ...usual, ...o.opener })),
    freeM2: Float64Array.from(openings, o => o.areaM2),
    winter: openings.map(() => new Uint8Array(365)),
    there: openings.map(o => {
      const opener = { ...usual, ...o.opener }
      return opener.how === 'hand' ? hoursFor(opener, DEMOS[0]!.breathe.people) : null
    }),
    eveningLowC: openings.map(() => null),
    plugSavesM2: new Float64Array(openings.length),
    edgesM2: 0,
    conduct: Float64Array.from(orifices, o => o.conduct),
    heightM: Float64Array.from(orifices, o => o.heightM),
    wind: Float64Array.from(orifices, o => o.wind),
    opening: Int32Array.from(orifices, o => o.opening),
    doorways: [],
  }
}
