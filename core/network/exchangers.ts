import { aimLine } from '../aim/aim-line'
import type { AirWork } from '../air-stores/kind'
import { airStoreKind } from '../air-stores/registry'
import type { Design } from '../design/types'
import type { Building } from '../geometry/surfaces'
import type { GroundSlice } from '../ground/slice'
import { GAS_CONSTANT_AIR } from '../physics/constants'
import { groundOf } from '../materials/ground'

/** Air in pipes and rock, K. */
const STATED_K = 290

/** Density of the air in pipes and rock at a pressure, kg/m³. */
export const ductDensity = (pressurePa: number): number => pressurePa / (GAS_CONSTANT_AIR * STATED_K)
/** So much above the lowest air that is asked for stores take heat, and give it, K. */
const CHARGES_K = 12
const GIVES_K = 4
/** A tube in open ground lies in the columns beside the house, the more in each the further out. */
const BESIDE = [
  [1, 0.1],
  [2, 0.2],
  [3, 0.3],
  [4, 0.4],
] as const

/** An air store as the loop works it. */
export interface Exchanger extends Omit<AirWork, 'takeAboveC' | 'giveBelowC'> {
  /** Which air store of the document it is. */
  index: number
  /** Air, kg/s. */
  massFlow: number
  /** Cells of the ground that it lies in, and their weights, which add up to 1. */
  cells: Int32Array
  weights: Float64Array
  /** Stores only, by month: takes heat from air warmer than the first, gives it to air colder than the second, °C. */
  chargeAboveC: Float64Array
  giveBelowC: Float64Array
}

/** The exchangers of a design: its air stores that are in use. */
export function makeExchangers(
  design: Design,
  building: Building,
  slice: GroundSlice,
  groundCell: (top: number, row: number) => number,
  outsideFirst: number,
  pressurePa: number,
): Exchanger[] {
  const under = { lengthM: building.lengthM, soilConductivity: groundOf(design.site).conductivity }
  // Where nothing is asked in a month, the design's own lowest air goes on.
  const lowest = Float64Array.from(aimLine(design.aim).lowC, c => c ?? design.aim.lowestAirC)
  const density = ductDensity(pressurePa)
  const all = [...slice.tops.keys()]
  const beds = all.filter(t => slice.tops[t]!.bed >= 0)
  const rowAt = (depthM: number) => {
    let top = 0
    let row = 0
    while (row + 1 < slice.rowsM.length && top + slice.rowsM[row]! < depthM) top += slice.rowsM[row++]!
    return row
  }
  const below = (tops: number[], row: number) => {
    const total = tops.reduce((s, t) => s + slice.tops[t]!.areaM2, 0)
    return {
      cells: Int32Array.from(tops, t => groundCell(t, row)),
      weights: Float64Array.from(tops, t => slice.tops[t]!.areaM2 / total),
    }
  }
  /** Layers of pipes share the air evenly. */
  const layered = (layers: { cells: Int32Array; weights: Float64Array }[]) => ({
    cells: Int32Array.from(layers.flatMap(l => [...l.cells])),
    weights: Float64Array.from(layers.flatMap(l => Array.from(l.weights, w => w / layers.length))),
  })
  const beside = (depthM: number) => {
    const row = slice.depthM.reduce(
      (best, d, r) => (Math.abs(d - depthM) < Math.abs(slice.depthM[best]! - depthM) ? r : best),
      0,
    )
    return {
      cells: Int32Array.from(BESIDE, ([j]) => outsideFirst + row * slice.outsideWidthsM.length + j),
      weights: Float64Array.from(BESIDE, ([, weight]) => weight),
    }
  }
  return design.store.airStores.flatMap((s, index) => {
    if (!s.on) return []
    const kind = airStoreKind(s)
    const work = kind.work(s, under)
    const depthM = kind.depthM(s)
    const tops = kind.lies === 'beds' && beds.length > 0 ? beds : all
    const { cells, weights } =
      kind.lies === 'beside' ? beside(depthM) : layered(kind.depthsM(s).map(d => below(tops, rowAt(d))))
    // Name by name, so that all are of one make: the loop reads them every hour.
    const exchanger: Exchanger = {
      index,
      as: work.as,
      flowM3s: work.flowM3s,
      pressurePa: work.pressurePa,
      fanW: work.fanW,
      massFlow: work.flowM3s * density,
      effectiveness: work.effectiveness,
      cells,
      weights,
      nodeCapacity: work.nodeCapacity,
      toGround: work.toGround,
      startK: work.startK,
      belowC: work.belowC,
      aboveC: work.aboveC,
      intake: work.intake,
      chargeAboveC: lowest.map(c => work.takeAboveC ?? c + CHARGES_K),
      giveBelowC: lowest.map(c => work.giveBelowC ?? c + GIVES_K),
    }
    return [exchanger]
  })
}
