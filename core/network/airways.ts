import { ANY_WALL_PRESSURE, halves, RIDGE_PRESSURE, wallPressure } from '../air/vents'
import { entry, SHELTERS, windShare } from '../catalog'
import type { Design, PartId } from '../design/types'
import { blockedOpenings } from '../geometry/before-openings'
import { laidLeaves } from '../geometry/leaves'
import { hostOf } from '../geometry/part-planes'
import { isHouseWall } from '../geometry/parts'
import type { Building } from '../geometry/surfaces'
import type { Opener } from '../openings/kind'
import { edgeLeakM2 } from '../openings/leaf'
import { openingKind } from '../openings/registry'
import { winterDays } from '../openings/winter'
import { hoursFor } from '../people/presence'
import { lowestWhileAway } from './schedule'

/** What people go through. */
export interface Doorway {
  areaM2: number
  /** That it stands open for people in all. */
  secondsPerDay: number
  /** Into the house that a lean-to leans on. */
  toHouse: boolean
}

/** The openings of a house as the air finds them, laid out for the loop. */
export interface Airways {
  /** By opening, in the order of the document: what moves it, and its free area, m². */
  openers: Opener[]
  freeM2: Float64Array
  /** By opening: the days of its winter, 1 each; and leakage area that a plug then saves, m². */
  winter: Uint8Array[]
  /** By opening that is moved by hand: hours in which somebody is there, 1 each; null for others. */
  there: (Uint8Array | null)[]
  /**
   * By opening at which who leaves looks at the evening: lowest air outside that is ahead then, °C, infinite in all
   * other hours; null for others.
   */
  eveningLowC: (Float32Array | null)[]
  plugSavesM2: Float64Array
  /** What the edges of all that opens leak beyond what the house's tightness says, m² at 4 Pa; may be negative. */
  edgesM2: number
  /** By orifice: discharge times area, m², height, m, share of the wind's pressure, and whose it is. */
  conduct: Float64Array
  heightM: Float64Array
  wind: Float64Array
  opening: Int32Array
  doorways: Doorway[]
}

/** The airways of a design. Openings on parts that its form does not have do not count. */
export function makeAirways(design: Design, building: Building, dryBulbC: Float32Array): Airways {
  const { shape, skin, site } = design
  const orifices: { conduct: number; heightM: number; wind: number; opening: number }[] = []
  const doorways: Doorway[] = []
  const facing = (part: PartId) => building.surfaces.find(s => s.part === part)?.azimuthDeg ?? 0
  const openings = skin.openings
  const sheltered = windShare(entry(SHELTERS, site.shelter))
  const plugSavesM2 = new Float64Array(openings.length)
  const laid = laidLeaves(design, building.outline)
  const blocked = new Map(blockedOpenings(design).map(b => [b.index, b.free]))
  let edgesM2 = 0
  const freeM2 = openings.map((o, index) => {
    const kind = openingKind(o)
    const leaves = laid.filter(l => l.index === index).map(l => l.rect)
    if (leaves.length === 0) return 0
    const toHouse = isHouseWall(shape, o.part)
    const traffic = kind.traffic(o)
    if (traffic) doorways.push({ ...traffic, toHouse })
    // What stands before it takes of it; of a row, all leaves stand at one height.
    const area = kind.freeM2(o) * (blocked.get(index) ?? 1)
    const { winter } = kind.opener(o)
    const { heightAt } = hostOf(design, building.outline, o.part, kind.ridge)
    const [low, high] = [heightAt(leaves[0]!.v0), heightAt(leaves[0]!.v1)]
    const [atM, tallM] = [(low + high) / 2, Math.abs(high - low)]
    const edgeM = leaves.reduce((sum, l) => sum + 2 * (l.u1 - l.u0 + l.v1 - l.v0), 0)
    if (!toHouse) edgesM2 += edgeLeakM2(kind.leaf(o)?.shuts ?? null, edgeM, design.breathe.leakage)
    if (winter === 'plugged' || winter === 'insulated') plugSavesM2[index] = kind.plugSavesM2(o, edgeM)
    // What opens into the house is a door; it airs nothing.
    if (toHouse || area <= 0 || kind.opener(o).how === 'shut') return 0
    const open = kind.ridge
      ? RIDGE_PRESSURE
      : site.windFromDeg === null
        ? ANY_WALL_PRESSURE
        : wallPressure(site.windFromDeg - facing(o.part))
    for (const half of halves(area, kind.discharge, atM, tallM, open * sheltered))
      orifices.push({ ...half, opening: index })
    return area
  })
  return {
    openers: openings.map(o => openerOf(openingKind(o).opener(o))),
    freeM2: Float64Array.from(freeM2),
    winter: openings.map(o => winterDays(openingKind(o).opener(o), dryBulbC)),
    there: openings.map(o => {
      const opener = openingKind(o).opener(o)
      return opener.how === 'hand' ? hoursFor(opener, design.breathe.people) : null
    }),
    eveningLowC: openings.map(o => {
      const opener = openingKind(o).opener(o)
      if (opener.how !== 'hand' || opener.leftAjar) return null
      return lowestWhileAway(hoursFor(opener, design.breathe.people), dryBulbC, 'as far as a day')
    }),
    plugSavesM2,
    edgesM2,
    conduct: Float64Array.from(orifices, o => o.conduct),
    heightM: Float64Array.from(orifices, o => o.heightM),
    wind: Float64Array.from(orifices, o => o.wind),
    opening: Int32Array.from(orifices, o => o.opening),
    doorways,
  }
}

/** What moves an opening, and nothing else of it, so that those that are moved alike go together. */
function openerOf(o: Opener): Opener {
  const { how, startC, fullC, lagS, hysteresisK, leftAjar, days, fromH, untilH, fromMonth, untilMonth } = o
  const { winter, winterBy, winterFromMonth, winterUntilMonth, winterBelowC } = o
  return {
    how,
    startC,
    fullC,
    lagS,
    hysteresisK,
    leftAjar,
    days,
    fromH,
    untilH,
    fromMonth,
    untilMonth,
    winter,
    winterBy,
    winterFromMonth,
    winterUntilMonth,
    winterBelowC,
  }
}
