import { entry, MATERIALS } from '../catalog'
import type { Design, Fan } from '../design/types'
import type { Building } from '../geometry/surfaces'
import type { GroundSlice } from '../ground/slice'
import { airPath, CORRUGATION_M, rectangularChannel, roundPipe } from '../store/air-path'
import { rockBed } from '../store/rock-bed'

const AIR_DENSITY = 1.2

/** A store that a fan blows air through. Pipes pass heat to cells of the ground; a rock bed has nodes of its own. */
export interface Exchanger {
  kind: 'pipes' | 'rock' | 'tube'
  name: 'earth store' | 'bed channels' | 'rock bed' | 'earth tube'
  flowM3s: number
  pressurePa: number
  fanW: number
  /** Air, kg/s. */
  massFlow: number
  /** Pipes: share of the difference to the soil given up. Rock: the same for one node. */
  effectiveness: number
  /** Cells of the ground that it lies in, and their weights, which add up to 1. */
  cells: Int32Array
  weights: Float64Array
  /** Rock only: J/K of a node, and W/K of all nodes together to the ground. */
  nodeCapacity: number
  toGround: number
  startK: number
  /** Tube only: runs below the first air temperature and above the second, °C. */
  belowC: number
  aboveC: number
  /** Stores only: takes heat from air warmer than the first, gives it to air colder than the second, °C. */
  chargeAboveC: number
  giveBelowC: number
}

/** The exchangers of a design. */
export function makeExchangers(
  design: Design,
  building: Building,
  slice: GroundSlice,
  columnCell: (column: number, row: number) => number,
  outsideFirst: number,
): Exchanger[] {
  const { earth, channels, rockBed: rock } = design.store
  const tube = design.breathe.earthTube
  const soil = entry(MATERIALS, design.site.soil).conductivity
  const out: Exchanger[] = []
  // Name by name, so that all are of one make: the loop reads them every hour.
  const add = (e: Exchanger) =>
    out.push({
      kind: e.kind,
      name: e.name,
      flowM3s: e.flowM3s,
      pressurePa: e.pressurePa,
      fanW: e.fanW,
      massFlow: e.massFlow,
      effectiveness: e.effectiveness,
      cells: e.cells,
      weights: e.weights,
      nodeCapacity: e.nodeCapacity,
      toGround: e.toGround,
      startK: e.startK,
      belowC: e.belowC,
      aboveC: e.aboveC,
      chargeAboveC: e.chargeAboveC,
      giveBelowC: e.giveBelowC,
    })
  const rowAt = (depthM: number) => {
    let top = 0
    let row = 0
    while (row + 1 < slice.rowsM.length && top + slice.rowsM[row]! < depthM) top += slice.rowsM[row++]!
    return row
  }
  const place = (columns: number[], row: number) => {
    const total = columns.reduce((s, i) => s + slice.floor[i]!.areaM2, 0)
    return {
      cells: Int32Array.from(columns, i => columnCell(i, row)),
      weights: Float64Array.from(columns, i => slice.floor[i]!.areaM2 / total),
    }
  }
  const all = slice.floor.map((_, i) => i)
  const control = {
    startK: 0,
    belowC: 0,
    aboveC: 0,
    chargeAboveC: design.aim.lowestAirC + 12,
    giveBelowC: design.aim.lowestAirC + 4,
    nodeCapacity: 0,
    toGround: 0,
  }
  const pipes = (
    name: Exchanger['name'],
    kind: Exchanger['kind'],
    bundle: Parameters<typeof airPath>[0],
    fan: Fan,
  ): Omit<Exchanger, 'cells' | 'weights'> => {
    const path = airPath(bundle)
    return {
      ...control,
      kind,
      name,
      flowM3s: path.flowM3s,
      pressurePa: path.pressurePa,
      fanW: fan.powerW,
      massFlow: path.flowM3s * AIR_DENSITY,
      effectiveness: path.effectiveness,
    }
  }
  if (earth.on) {
    add({
      ...pipes(
        'earth store',
        'pipes',
        {
          ...roundPipe(earth.pipeDiameterM),
          pipes: earth.pipes,
          lengthM: earth.pipeLengthM,
          roughnessM: CORRUGATION_M,
          fan: earth.fan,
          soilConductivity: soil,
        },
        earth.fan,
      ),
      ...place(all, rowAt(earth.depthM)),
      startK: earth.startK,
    })
  }
  if (channels.on) {
    const beds = all.filter(i => slice.floor[i]!.bed)
    add({
      ...pipes(
        'bed channels',
        'pipes',
        {
          ...rectangularChannel(channels.widthM, channels.heightM),
          pipes: channels.count,
          lengthM: building.lengthM,
          roughnessM: 0.002,
          fan: channels.fan,
          soilConductivity: soil,
        },
        channels.fan,
      ),
      ...place(beds.length > 0 ? beds : all, 0),
      startK: channels.startK,
    })
  }
  if (rock.on) {
    const bed = rockBed(rock)
    const around = 2 * rock.areaM2 + 4 * Math.sqrt(rock.areaM2) * rock.depthM
    add({
      ...control,
      kind: 'rock',
      name: 'rock bed',
      flowM3s: bed.flowM3s,
      pressurePa: bed.pressurePa,
      fanW: rock.fan.powerW,
      massFlow: bed.flowM3s * AIR_DENSITY,
      effectiveness: bed.nodeEffectiveness,
      ...place(all, rowAt(rock.depthM)),
      nodeCapacity: bed.nodeCapacity,
      toGround: around / (rock.insulationM / 0.035 + 0.2),
      startK: rock.startK,
    })
  }
  if (tube.on) {
    // The tube runs in open ground at its depth: the first column outside stands for it.
    const row = slice.depthM.reduce(
      (best, d, r) => (Math.abs(d - tube.depthM) < Math.abs(slice.depthM[best]! - tube.depthM) ? r : best),
      0,
    )
    add({
      ...pipes(
        'earth tube',
        'tube',
        {
          ...roundPipe(tube.diameterM),
          pipes: 1,
          lengthM: tube.lengthM,
          roughnessM: 0.0005,
          fan: tube.fan,
          soilConductivity: soil,
        },
        tube.fan,
      ),
      cells: Int32Array.from([1, 2, 3, 4], j => outsideFirst + row * slice.outsideWidthsM.length + j),
      weights: Float64Array.from([0.1, 0.2, 0.3, 0.4]),
      belowC: tube.belowC,
      aboveC: tube.aboveC,
    })
  }
  return out
}
