import { MONTH_OF_DAY } from '../climate'
import { canopyLight } from '../optics/canopy'
import type { Room, Sink } from '../sources/kind'
import type { Memory } from './memory'
import type { NetworkModel } from './model'
import { AIR, AIR_W, DENSITY, OUT, STAR_W, START, VAPOUR } from './room'

/** Cells that take heat together, by the share of it that each takes; what it is felt by lies in the first. */
interface Cells {
  cell: number[]
  share: number[]
  capacity: number
}

/** Heat from sun on light things, and of the sources by the hour: to the air, to faces and to cells. */
export function makeAddedWork(memory: Memory) {
  const { v, T, source, offset, face, area, capacity, broughtJ, movedJ, drawnJ, gainedJ, light } = memory
  const airSun = memory.hoursByCover()
  let m!: NetworkModel
  let beds: number[] = []
  /** By chain of a bed: that of its leaves, −1 for none; and by bed and month, what they catch of light from above. */
  let leafOver: number[] = []
  let leafCatches: number[] = []
  let month = 0
  /** By source: the body and the soil that it can heat. */
  let bodies: (Cells | null)[] = []
  let soils: (Cells | null)[] = []
  /** By cell, what sources have given it in this block already, J: each sees what those before it have done. */
  const given = memory.doubles(memory.size.cells)
  /** The source at work. */
  let at = 0

  const sink = (): Sink & { of: Cells | null } => ({
    of: null,
    atC: 0,
    capacity: 0,
    take(watts) {
      const { cell, share } = this.of!
      for (let k = 0; k < cell.length; k++) {
        source[cell[k]!]! += watts * share[k]!
        given[cell[k]!]! += watts * share[k]! * room.spanS
      }
    },
  })
  const bodySink = sink()
  const bedSink = sink()
  const room: Room = {
    airC: 0,
    outsideC: 0,
    density: 1.2,
    ventsAtC: 0,
    spanS: 0,
    body: null,
    beds: null,
    toAir: watts => {
      v[AIR_W]! += watts
    },
    toFaces: watts => {
      v[STAR_W]! += watts
    },
    toLeaves: watts => {
      for (let k = 0; k < beds.length; k++) {
        const c = beds[k]!
        const share = (watts * area[c]!) / m.bedAreaM2
        const leaf = leafOver[k]!
        const caught = leaf < 0 ? 0 : share * leafCatches[m.bedIndex[c]! * 12 + month]!
        if (leaf >= 0) source[face[leaf]!]! += caught
        source[face[c]!]! += share - caught
      }
    },
    toDamp: kgPerS => {
      v[VAPOUR]! += kgPerS
    },
    moves: watts => {
      movedJ[at]! += watts * room.spanS
    },
    draws: watts => {
      drawnJ[at]! += watts * room.spanS
    },
  }

  function lay(model: NetworkModel): void {
    m = model
    airSun.set(m.airSun)
    beds = Array.from(m.bed.keys()).filter(c => m.bed[c] === 1)
    leafOver = beds.map(c => m.leafOf.indexOf(m.bedIndex[c]!))
    leafCatches = Array.from(m.leafArea, area => {
      const { taken, down } = canopyLight(area)
      return taken / (taken + down)
    })
    soils = m.added.beds.map(soilOf)
    bodies = Array.from(m.added.body, b => (b < 0 ? null : bodyCells(m.bodies[b]!)))
  }

  /** The middle of the soil of some beds; of all where none is named, null where there is none. */
  function soilOf(which: readonly number[]): Cells | null {
    const those = which.length === 0 ? beds : beds.filter(c => which.includes(m.bedIndex[c]!))
    const areaM2 = those.reduce((sum, c) => sum + area[c]!, 0)
    if (those.length === 0) return null
    return together(
      those.map(c => m.rootCell[c]!),
      those.map(c => area[c]! / areaM2),
    )
  }

  const together = (cell: number[], share: number[]): Cells => ({
    cell,
    share,
    capacity: cell.reduce((sum, i) => sum + capacity[i]!, 0),
  })

  /** Where heat comes to a body: the lowest layer of its water, or all of its stone, felt in its middle. */
  function bodyCells(chains: Int32Array): Cells {
    const wet = chains.find(c => m.waterKg[c]! > 0)
    if (wet !== undefined) return together([offset[wet]!], [1])
    const cells: number[] = []
    for (const c of chains) for (let i = offset[c]!; i <= face[c]!; i++) if (capacity[i]! > 0) cells.push(i)
    const all = cells.reduce((sum, i) => sum + capacity[i]!, 0)
    return together(
      cells,
      cells.map(i => capacity[i]! / all),
    )
  }

  function aim(to: Sink & { of: Cells | null }, cells: Cells | null): Sink | null {
    if (!cells) return null
    to.of = cells
    to.capacity = cells.capacity
    let before = 0
    for (let k = 0; k < cells.cell.length; k++) before += given[cells.cell[k]!]!
    to.atC = T[cells.cell[0]!]! + before / cells.capacity
    return to
  }

  /** A new block: nothing has been given yet. */
  function forget(sinks: readonly (Cells | null)[]): void {
    for (let i = 0; i < sinks.length; i++) {
      const cells = sinks[i]?.cell
      if (cells) for (let k = 0; k < cells.length; k++) given[cells[k]!] = 0
    }
  }

  function bring(h: number, span: number, heated: boolean): void {
    const { covers, added } = m
    month = MONTH_OF_DAY[(h / 24) | 0]!
    let airW = 0
    for (let k = 0; k < covers; k++) airW += airSun[h * covers + k]! * light[k]!
    v[AIR_W] = airW
    v[STAR_W] = 0
    v[VAPOUR] = 0
    room.airC = v[AIR]!
    room.outsideC = v[OUT]!
    room.density = v[DENSITY]!
    room.ventsAtC = v[START]!
    room.spanS = span
    forget(bodies)
    forget(soils)
    for (let i = 0; i < added.count; i++) {
      const work = added.works[i]
      if (!work || (added.heatShare[i]! > 0 && !heated)) continue
      at = i
      room.body = aim(bodySink, bodies[i]!)
      room.beds = aim(bedSink, soils[i]!)
      const joules = work(h, room) * span
      broughtJ[i]! += joules
      gainedJ[added.gain[i]!]! += joules
    }
  }

  return { lay, bring, airSun }
}
