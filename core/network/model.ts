import { AIR_SPECIFIC_HEAT, FILM_INSIDE, FILM_OUTSIDE, GAS_CONSTANT_AIR, WATER_DENSITY } from '../physics/constants'
import { leakageAreaM2 } from '../air/leakage'
import { kindOf } from '../bodies/registry'
import { entry, fittedCover, LEAKAGE_CLASSES, MATERIALS, SHELTERS } from '../catalog'
import { HOURS, type SiteYear } from '../climate'
import { aimLine } from '../aim/aim-line'
import { leafByMonth } from '../aim/leaf'
import type { Bed, Design } from '../design/types'
import { bedSide } from '../geometry/faces'
import { shadingOf } from '../geometry/shading'
import type { Building, PaneCover, SurfaceId } from '../geometry/surfaces'
import { NEAR_ROWS, SURFACE_FILM, type GroundSlice } from '../ground/slice'
import { undisturbedTemperatures } from '../ground/undisturbed'
import { coverConductance, coveredResistance, glazingConductance } from '../optics/glazing-heat'
import type { SolarGains } from '../optics/gains'
import { skyViews } from '../optics/sky-view'
import { comings, hoursFor, type People } from '../people/presence'
import { bankedShares, snowBanks, type Banked } from '../optics/snow'
import { makeAdded, type Added } from './added'
import { makeAirs, type Airs } from './airs'
import { makeAirways, type Airways } from './airways'
import { makeFabric, OPEN_COVER, type Chain } from './chains'
import { makeExchangers, type Exchanger } from './exchangers'
import { icedCover } from './iced-cover'
import { makeFans, type Fans } from './fans'
import { coverDrawn, goesByGain, lowestWhileAway, movable } from './schedule'
import { LOSS_NAMES } from './series'

/** Air, leaves, twine and frames warm and cool together: this many times the air alone. */
const CONTENTS = 4

/** Share of bare soil's evaporation that its cover lets through. FAO Irrigation and Drainage Paper 56, ch. 10. */
const SOIL_BARE: Record<Bed['soilCover'], number> = { bare: 1, mulch: 0.5, film: 0.25 }
/** Dry gravel on top of a flooded bed, of the same. */
const GRAVEL_BARE = 0.2
const evaporates = ({ soilCover, fill }: Bed) => SOIL_BARE[soilCover] * (fill === 'gravel' ? GRAVEL_BARE : 1)

/** What kind of tie the outermost cell has. */
export const OUTSIDE = 0
export const GROUND = 1
export const CLOSED = 2
export const BURIED = 3
export const HOUSE = 4

/**
 * The network laid out in flat arrays for the time loop. One entry a chain unless said. After the cells of the chains
 * come those of the ground outside, then the deep ones under the floor.
 */
export interface NetworkModel {
  count: number
  /** First cell of each chain, with the number of chain cells at the end. */
  offset: Int32Array
  cellCount: number
  /** By cell: heat capacity J/K and conductance to the next cell W/K. */
  capacity: Float64Array
  between: Float64Array
  /** By cell: heat that the water of soil gives off as it freezes, J. */
  fusion: Float64Array
  tie: Int32Array
  area: Float64Array
  facingUp: Float64Array
  /** Share of longwave that the outer face gets from the sky. */
  skyView: Float64Array
  longwaveThrough: Float64Array
  /** Of the room face. */
  emissivity: Float64Array
  glazed: Uint8Array
  /** Glazing only: conductances open and with the night cover drawn, by its place, W/K. */
  paneOpen: Float64Array
  paneDrawn: Float64Array
  insideDrawn: Float64Array
  /** Outside cover, W/K; 0 where there is none. Dry, and what it passes more when its cloth is full of water. */
  outsideDrawn: Float64Array
  outsideWetter: Float64Array
  lossIndex: Int32Array
  /** 1 where the face breathes under the row cover. */
  underRow: Uint8Array
  waterKg: Float64Array
  /** Water open to the air, or soil that is always damp. */
  openWater: Float64Array
  bed: Uint8Array
  sun: SunEntries
  /** Sun that warms the air at once, W, by hour and cover, as `drawn`. */
  airSun: Float32Array
  /** Starting temperature of each cell of ground, °C; NaN elsewhere. */
  start: Float64Array
  /**
   * Cells that pass heat sideways or to a neighbour body: those that feel the hour, and slow ones, whose flow is looked
   * at every sixth.
   */
  quick: Links
  slow: Links
  /**
   * How long the quickest cell needs to follow what it is passed by the block, s: longer blocks of time would swing.
   */
  followS: number
  /** Deep ground under the floor: cells from here on, stepped by the hour. */
  deepFrom: number
  outsideGround: {
    first: number
    columns: number
    rows: number
    down: Float64Array
    area: Float64Array
    half: Float64Array
    film: number
  }
  /** Sunk walls: conductance to each outside cell beside them, W/K, and each chain's share. */
  buried: { g: Float64Array; cell: Int32Array; share: Float64Array }
  houseC: number
  /** Snow against the skin: height of each bank, m by hour, and what of each chain stands in which; null without. */
  banks: { heightM: Float32Array[]; chains: (Banked | null)[] } | null
  /**
   * Night covers: how much of each hour each is drawn, by `hour * covers + cover`, and the share that it leaves bare.
   */
  covers: number
  drawn: Float32Array
  coverLeak: Float64Array
  /** 1 where it hangs outside the panes and keeps the sun off them too. */
  coverOutside: Uint8Array
  /** By cover outside: what lies on it, of what its cloth holds, and 1 where it is frozen fast; null for others. */
  iced: ({ wet: Float32Array; fast: Uint8Array } | null)[]
  /** Covers that go by what light brings and the pane loses; null for all others. */
  byGain: (ByGain | null)[]
  /** Which cover a chain's glazing is under; 0 for what is not glazed. */
  coverOf: Int32Array
  /** Leaves that are no panes and boarded up: their last link, W/K, open and with the boards of a cover before it. */
  boarded: readonly { link: number; cover: number; openWK: number; drawnWK: number }[]
  bedAreaM2: number
  /** Sunlight on the beds by what cover it comes past, W/m², as `drawn`. */
  bedLight: Float32Array
  /** By chain: the cell at root depth of a bed, and its share of bare soil's evaporation; which bed of the document. */
  rootCell: Int32Array
  soilBare: Float64Array
  bedIndex: Int32Array
  /** By bed and month, `bed * 12 + month`: leaf over bed area; and each bed's area, m². */
  leafArea: Float64Array
  bedAreasM2: Float64Array
  /** By chain: which bed's leaves it is; −1 for all else. */
  leafOf: Int32Array
  leakAreaM2: number
  /** How hard the wind drives leaks here. */
  leakWind: number
  airways: Airways
  /** What lives in the room bears at night, °C by month; −∞ where nothing does. */
  bearsC: Float64Array
  airing: Design['breathe']['airing']
  fans: Fans
  /** Height at which leaks breathe neither in nor out by warmth, m. */
  leakHeightM: number
  /** By hour, its share of the day's comings and goings. */
  comings: Float64Array
  lobby: { areaM2: number }
  /** Row cover: below what air of the room it is laid; hours in which somebody is there, and what comes after each. */
  rowCover: { on: boolean; belowC: number; there: Uint8Array; awayLowC: Float32Array }
  /** Water that mist takes with all nozzles, 0 for none; where it begins, and relative humidity that it may bring. */
  misting: { kgPerS: number; startC: number; upTo: number }
  exchangers: Exchanger[]
  /** How many air stores the document has, in use or not. */
  airStores: number
  added: Added
  airs: Airs
  airMassKg: number
  airCapacity: number
  /** Cells whose temperatures the reader sees; of the soil, by bed (of the top ground where there are none). */
  probes: { soil: Int32Array[]; floor: number; backWall: number; glazing: number }
  /** Chains of each body, lowest first, in the order of the document. */
  bodies: Int32Array[]
  /** Chains of each piece of skin, above ground and below. */
  skin: { id: SurfaceId; chains: Int32Array }[]
}

/**
 * Where the sun lands, W: `watts[hour * entries + entry]`. The first `lit` entries are faces in the room, which a drawn
 * cover keeps it from; up to `kept` follow the panes;
 * the rest are outer faces, each of another chain.
 */
export interface SunEntries {
  watts: Float32Array
  cell: Int32Array
  chain: Int32Array
  /** Faces in the room: which cover keeps the light from them. */
  cover: Int32Array
  lit: number
  kept: number
}

/**
 * Pairs of cells and what passes between them, W/K. From `edgeFrom` on the first cell is the building's and the second
 * the ground outside.
 */
export interface Links {
  a: Int32Array
  b: Int32Array
  g: Float64Array
  edgeFrom: number
}

/** A pair of cells is slow when its smaller one would need longer than this to follow the other, s. */
const SLOW_S = 60 * 3600

const TIES: Record<Chain['kind'], number> = {
  wall: OUTSIDE,
  glazing: OUTSIDE,
  ground: GROUND,
  buried: BURIED,
  house: HOUSE,
  store: CLOSED,
  leaf: CLOSED,
}

/** Tightness as air changes an hour under 50 Pa. */
export function ach50Of(breathe: Design['breathe']): number {
  return breathe.leakage === 'measured' ? breathe.ach50 : entry(LEAKAGE_CLASSES, breathe.leakage).ach50
}

/** Lays the network of a design out for the loop. */
function rowCoverOf({ rowCover, people }: Design['breathe'], { dryBulbC }: SiteYear): NetworkModel['rowCover'] {
  const { on, belowC } = rowCover
  const there = on ? hoursFor(rowCover, people) : new Uint8Array(HOURS)
  return { on, belowC, there, awayLowC: lowestWhileAway(there, dryBulbC) }
}

export function makeModel(design: Design, site: SiteYear, building: Building, gains: SolarGains): NetworkModel {
  const { chains, slice } = makeFabric(design, building)
  const count = chains.length
  const offset = new Int32Array(count + 1)
  chains.forEach((c, i) => {
    offset[i + 1] = offset[i]! + c.capacity.length
  })
  const first = offset[count]!
  const outRows = slice.sunkRowsM.length + slice.rowsM.length
  const deepFrom = first + slice.outsideCapacity.length
  const deepRows = slice.rowsM.length - NEAR_ROWS
  const cellCount = deepFrom + slice.floor.length * deepRows
  const capacity = new Float64Array(cellCount)
  const between = new Float64Array(cellCount)
  const fusion = new Float64Array(cellCount)
  chains.forEach((c, i) => {
    capacity.set(c.capacity, offset[i])
    between.set(c.between, offset[i])
    fusion.set(c.fusion ?? [], offset[i])
  })
  capacity.set(slice.outsideCapacity, first)
  for (let i = 0; i < slice.floor.length; i++)
    for (let r = 0; r < deepRows; r++)
      capacity[deepFrom + i * deepRows + r] = slice.floorCapacity[i * slice.rowsM.length + NEAR_ROWS + r]!
  for (let i = first; i < cellCount; i++) fusion[i] = capacity[i]! * slice.fusionK
  const airMassKg = (building.volumeM3 * site.pressurePa[0]!) / (GAS_CONSTANT_AIR * 283.15)
  const { breathe } = design
  const { beds } = design.shape
  const { airing, fans } = breathe
  const map = <T extends Float64Array | Uint8Array>(array: T, of: (c: Chain, i: number) => number) => {
    chains.forEach((c, i) => {
      array[i] = of(c, i)
    })
    return array
  }
  // Chains of the ground come in the order of what lies on it.
  const grounds = chains.flatMap((c, i) => (c.column >= 0 ? [offset[i]!] : []))
  const groundCell: GroundCell = (top, row) =>
    row < NEAR_ROWS
      ? grounds[top]! + NEAR_ROWS - 1 - row
      : deepFrom + slice.tops[top]!.column * deepRows + row - NEAR_ROWS
  const sun = sunByChain(chains, gains, offset)
  const panes = glazingArrays(building, chains)
  const links = makeLinks(design, building, chains, slice, offset, groundCell, capacity)
  const exchangers = makeExchangers(design, building, slice, groundCell, first, site.pressurePa[0]!)
  const buried = {
    g: slice.wall,
    cell: Int32Array.from(slice.wall, (_, r) => first + r * slice.outsideWidthsM.length),
    share: map(new Float64Array(count), c =>
      c.kind === 'buried' ? c.areaM2 / chains.filter(x => x.kind === 'buried').reduce((s, x) => s + x.areaM2, 0) : 0,
    ),
  }
  const seen = skyViews(site, building, shadingOf(design.shape, building.outline).outside)
  const airways = makeAirways(design, building, site.dryBulbC)
  // Written out name by name: objects put together from parts are slow to read, and the loop reads these every hour.
  return {
    count,
    offset,
    cellCount,
    capacity,
    between,
    fusion,
    tie: Int32Array.from(chains, c => TIES[c.kind]),
    area: map(new Float64Array(count), c => c.areaM2),
    facingUp: map(new Float64Array(count), c => c.facingUp),
    skyView: map(new Float64Array(count), c => (c.skin ? seen.get(c.skin)! : 0)),
    longwaveThrough: map(new Float64Array(count), c => c.longwaveThrough),
    emissivity: map(new Float64Array(count), c => c.emissivity),
    glazed: map(new Uint8Array(count), c => (c.kind === 'glazing' ? 1 : 0)),
    paneOpen: panes.open,
    paneDrawn: panes.drawn,
    insideDrawn: panes.insideDrawn,
    outsideDrawn: panes.outsideDrawn,
    outsideWetter: panes.outsideWetter,
    lossIndex: Int32Array.from(chains, c => LOSS_NAMES.indexOf(c.name)),
    underRow: map(new Uint8Array(count), c => ((c.bed || c.leafOf >= 0) && breathe.rowCover.on ? 1 : 0)),
    waterKg: map(new Float64Array(count), c => c.waterKg),
    openWater: map(new Float64Array(count), c => c.open),
    bed: map(new Uint8Array(count), c => (c.bed ? 1 : 0)),
    sun: sun.sun,
    airSun: sun.airSun,
    start: startTemperatures(slice, site, first, cellCount, groundCell),
    quick: links.quick,
    slow: links.slow,
    followS: followTime(capacity, [links.quick, links.slow], buried, exchangers),
    deepFrom,
    outsideGround: {
      first,
      columns: slice.outsideWidthsM.length,
      rows: outRows,
      down: slice.outsideDown,
      area: slice.surfaceArea,
      half: slice.surfaceHalf,
      film: SURFACE_FILM,
    },
    buried,
    houseC: design.shape.house.airC,
    banks: makeBanks(design, site, building, chains),
    covers: building.covers.length,
    drawn: inTurns(building.covers.map(c => coverDrawn(site, c, breathe.people))),
    coverLeak: Float64Array.from(building.covers, c => fittedCover(c).edgeLeak),
    byGain: makeByGain(building, chains, gains, breathe.people),
    coverOutside: Uint8Array.from(building.covers, c => Number(c.place === 'outside')),
    iced: building.covers.map(c => icedOf(site, c)),
    coverOf: Int32Array.from(chains, c => Math.max(0, c.cover)),
    boarded: chains.flatMap((c, i) => {
      if (c.kind === 'glazing' || c.cover < 0) return []
      const openWK = c.between.at(-1)!
      const boardsWK = coverConductance(fittedCover(building.covers[c.cover]!)) * c.areaM2
      const drawnWK = 1 / (1 / openWK + 1 / boardsWK)
      return [{ link: offset[i + 1]! - 2, cover: c.cover, openWK, drawnWK }]
    }),
    bedAreaM2: chains.filter(c => c.bed).reduce((s, c) => s + c.areaM2, 0),
    bedLight: inTurns(gains.byCover.map(c => c.bedLightWm2)),
    rootCell: Int32Array.from(chains, (c, i) => (c.bed ? offset[i]! + c.rootCell : -1)),
    soilBare: map(new Float64Array(count), c => (c.bed ? evaporates(beds[c.bedIndex]!) : 0)),
    bedIndex: Int32Array.from(chains, c => c.bedIndex),
    leafArea: Float64Array.from(beds.flatMap(b => leafByMonth(design.aim, b))),
    bedAreasM2: Float64Array.from(beds, (_, b) =>
      chains.filter(c => c.bedIndex === b).reduce((s, c) => s + c.areaM2, 0),
    ),
    leafOf: Int32Array.from(chains, c => c.leafOf),
    leakWind: entry(SHELTERS, design.site.shelter).leakWind,
    leakAreaM2: Math.max(0, leakageAreaM2(ach50Of(breathe), building.volumeM3) + airways.edgesM2),
    airways,
    bearsC: Float64Array.from(aimLine(design.aim).lowC, c => c ?? -Infinity),
    airs: makeAirs(design, building, chains, airways.heightM),
    airing: {
      on: airing.on,
      fromH: airing.fromH,
      untilH: airing.untilH,
      holdUntilC: airing.holdUntilC,
      belowC: airing.belowC,
    },
    fans: makeFans(fans, site.pressurePa[0]!),
    leakHeightM: building.outline.ridgeHeightM / 2,
    comings: comings(breathe.people),
    lobby: { areaM2: breathe.lobby.areaM2 },
    rowCover: rowCoverOf(breathe, site),
    misting: misting(breathe),
    exchangers,
    airStores: design.store.airStores.length,
    added: makeAdded(
      design,
      site,
      building,
      design.store.bodies.findIndex((_, i) => chains.some(c => c.body === i && c.waterKg > 0)),
    ),
    airMassKg,
    airCapacity: CONTENTS * airMassKg * AIR_SPECIFIC_HEAT,
    probes: makeProbes(chains, offset),
    skin: skinChains(chains),
    bodies: design.store.bodies.map((_, i) => Int32Array.from(chains.flatMap((c, k) => (c.body === i ? [k] : [])))),
  }
}

const misting = ({ misting }: Design['breathe']): NetworkModel['misting'] => ({
  kgPerS: misting.on ? (misting.perHourM3 * WATER_DENSITY) / 3600 : 0,
  startC: misting.startC,
  upTo: misting.upTo,
})

function makeBanks(
  { skin }: Design,
  site: SiteYear,
  building: Building,
  chains: readonly Chain[],
): NetworkModel['banks'] {
  if (!site.snowM.some(depth => depth > 0)) return null
  return {
    heightM: snowBanks(site, building.outline, skin.snow.cleared),
    chains: chains.map(c => {
      const those = c.skin ? building.surfaces.filter(s => s.id === c.skin && s.part !== null) : []
      return those.length > 0 && TIES[c.kind] === OUTSIDE ? bankedShares(building, those) : null
    }),
  }
}

function skinChains(chains: readonly Chain[]): NetworkModel['skin'] {
  const ids = [...new Set(chains.flatMap(c => c.skin ?? []))]
  return ids.map(id => ({ id, chains: Int32Array.from(chains.flatMap((c, i) => (c.skin === id ? [i] : []))) }))
}

/** What a cover that goes by gain needs to know. */
export interface ByGain {
  /** Light through its panes while it is open, W by hour. */
  lightW: Float32Array
  /** What it keeps in for each kelvin between inside and outside, W/K. */
  keepsWK: number
  /** Hours in which it can be moved, 1 each. */
  movable: Uint8Array
}

function makeByGain(
  building: Building,
  chains: readonly Chain[],
  gains: SolarGains,
  people: People,
): (ByGain | null)[] {
  const films = FILM_INSIDE + FILM_OUTSIDE
  const glass = new Set<string>(gains.panes.map(p => p.id))
  return building.covers.map((cover, k) => {
    if (!goesByGain(cover)) return null
    const keepsWK = chains
      .filter(c => c.kind === 'glazing' && c.cover === k)
      .reduce(
        (sum, c) =>
          sum + c.areaM2 * (1 / (films + c.resistance) - 1 / (films + coveredResistance(c.resistance, cover))),
        0,
      )
    const lightW = new Float32Array(HOURS)
    gains.byCover[k]!.faces.forEach((watts, i) => {
      // What goes back out through glass is worth nothing.
      if (glass.has(gains.faces[i]!.id) || gains.faces[i]!.meter) return
      for (let h = 0; h < HOURS; h++) lightW[h]! += watts[h]!
    })
    return { lightW, keepsWK, movable: movable(cover, people) }
  })
}

/** What lies on a cover outside the panes; null for one that hangs dry. */
function icedOf(site: SiteYear, cover: PaneCover): NetworkModel['iced'][number] {
  if (cover.boards || cover.id === 'none' || cover.place !== 'outside') return null
  const { holdsKgM2 } = fittedCover(cover)
  const { waterKgM2, fast } = icedCover(site, holdsKgM2)
  return { wet: waterKgM2.map(kg => Math.min(1, kg / holdsKgM2)), fast }
}

function glazingArrays(building: Building, chains: readonly Chain[]) {
  const blank = () => new Float64Array(chains.length)
  const out = { open: blank(), drawn: blank(), insideDrawn: blank(), outsideDrawn: blank(), outsideWetter: blank() }
  chains.forEach((c, i) => {
    if (c.kind !== 'glazing') return
    const { place, ...kind } = building.covers[c.cover]!
    const cover = fittedCover(kind)
    const there = cover.resistance > 0
    out.open[i] = c.areaM2 / c.resistance
    out.drawn[i] = there && place === 'between' ? glazingConductance(c.resistance, cover) * c.areaM2 : out.open[i]!
    out.insideDrawn[i] = there && place === 'inside' ? coverConductance(cover) * c.areaM2 : OPEN_COVER * c.areaM2
    if (!there || place !== 'outside') return
    const wet = { ...cover, resistance: cover.wetResistance }
    out.outsideDrawn[i] = coverConductance(cover) * c.areaM2
    out.outsideWetter[i] = coverConductance(wet) * c.areaM2 - out.outsideDrawn[i]!
  })
  return out
}

/**
 * Sunlight laid out hour by hour, so that the loop reads it in a line. What lands on things that keep no heat warms the
 * air.
 */
function sunByChain(
  chains: readonly Chain[],
  gains: SolarGains,
  offset: Int32Array,
): Pick<NetworkModel, 'sun' | 'airSun'> {
  const lit: SunEntry[] = []
  const panes: SunEntry[] = []
  const outer: SunEntry[] = []
  const outerArea = new Map<string, number>()
  for (const c of chains) if (c.outer) outerArea.set(c.outer, (outerArea.get(c.outer) ?? 0) + c.areaM2)
  const sided = new Set(chains.map(c => c.sideOf))
  chains.forEach((c, chain) => {
    const first = offset[chain]!
    const face = offset[chain + 1]! - 1
    const light = (id: string | null) => {
      const at = gains.faces.findIndex(f => f.id === id)
      if (at >= 0)
        gains.byCover.forEach((under, cover) => {
          lit.push({ chain, cell: face, watts: under.faces[at]!, share: c.faceShare, cover })
        })
    }
    light(c.face)
    // Sides of next to no height are of the bed's top.
    if (c.bed && !sided.has(c.bedIndex)) light(bedSide(c.bedIndex))
    const add = (to: SunEntry[], cell: number, watts: Float32Array | undefined, share: number, cover = 0) => {
      if (watts) to.push({ chain, cell, watts, share, cover })
    }
    if (c.pane)
      for (const cell of [first, first + 1])
        add(panes, cell, gains.panes.find(p => p.id === c.pane)?.watts, 0.5, c.cover)
    if (c.outer) add(outer, first, gains.outer.find(o => o.id === c.outer)?.watts, c.areaM2 / outerArea.get(c.outer)!)
  })
  const entries = [...lit, ...panes, ...outer]
  const n = entries.length
  const watts = new Float32Array(HOURS * n)
  // Day by day, so that what is written stays near.
  for (let day = 0; day < HOURS; day += 24) entries.forEach((e, k) => spread(watts, day, n, k, e))
  const glass = new Set<string>(gains.panes.map(p => p.id))
  const kept = new Set(chains.flatMap(c => (c.bed ? [c.face, bedSide(c.bedIndex)] : [c.face])))
  const airSun = gains.byCover.map(({ faces }) => {
    const out = new Float32Array(HOURS)
    gains.faces.forEach((f, i) => {
      if (!kept.has(f.id) && !glass.has(f.id) && !f.meter)
        for (let h = 0; h < HOURS; h++) out[h] = out[h]! + faces[i]![h]!
    })
    return out
  })
  return {
    sun: {
      watts,
      cell: Int32Array.from(entries, e => e.cell),
      chain: Int32Array.from(entries, e => e.chain),
      cover: Int32Array.from(entries, e => e.cover),
      lit: lit.length,
      kept: lit.length + panes.length,
    },
    airSun: inTurns(airSun),
  }
}

/** Series by hour, laid side by side: `hour * series + which`. */
function inTurns(series: readonly Float32Array[]): Float32Array {
  const n = series.length
  if (n === 1) return series[0]!
  const out = new Float32Array(HOURS * n)
  series.forEach((s, k) => {
    for (let h = 0; h < HOURS; h++) out[h * n + k] = s[h]!
  })
  return out
}

interface SunEntry {
  cover: number
  chain: number
  cell: number
  watts: Float32Array
  share: number
}

function spread(to: Float32Array, day: number, n: number, k: number, { watts, share }: SunEntry): void {
  for (let h = day; h < day + 24; h++) to[h * n + k] = watts[h]! * share
}

/** The cell of the ground under one of what lies on the floor, by its row from the floor down. */
export type GroundCell = (top: number, row: number) => number

function startTemperatures(
  slice: GroundSlice,
  site: SiteYear,
  first: number,
  cellCount: number,
  groundCell: GroundCell,
): Float64Array {
  const start = new Float64Array(cellCount).fill(NaN)
  const under = undisturbedTemperatures(slice.depthM.slice(slice.sunkRowsM.length), slice.diffusivity, site.ground)
  const beside = undisturbedTemperatures(slice.depthM, slice.diffusivity, site.ground)
  for (let t = 0; t < slice.tops.length; t++)
    for (let r = 0; r < slice.rowsM.length; r++) start[groundCell(t, r)] = under[r]!
  for (let j = 0; j < slice.outsideWidthsM.length; j++)
    for (let r = 0; r < slice.depthM.length; r++) start[first + r * slice.outsideWidthsM.length + j] = beside[r]!
  return start
}

function makeLinks(
  design: Design,
  building: Building,
  chains: readonly Chain[],
  slice: GroundSlice,
  offset: Int32Array,
  groundCell: GroundCell,
  capacity: Float64Array,
): Pick<NetworkModel, 'quick' | 'slow'> {
  const found: { a: number; b: number; g: number; edge: boolean }[] = []
  let edge = false
  const link = (a: number, b: number, g: number) => {
    if (g > 0) found.push({ a, b, g, edge })
  }
  const rows = slice.rowsM.length
  const columns = slice.outsideWidthsM.length
  const sunk = slice.sunkRowsM.length
  const first = offset[chains.length]!
  const topsOf = slice.floor.map((_, column) => [...slice.tops.keys()].filter(t => slice.tops[t]!.column === column))
  /** Of its column, what a top takes. */
  const shareOf = slice.tops.map(t => t.areaM2 / slice.floor[t.column]!.areaM2)
  slice.floor.forEach((_, i) => {
    const [first] = topsOf[i]!
    const next = topsOf[i + 1]
    for (let r = 0; r < rows; r++) {
      const across = slice.floorAcross[i * rows + r]!
      if (next && r >= NEAR_ROWS) link(groundCell(first!, r), groundCell(next[0]!, r), across)
      // Where several lie on a column, each meets its neighbours by their shares.
      else if (next)
        for (const a of topsOf[i]!)
          for (const b of next) link(groundCell(a, r), groundCell(b, r), across * shareOf[a]! * shareOf[b]!)
      const down = slice.floorDown[i * rows + r]!
      if (r >= NEAR_ROWS && r + 1 < rows) link(groundCell(first!, r), groundCell(first!, r + 1), down)
      else if (r === NEAR_ROWS - 1)
        for (const t of topsOf[i]!) link(groundCell(t, r), groundCell(t, r + 1), down * shareOf[t]!)
    }
  })
  for (let r = 0; r < slice.depthM.length; r++)
    for (let j = 0; j + 1 < columns; j++)
      link(first + r * columns + j, first + r * columns + j + 1, slice.outsideAcross[r * columns + j]!)
  // Standing water warms the soil that it stands on or in.
  const under = (x: number) => {
    const column = Math.max(
      0,
      slice.floor.findIndex(c => x >= c.x0 && x <= c.x1),
    )
    const free = topsOf[column]!.filter(t => slice.tops[t]!.bed < 0)
    return free.length > 0 ? free : topsOf[column]!
  }
  design.store.bodies.forEach((body, index) => {
    const o = building.objects.find(x => x.kind === 'body' && x.index === index)!
    const tie = kindOf(body).underfoot(body, o)
    const chain = chains.findIndex(c => c.body === index)
    if (!tie) return
    let row = 0
    let top = 0
    while (row + 1 < rows && top + slice.rowsM[row]! < tie.depthM) top += slice.rowsM[row++]!
    const tops = under((o.x0 + o.x1) / 2)
    const whole = tops.reduce((sum, t) => sum + shareOf[t]!, 0)
    for (const t of tops) link(offset[chain]!, groundCell(t, row), (tie.conductance * shareOf[t]!) / whole)
  })
  // The soil at a bed's side goes on into the bed behind it.
  chains.forEach((side, i) => {
    if (side.sideOf < 0) return
    const bed = design.shape.beds[side.sideOf]!
    const own = chains.flatMap((c, k) =>
      c.bedIndex === side.sideOf ? [{ middle: offset[k]! + c.midCell, areaM2: c.areaM2 }] : [],
    )
    const areaM2 = own.reduce((sum, c) => sum + c.areaM2, 0)
    const g = (entry(MATERIALS, bed.fill).conductivity * side.areaM2) / (bed.widthM / 4)
    for (const c of own) link(offset[i]!, c.middle, (g * c.areaM2) / areaM2)
  })
  edge = true
  slice.tops.forEach((top, t) => {
    const share = slice.floor[top.column]!.edgeShare * shareOf[t]!
    for (let r = 0; r < rows; r++) link(groundCell(t, r), first + (sunk + r) * columns, slice.edge[r]! * share)
  })
  const pack = (slow: boolean): Links => {
    const some = found
      .filter(l => Math.min(capacity[l.a]!, capacity[l.b]!) / l.g > SLOW_S === slow)
      .sort((p, q) => Number(p.edge) - Number(q.edge))
    return {
      a: Int32Array.from(some, l => l.a),
      b: Int32Array.from(some, l => l.b),
      g: Float64Array.from(some, l => l.g),
      edgeFrom: some.filter(l => !l.edge).length,
    }
  }
  return { quick: pack(false), slow: pack(true) }
}

/**
 * Lagged fluxes tighten the stability limit: they count as so much more. By itself such a swing fades while
 * a block is shorter than the cell needs.
 */
const LATE = 1.5

/** Time that the quickest of the cells needs to follow what reaches it block by block, s. */
function followTime(
  capacity: Float64Array,
  links: readonly Links[],
  buried: NetworkModel['buried'],
  exchangers: readonly Exchanger[],
): number {
  const sum = new Float64Array(capacity.length)
  for (const { a, b, g } of links) {
    g.forEach((w, l) => {
      sum[a[l]!]! += w
      sum[b[l]!]! += w
    })
  }
  buried.g.forEach((w, r) => {
    sum[buried.cell[r]!]! += LATE * w
  })
  for (const e of exchangers)
    e.cells.forEach((cell, k) => {
      sum[cell]! +=
        LATE * e.weights[k]! * (e.as === 'rock' ? e.toGround : e.massFlow * AIR_SPECIFIC_HEAT * e.effectiveness)
    })
  return sum.reduce((least, g, i) => (g > 0 ? Math.min(least, capacity[i]! / g) : least), Infinity)
}

function makeProbes(chains: readonly Chain[], offset: Int32Array): NetworkModel['probes'] {
  const last = (i: number) => offset[i + 1]! - 1
  const find = (test: (c: Chain) => boolean) => chains.findIndex(test)
  const bed = find(c => c.bed)
  const beds = Math.max(...chains.map(c => c.bedIndex)) + 1
  const roots = Array.from({ length: beds }, (_, b) =>
    Int32Array.from(chains.flatMap((c, i) => (c.bedIndex === b ? [offset[i]! + c.rootCell] : []))),
  )
  const floor = find(c => c.column >= 0 && !c.bed)
  const ground = bed >= 0 ? bed : floor
  const back = find(c => c.face === 'back wall' || c.face === 'dome roof' || c.face === 'riser wall')
  return {
    soil: bed >= 0 ? roots : [Int32Array.of(last(ground) - 1)],
    floor: last(floor >= 0 ? floor : ground),
    backWall: last(back >= 0 ? back : ground),
    glazing: offset[find(c => c.kind === 'glazing')]! + 1,
  }
}
