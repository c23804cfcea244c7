import { HOURS, type SiteYear } from '../../core/climate'
import { CLOSED, HOUSE, OUTSIDE, type NetworkModel } from '../../core/network/model'
import type { Airs } from '../../core/network/airs'
import { ONE_AIR, steadySite, waterRoom } from './tiny-model'

/** A line of cells of a small house, from the outside in. */
export interface SmallChain {
  kind: 'wall' | 'glazing' | 'house' | 'body'
  areaM2: number
  facingUp: number
  skyView: number
  /** J/m²K of each cell, and W/m²K between a cell and the next. */
  capacity: number[]
  between: number[]
  longwaveThrough: number
  emissivity: number
  /** Sun that its face takes in, W. */
  sunW: number
}

export interface SmallHouse {
  chains: SmallChain[]
  airCapacity: number
  leakAreaM2: number
  /** Plane between upper and lower air, m², the upper one's share of all, and of each chain's face. One air: null. */
  upper: { planeM2: number; share: number; above: number[] } | null
  heaters: { capacityW: number; setPointC: number; radiantShare: number }[]
  /**
   * A cover over all its glazing: share of each hour that it is drawn, and of the glass that it leaves bare; what it
   * makes of the pane, of its room face and outside of it, W/m²K (0 outside for none there).
   */
  cover: { share: number; leak: number; pane: number; inside: number; outside: number }
}

const TIES = { wall: OUTSIDE, glazing: OUTSIDE, house: HOUSE, body: CLOSED }

/** A network of a few chains alone: no openings, no ground, no beds, no water. */
export function smallModel(house: SmallHouse): NetworkModel {
  const { chains, heaters, cover } = house
  const of = (value: (c: SmallChain) => number) => Float64Array.from(chains, value)
  const offset = new Int32Array(chains.length + 1)
  chains.forEach((c, i) => (offset[i + 1] = offset[i]! + c.capacity.length))
  const cellCount = offset[chains.length]!
  const watts = new Float32Array(HOURS * chains.length)
  for (let h = 0; h < HOURS; h++) chains.forEach((c, k) => (watts[h * chains.length + k] = c.sunW))
  const byHeater = (value: (h: SmallHouse['heaters'][number]) => number) => Float64Array.from(heaters, value)
  const none = of(() => 0)
  return {
    ...waterRoom({ wallWK: 1, waterKg: 0 }),
    count: chains.length,
    offset,
    cellCount,
    deepFrom: cellCount,
    capacity: Float64Array.from(chains.flatMap(c => c.capacity.map(j => j * c.areaM2))),
    fusion: new Float64Array(cellCount),
    between: Float64Array.from(chains.flatMap(c => [...c.between.map(g => g * c.areaM2), 0])),
    tie: Int32Array.from(chains, c => TIES[c.kind]),
    area: of(c => c.areaM2),
    facingUp: of(c => c.facingUp),
    skyView: of(c => c.skyView),
    longwaveThrough: of(c => c.longwaveThrough),
    emissivity: of(c => c.emissivity),
    glazed: Uint8Array.from(chains, c => (c.kind === 'glazing' ? 1 : 0)),
    paneOpen: of(c => (c.between[0] ?? 0) * c.areaM2),
    paneDrawn: of(c => cover.pane * c.areaM2),
    insideDrawn: of(c => cover.inside * c.areaM2),
    outsideDrawn: of(c => cover.outside * c.areaM2),
    drawn: new Float32Array(HOURS).fill(cover.share),
    coverLeak: Float64Array.of(cover.leak),
    lossIndex: new Int32Array(chains.length),
    underRow: new Uint8Array(chains.length),
    waterKg: none,
    openWater: none,
    bed: new Uint8Array(chains.length),
    bedIndex: new Int32Array(chains.length).fill(-1),
    leafOf: new Int32Array(chains.length).fill(-1),
    rootCell: new Int32Array(chains.length),
    soilBare: none,
    coverOf: new Int32Array(chains.length),
    boarded: [],
    buried: { g: new Float64Array(0), cell: new Int32Array(0), share: none },
    start: new Float64Array(cellCount).fill(NaN),
    sun: {
      watts,
      cell: Int32Array.from(chains, (_, k) => offset[k + 1]! - 1),
      chain: Int32Array.from(chains, (_, k) => k),
      cover: new Int32Array(chains.length),
      lit: 0,
      kept: chains.length,
    },
    outsideGround: { ...waterRoom({ wallWK: 1, waterKg: 0 }).outsideGround, first: cellCount },
    airCapacity: house.airCapacity,
    airs: airsOf(house),
    leakAreaM2: house.leakAreaM2,
    added: {
      count: heaters.length,
      gain: new Int32Array(heaters.length).fill(1),
      heatShare: byHeater(() => 1),
      works: heaters.map(() => null),
      body: new Int32Array(heaters.length).fill(-1),
      beds: heaters.map(() => []),
      thermostats: {
        source: Int32Array.from(heaters, (_, i) => i),
        capacityW: byHeater(h => h.capacityW),
        setPointC: byHeater(h => h.setPointC),
        radiantShare: byHeater(h => h.radiantShare),
        water: byHeater(() => 0),
      },
    },
    bodies: [],
  }
}

function airsOf({ upper, chains }: SmallHouse): Airs {
  if (!upper) return ONE_AIR
  return {
    ...ONE_AIR,
    planeM2: upper.planeM2,
    aboveShare: upper.share,
    above: Float64Array.from(chains, (_, i) => upper.above[i % upper.above.length]!),
    inPath: new Uint8Array(chains.length),
  }
}

/** A steady site with wind and a sky of its own, so dry that nothing condenses. */
export function drySite(outsideC: number, skyC: number, windMs: number): SiteYear {
  const flat = (v: number) => new Float32Array(HOURS).fill(v)
  return { ...steadySite(outsideC), skyC: flat(skyC), windMs: flat(windMs), humidityRatio: flat(1e-4) }
}
