import type { Design } from '../design/types'
import type { SurfaceId } from '../geometry/surfaces'
import type { Banked } from '../optics/snow'
import type { Added } from './added'
import type { Airs } from './airs'
import type { Airways } from './airways'
import type { Exchanger } from './exchangers'
import type { Fans } from './fans'

/** What kind of tie the outermost cell has. */
export const OUTSIDE = 0
export const GROUND = 1
export const CLOSED = 2
export const BURIED = 3
export const HOUSE = 4

/** Chains whose outermost cell has one kind of tie, in their order. */
export const chainsTied = ({ tie }: Pick<NetworkModel, 'tie'>, to: number): number[] =>
  Array.from(tie.keys()).filter(c => tie[c] === to)

/**
 * The network laid out in flat arrays for the time loop. One entry a chain unless noted. After the cells of the chains
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
  /**
   * Row cover: over what area of beds, m²; below what air of the room it is laid; hours in which somebody is there, and
   * what comes after each.
   */
  rowCover: { areaM2: number; belowC: number; there: Uint8Array; awayLowC: Float32Array }
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

/** What a cover that goes by gain needs to know. */
export interface ByGain {
  /** Light through its panes while it is open, W by hour. */
  lightW: Float32Array
  /** What it keeps in for each kelvin between inside and outside, W/K. */
  keepsWK: number
  /** Hours in which it can be moved, 1 each. */
  movable: Uint8Array
}

/** The cell of the ground under one of what lies on the floor, by its row from the floor down. */
export type GroundCell = (top: number, row: number) => number
