import { leakageAreaM2 } from '../air/leakage'
import { entry, LEAKAGE_CLASSES, NIGHT_COVERS } from '../catalog'
import { HOURS, type SiteYear } from '../climate'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import { undisturbedTemperatures } from '../ground/column'
import type { SolarGains } from '../optics/gains'
import { makeChains, type Chain } from './chains'
import { coverDrawn } from './schedule'
import { LOSS_NAMES } from './series'

/** Air, leaves, twine and frames warm and cool together: this many times the air alone. */
const CONTENTS = 4
const AIR_HEAT = 1006
const NONE = new Float32Array(HOURS)

/** What kind of tie the outermost cell has. */
export const OUTSIDE = 0
export const DEEP_GROUND = 1
export const CLOSED = 2

/** The network laid out in flat arrays for the time loop. One entry a chain unless said. */
export interface NetworkModel {
  count: number
  /** First cell of each chain, with the number of cells at the end. */
  offset: Int32Array
  /** By cell: heat capacity J/K, conductance to the next cell W/K, conductance to ground outside W/K, cell of the ground column or −1. */
  capacity: Float64Array
  between: Float64Array
  lateral: Float64Array
  groundCell: Int32Array
  tie: Int32Array
  area: Float64Array
  facingUp: Float64Array
  skyView: Float64Array
  longwaveThrough: Float64Array
  deep: Float64Array
  glazed: Uint8Array
  openBetween: Float64Array
  coveredBetween: Float64Array
  lossIndex: Int32Array
  /** Sunlight on the room face, in the panes and on the outer face, W by hour. */
  faceSun: Float32Array[]
  paneSun: Float32Array[]
  outerSun: Float32Array[]
  /** By day: undisturbed ground at each column cell and at its foot. */
  undisturbed: Float64Array
  undisturbedRow: number
  drawn: Float32Array
  coverLeak: number
  /** Chain of the beds, of the water, or −1. */
  bed: number
  water: number
  bedAreaM2: number
  bedLight: Float32Array
  leakAreaM2: number
  vents: { lowM2: number, highM2: number, riseM: number }
  startC: number
  fullC: number
  airMassKg: number
  airCapacity: number
  /** Water that can freeze, kg. */
  waterKg: number
  /** Cells whose temperatures the reader sees. */
  probes: { soil: number, water: number, floor: number, backWall: number, glazing: number }
}

/** Lays the network of a design out for the loop. */
export function makeModel(design: Design, site: SiteYear, building: Building, gains: SolarGains): NetworkModel {
  const { chains, column } = makeChains(design, building)
  const offset = new Int32Array(chains.length + 1)
  chains.forEach((c, i) => { offset[i + 1] = offset[i]! + c.capacity.length })
  const cells = offset[chains.length]!
  const capacity = new Float64Array(cells)
  const between = new Float64Array(cells)
  const lateral = new Float64Array(cells)
  const groundCell = new Int32Array(cells).fill(-1)
  chains.forEach((c, i) => {
    capacity.set(c.capacity, offset[i])
    between.set(c.between, offset[i])
    lateral.set(c.lateral, offset[i])
    groundCell.set(c.groundCell, offset[i])
  })
  const airMassKg = building.volumeM3 * site.pressurePa[0]! / (287.05 * 283.15)
  const water = chains.findIndex(c => c.kind === 'water')
  return {
    count: chains.length, offset, capacity, between, lateral, groundCell,
    tie: Int32Array.from(chains, c => (c.kind === 'water' ? CLOSED : c.kind === 'ground' ? DEEP_GROUND : OUTSIDE)),
    area: Float64Array.from(chains, c => c.areaM2),
    facingUp: Float64Array.from(chains, c => c.facingUp),
    skyView: Float64Array.from(chains, c => c.skyView),
    longwaveThrough: Float64Array.from(chains, c => c.longwaveThrough),
    deep: Float64Array.from(chains, c => c.deep),
    glazed: Uint8Array.from(chains, c => (c.kind === 'glazing' ? 1 : 0)),
    openBetween: Float64Array.from(chains, c => c.between[0]!),
    coveredBetween: Float64Array.from(chains, c => c.coveredBetween),
    lossIndex: Int32Array.from(chains, c => Math.max(0, LOSS_NAMES.indexOf(c.name as typeof LOSS_NAMES[number]))),
    faceSun: chains.map(c => gains.faces.find(f => f.id === c.face)?.watts ?? NONE),
    paneSun: chains.map(c => (c.paneIndex >= 0 ? gains.panes[c.paneIndex]!.watts : NONE)),
    outerSun: chains.map(c => (c.outerIndex >= 0 ? gains.outer[c.outerIndex]!.watts : NONE)),
    undisturbed: undisturbedTemperatures(column, site.ground),
    undisturbedRow: column.depthM.length + 1,
    drawn: coverDrawn(site, design.skin.cover),
    coverLeak: entry(NIGHT_COVERS, design.skin.cover.id).edgeLeak,
    bed: chains.findIndex(c => c.face === 'beds'), water,
    bedAreaM2: building.bedAreaM2, bedLight: gains.bedLightWm2,
    leakAreaM2: leakageAreaM2(entry(LEAKAGE_CLASSES, design.breathe.leakage).ach50, building.volumeM3),
    vents: { lowM2: design.breathe.vents.lowM2, highM2: design.breathe.vents.highM2, riseM: building.ventRiseM },
    startC: design.breathe.vents.startC, fullC: design.breathe.vents.fullC,
    airMassKg, airCapacity: CONTENTS * airMassKg * AIR_HEAT,
    waterKg: water >= 0 ? chains[water]!.capacity[0]! / 4184 : 0,
    probes: makeProbes(chains, offset),
  }
}

function makeProbes(chains: Chain[], offset: Int32Array): NetworkModel['probes'] {
  const last = (i: number) => offset[i + 1]! - 1
  const find = (test: (c: Chain) => boolean) => chains.findIndex(test)
  const beds = find(c => c.face === 'beds')
  const floor = find(c => c.face === 'floor')
  const ground = beds >= 0 ? beds : floor
  const back = find(c => c.face === 'back wall')
  const water = find(c => c.kind === 'water')
  // Root depth: half way up the bed's own soil, or the top ground cell.
  const firstOwn = chains[ground]!.groundCell.indexOf(-1)
  return {
    soil: offset[ground]! + Math.floor((firstOwn - 1 + chains[ground]!.capacity.length - 1) / 2),
    water: water >= 0 ? offset[water]! : -1,
    floor: last(floor >= 0 ? floor : ground),
    backWall: last(back >= 0 ? back : ground),
    glazing: last(find(c => c.kind === 'glazing')),
  }
}
