import { isUnderRow } from '../beds/under-cover'
import { AIR_SPECIFIC_HEAT, GAS_CONSTANT_AIR, WATER_DENSITY } from '../physics/constants'
import { ach50Of } from '../air/ach50'
import { leakageAreaM2 } from '../air/leakage'
import { entry, fittedCover, SHELTERS } from '../catalog'
import { HOURS, type SiteYear } from '../climate'
import { aimLine } from '../aim/aim-line'
import { leafByMonth } from '../aim/leaf'
import type { Bed, Design } from '../design/types'
import { shadingOf } from '../geometry/shading'
import type { Building } from '../geometry/surfaces'
import { NEAR_ROWS, SURFACE_FILM, type GroundSlice } from '../ground/slice'
import { undisturbedTemperatures } from '../ground/undisturbed'
import type { SolarGains } from '../optics/gains'
import { comings, hoursFor } from '../people/presence'
import { bankedShares, snowBanks } from '../optics/snow'
import { skyViews } from '../optics/sky-view'
import { makeAdded } from './added'
import { makeAirs } from './airs'
import { makeAirways } from './airways'
import { makeFabric, type Chain } from './chains'
import { makeExchangers } from './exchangers'
import { makeFans } from './fans'
import { boardedOf, glazingArrays, icedOf, makeByGain } from './lay-covers'
import { followTime, makeLinks } from './lay-links'
import { inTurns, sunByChain } from './lay-sun'
import { BURIED, CLOSED, GROUND, HOUSE, OUTSIDE, type GroundCell, type NetworkModel } from './model'
import { makeProbes, skinChains } from './probes'
import { coverDrawn, lowestWhileAway } from './schedule'
import { LOSS_NAMES } from './series'

/** Mean temperature of a house's air, K, for the mass of it. */
const MEAN_K = 283.15
/** Air, leaves, twine and frames warm and cool together: this many times the air alone. */
const CONTENTS = 4

/** Share of bare soil's evaporation that its cover lets through. FAO Irrigation and Drainage Paper 56, ch. 10. */
const SOIL_BARE: Record<Bed['soilCover'], number> = { bare: 1, mulch: 0.5, film: 0.25 }
/** Dry gravel on top of a flooded bed, of the same. */
const GRAVEL_BARE = 0.2
const evaporates = ({ soilCover, fill }: Bed) => SOIL_BARE[soilCover] * (fill === 'gravel' ? GRAVEL_BARE : 1)

const TIES: Record<Chain['kind'], number> = {
  wall: OUTSIDE,
  glazing: OUTSIDE,
  ground: GROUND,
  buried: BURIED,
  house: HOUSE,
  store: CLOSED,
  leaf: CLOSED,
}

function rowCoverOf(
  { rowCover, people }: Design['breathe'],
  chains: readonly Chain[],
  { dryBulbC }: SiteYear,
): NetworkModel['rowCover'] {
  const { on, belowC } = rowCover
  const under = chains.filter(c => c.bed && isUnderRow(rowCover, c.bedIndex))
  const areaM2 = under.reduce((sum, c) => sum + c.areaM2, 0)
  const there = on ? hoursFor(rowCover, people) : new Uint8Array(HOURS)
  return { areaM2, belowC, there, awayLowC: lowestWhileAway(there, dryBulbC) }
}

/** Where the cells of a model lie, and what they hold: chains, then the ground outside, then deep ground. */
interface Cells extends Pick<NetworkModel, 'offset' | 'cellCount' | 'capacity' | 'between' | 'fusion' | 'deepFrom'> {
  /** First cell of the ground outside. */
  outsideFrom: number
  groundCell: GroundCell
}

function layCells(chains: readonly Chain[], slice: GroundSlice): Cells {
  const count = chains.length
  const offset = new Int32Array(count + 1)
  chains.forEach((c, i) => {
    offset[i + 1] = offset[i]! + c.capacity.length
  })
  const outsideFrom = offset[count]!
  const deepFrom = outsideFrom + slice.outsideCapacity.length
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
  capacity.set(slice.outsideCapacity, outsideFrom)
  for (let i = 0; i < slice.floor.length; i++)
    for (let r = 0; r < deepRows; r++)
      capacity[deepFrom + i * deepRows + r] = slice.floorCapacity[i * slice.rowsM.length + NEAR_ROWS + r]!
  for (let i = outsideFrom; i < cellCount; i++) fusion[i] = capacity[i]! * slice.fusionK
  // Chains of the ground come in the order of what lies on it.
  const grounds = chains.flatMap((c, i) => (c.column >= 0 ? [offset[i]!] : []))
  const groundCell: GroundCell = (top, row) =>
    row < NEAR_ROWS
      ? grounds[top]! + NEAR_ROWS - 1 - row
      : deepFrom + slice.tops[top]!.column * deepRows + row - NEAR_ROWS
  return { offset, cellCount, capacity, between, fusion, deepFrom, outsideFrom, groundCell }
}

/** A value of each chain. */
const ofChains = (chains: readonly Chain[], of: (c: Chain, i: number) => number): Float64Array =>
  Float64Array.from(chains, of)
const flagOf = (chains: readonly Chain[], of: (c: Chain) => boolean): Uint8Array =>
  Uint8Array.from(chains, c => Number(of(c)))

/** Lays the network of a design out for the loop. */
export function makeModel(design: Design, site: SiteYear, building: Building, gains: SolarGains): NetworkModel {
  const { chains, slice } = makeFabric(design, building)
  const { offset, cellCount, capacity, between, fusion, deepFrom, outsideFrom, groundCell } = layCells(chains, slice)
  const count = chains.length
  const { breathe } = design
  const { beds } = design.shape
  const pressurePa = site.pressurePa[0]!
  const airMassKg = (building.volumeM3 * pressurePa) / (GAS_CONSTANT_AIR * MEAN_K)
  const sun = sunByChain(chains, gains, offset)
  const panes = glazingArrays(building, chains)
  const links = makeLinks(design, building, chains, slice, offset, groundCell, capacity)
  const exchangers = makeExchangers(design, building, slice, groundCell, outsideFrom, pressurePa)
  const buried = buriedOf(chains, slice, outsideFrom)
  const seen = skyViews(site, building, shadingOf(design.shape, building.outline).outside)
  const airways = makeAirways(design, building, site.dryBulbC)
  const map = (of: (c: Chain, i: number) => number) => ofChains(chains, of)
  const flag = (of: (c: Chain) => boolean) => flagOf(chains, of)
  // Written out name by name: objects put together from parts are slow to read, and the loop reads these every hour.
  return {
    count,
    offset,
    cellCount,
    capacity,
    between,
    fusion,
    tie: Int32Array.from(chains, c => TIES[c.kind]),
    area: map(c => c.areaM2),
    facingUp: map(c => c.facingUp),
    skyView: map(c => (c.skin ? seen.get(c.skin)! : 0)),
    longwaveThrough: map(c => c.longwaveThrough),
    emissivity: map(c => c.emissivity),
    glazed: flag(c => c.kind === 'glazing'),
    paneOpen: panes.open,
    paneDrawn: panes.drawn,
    insideDrawn: panes.insideDrawn,
    outsideDrawn: panes.outsideDrawn,
    outsideWetter: panes.outsideWetter,
    lossIndex: Int32Array.from(chains, c => LOSS_NAMES.indexOf(c.name)),
    underRow: flag(c => (c.bed || c.leafOf >= 0) && isUnderRow(breathe.rowCover, c.bed ? c.bedIndex : c.leafOf)),
    waterKg: map(c => c.waterKg),
    openWater: map(c => c.open),
    bed: flag(c => c.bed),
    sun: sun.sun,
    airSun: sun.airSun,
    start: startTemperatures(slice, site, outsideFrom, cellCount, groundCell),
    quick: links.quick,
    slow: links.slow,
    followS: followTime(capacity, [links.quick, links.slow], buried, exchangers),
    deepFrom,
    outsideGround: {
      first: outsideFrom,
      columns: slice.outsideWidthsM.length,
      rows: slice.depthM.length,
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
    boarded: boardedOf(building, chains, offset),
    bedAreaM2: chains.filter(c => c.bed).reduce((s, c) => s + c.areaM2, 0),
    bedLight: inTurns(gains.byCover.map(c => c.bedLightWm2)),
    rootCell: Int32Array.from(chains, (c, i) => (c.bed ? offset[i]! + c.rootCell : -1)),
    soilBare: map(c => (c.bed ? evaporates(beds[c.bedIndex]!) : 0)),
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
    airing: { ...breathe.airing },
    fans: makeFans(breathe.fans, pressurePa),
    leakHeightM: building.outline.ridgeHeightM / 2,
    comings: comings(breathe.people),
    lobby: { areaM2: breathe.lobby.areaM2 },
    rowCover: rowCoverOf(breathe, chains, site),
    misting: misting(breathe),
    exchangers,
    airStores: design.store.airStores.length,
    added: makeAdded(design, site, building, firstWater(design, chains)),
    airMassKg,
    airCapacity: CONTENTS * airMassKg * AIR_SPECIFIC_HEAT,
    probes: makeProbes(chains, offset),
    skin: skinChains(chains),
    bodies: design.store.bodies.map((_, body) => chainsOf(chains, body)),
  }
}

const misting = ({ misting }: Design['breathe']): NetworkModel['misting'] => ({
  kgPerS: misting.on ? (misting.perHourM3 * WATER_DENSITY) / 3600 : 0,
  startC: misting.startC,
  upTo: misting.upTo,
})

/** Sunk walls against the ground beside them. */
function buriedOf(chains: readonly Chain[], slice: GroundSlice, outsideFrom: number): NetworkModel['buried'] {
  const buried = chains.filter(c => c.kind === 'buried')
  const all = buried.reduce((sum, c) => sum + c.areaM2, 0)
  return {
    g: slice.wall,
    cell: Int32Array.from(slice.wall, (_, r) => outsideFrom + r * slice.outsideWidthsM.length),
    share: ofChains(chains, c => (c.kind === 'buried' ? c.areaM2 / all : 0)),
  }
}

/** The chains of a body, in their order. */
const chainsOf = (chains: readonly Chain[], body: number): Int32Array =>
  Int32Array.from(chains.flatMap((c, k) => (c.body === body ? [k] : [])))

/** The first body that holds water; −1 for none. */
const firstWater = ({ store }: Design, chains: readonly Chain[]): number =>
  store.bodies.findIndex((_, i) => chains.some(c => c.body === i && c.waterKg > 0))

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
