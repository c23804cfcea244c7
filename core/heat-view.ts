import { bodyName } from './bodies/registry'
import type { Design } from './design/types'
import { bedName } from './design/words'
import { bedOfFace, bedSide, bodyOfFace, type FaceId } from './geometry/faces'
import { makeBuilding, type SurfaceId } from './geometry/surfaces'
import { NEAR_ROWS } from './ground/slice'
import { makeFabric, type Chain } from './network/chains'
import { makeModel } from './network/lay-model'
import { runModel } from './network/run'
import { GAIN_NAMES, LOSS_NAMES, type LossName } from './network/series'
import { makeSolarGains } from './optics/gains'
import { makeLightTable } from './optics/light-table'
import type { SiteYear } from './climate'

/** A body's temperatures through a day, °C at the end of each hour: its room face, and its middle. */
export interface HeatBody {
  id: FaceId | SurfaceId
  /** As the reader calls it. */
  name: string
  kind: Chain['kind']
  /** The line of the ledger that its heat leaves by. */
  way: LossName
  faceC: Float32Array
  middleC: Float32Array
  /** Heat going into it less what comes out, W by hour. */
  takesW: Float32Array
}

/** A cell of ground in the plane of the section, m from the sunny wall's inside face and above the floor. */
export interface GroundCell {
  x0: number
  x1: number
  z0: number
  z1: number
  tC: Float32Array
}

/** Everything warm and cold in the section through one day. */
export interface HeatDay {
  day: number
  airC: Float32Array
  outsideC: Float32Array
  bodies: HeatBody[]
  ground: GroundCell[]
  /** Heat leaving and coming in by each way, W by hour. */
  losses: { name: string; watts: Float32Array }[]
  gains: { name: string; watts: Float32Array }[]
  /** Heat that the ground under the floor takes up, W by hour; negative where it gives some back. */
  underFloorW: Float32Array
}

/** A flow of an hour: heat that comes in, that leaves, or that a body keeps. */
export interface HeatFlow {
  kind: 'in' | 'out' | 'kept'
  /** Its way, or the body. */
  name: string
  /** Above 0 along its kind: in for `in`, out for `out`, taken up for `kept`. */
  watts: number
}

/**
 * Where the heat of an hour came from and went, in full: what comes in less what leaves is what is kept. Sun that outer
 * faces take in is counted with their way out, which it may turn: what then flows in is the sun's, and named so.
 */
export function heatFlows(data: HeatDay, hour: number): HeatFlow[] {
  const at = (a: Float32Array) => a[hour]!
  const flows: HeatFlow[] = data.gains.map(g => ({ kind: 'in', name: g.name, watts: at(g.watts) }))
  const colderOutside = at(data.outsideC) < at(data.airC)
  for (const l of data.losses) {
    const watts = at(l.watts)
    const bySun = watts < 0 && colderOutside && WITH_OUTER_FACE.has(l.name)
    flows.push(
      bySun ? { kind: 'in', name: `sun on the ${l.name}`, watts: -watts } : { kind: 'out', name: l.name, watts },
    )
  }
  const kept = data.bodies
    .filter(b => bedOfFace(b.id) >= 0 || bodyOfFace(b.id) >= 0)
    .map((b): HeatFlow => {
      // A bed keeps in the soil at its sides as well.
      const sides = data.bodies.find(s => bedOfFace(b.id) >= 0 && s.id === bedSide(bedOfFace(b.id)))
      return { kind: 'kept', name: b.name, watts: at(b.takesW) + (sides ? at(sides.takesW) : 0) }
    })
  kept.push({ kind: 'kept', name: 'ground under the floor', watts: at(data.underFloorW) })
  const sum = (list: readonly HeatFlow[]) => list.reduce((s, f) => s + (f.kind === 'out' ? -f.watts : f.watts), 0)
  const rest = sum(flows) - sum(kept)
  return [...flows, ...kept, { kind: 'kept', name: 'walls, panes and air', watts: rest }]
}

const WITH_OUTER_FACE = new Set(['roof', 'back wall', 'knee wall', 'end walls'])

/**
 * The day of a design's year, body by body. The year is run up to that day.
 * @param day 0–364
 */
export function heatDay(design: Design, site: SiteYear, day: number): HeatDay {
  const building = makeBuilding(design)
  const gains = makeSolarGains(site, building, makeLightTable(design, building))
  const model = makeModel(design, site, building, gains)
  const { chains, slice } = makeFabric(design, building)
  // The hour before the day comes first, so that the first hour knows what it changed.
  const seen: Float64Array[] = []
  const series = runModel(model, site, {
    stepsPerHour: 4,
    heated: true,
    watch: { day, see: (_h, cells) => seen.push(Float64Array.from(cells)) },
  })
  const before = seen[0]!
  const hours = day === 0 ? seen : seen.slice(1)
  const cut = (a: Float32Array) => a.slice(day * 24, day * 24 + 24)
  const at = (cell: number) => Float32Array.from(hours, t => t[cell]!)
  const bodies = chains.map((c, i): HeatBody => {
    const i0 = model.offset[i]!
    const i1 = model.offset[i + 1]! - 1
    const from = c.kind === 'ground' ? Math.min(i1, i0 + NEAR_ROWS - 1) : i0
    const middle = c.waterKg > 0 ? i0 : c.kind === 'glazing' ? i0 : Math.round((from + i1) / 2)
    const takesW = Float32Array.from(hours, (t, h) => {
      const last = h === 0 ? before : hours[h - 1]!
      let joules = 0
      for (let k = from; k <= i1; k++) joules += model.capacity[k]! * (t[k]! - last[k]!)
      return joules / 3600
    })
    return {
      id: c.face ?? c.pane!,
      name:
        c.body >= 0
          ? bodyName(design.store.bodies, c.body).toLowerCase()
          : c.bed
            ? bedName(design.shape.beds, c.bedIndex).toLowerCase()
            : (c.face ?? c.pane!),
      kind: c.kind,
      way: c.name,
      faceC: at(c.kind === 'glazing' ? i0 + 1 : i1),
      middleC: at(middle),
      takesW,
    }
  })
  const named = (names: readonly string[], flows: readonly Float32Array[]) =>
    names.map((name, i) => ({ name, watts: cut(flows[i]!) }))
  return {
    day,
    airC: cut(series.airC),
    outsideC: cut(site.dryBulbC),
    bodies: joined(bodies),
    ground: groundCells(),
    underFloorW: underFloor(),
    losses: named(LOSS_NAMES, series.losses),
    gains: named(GAIN_NAMES, series.gains),
  }

  /** Cells of ground under the floor: the lower part of its chains, and what lies deeper. */
  function underFloor(): Float32Array {
    const cells = chains.flatMap((c, i) =>
      c.kind === 'ground'
        ? Array.from(
            { length: Math.min(NEAR_ROWS - 1, model.offset[i + 1]! - 1 - model.offset[i]!) },
            (_, k) => model.offset[i]! + k,
          )
        : [],
    )
    for (let i = model.deepFrom; i < model.cellCount; i++) cells.push(i)
    return Float32Array.from(hours, (t, h) => {
      const last = h === 0 ? before : hours[h - 1]!
      return cells.reduce((joules, i) => joules + model.capacity[i]! * (t[i]! - last[i]!), 0) / 3600
    })
  }

  function groundCells(): GroundCell[] {
    const cells: GroundCell[] = []
    const rows = slice.rowsM
    const deepRows = rows.length - NEAR_ROWS
    slice.floor.forEach((col, i) => {
      let top = 0
      rows.forEach((dz, r) => {
        const above = chains.flatMap((c, k) => (c.column === i ? [{ c, first: model.offset[k]! }] : []))
        const whole = above.reduce((sum, a) => sum + a.c.capacity[0]!, 0)
        // Several may lie on a column: its near ground is drawn as their mean.
        const tC =
          r < NEAR_ROWS
            ? mean(above.map(a => ({ share: a.c.capacity[0]! / whole, series: at(a.first + NEAR_ROWS - 1 - r) })))
            : at(model.deepFrom + i * deepRows + r - NEAR_ROWS)
        cells.push({ x0: col.x0, x1: col.x1, z0: top - dz, z1: top, tC })
        top -= dz
      })
    })
    // The ground outside is folded into one side; it is drawn on both.
    const wallM = design.skin.wall.reduce((s, l) => s + l.thicknessM, 0)
    const outRows = [...slice.sunkRowsM, ...rows]
    let out = wallM
    slice.outsideWidthsM.forEach((w, j) => {
      for (const side of design.shape.form === 'lean-to' ? [-1] : [-1, 1]) {
        let top = building.groundAt(side < 0 ? 0 : building.outline.widthM)
        const drop = slice.sunkRowsM.length > 0 ? top / slice.sunkRowsM.length : 0
        outRows.forEach((dz, r) => {
          const h = r < slice.sunkRowsM.length ? drop : dz
          const tC = at(model.outsideGround.first + r * slice.outsideWidthsM.length + j)
          // Under the wall the ground is drawn with its neighbour.
          const near = j === 0 ? 0 : out
          const [x0, x1] =
            side < 0 ? [-out - w, -near] : [building.outline.widthM + near, building.outline.widthM + out + w]
          cells.push({ x0, x1, z0: top - h, z1: top, tC })
          top -= h
        })
      }
      out += w
    })
    return cells
  }
}

/** The mean of some days by their shares. */
const mean = (parts: readonly { share: number; series: Float32Array }[]): Float32Array =>
  parts.reduce((sum, { share, series }) => sum.map((v, h) => v + share * series[h]!), new Float32Array(24))

/**
 * Chains of one face, above ground and below, or in layers, are one body to the eye: the mean of their temperatures,
 * the sum of their heat.
 */
function joined(bodies: readonly HeatBody[]): HeatBody[] {
  const groups = new Map<string, HeatBody[]>()
  for (const b of bodies) groups.set(b.id, [...(groups.get(b.id) ?? []), b])
  return [...groups.values()].map(list => {
    const mean = (pick: (b: HeatBody) => Float32Array) =>
      Float32Array.from({ length: 24 }, (_, h) => list.reduce((s, b) => s + pick(b)[h]!, 0) / list.length)
    return {
      ...list[0]!,
      faceC: mean(b => b.faceC),
      middleC: mean(b => b.middleC),
      takesW: Float32Array.from({ length: 24 }, (_, h) => list.reduce((s, b) => s + b.takesW[h]!, 0)),
    }
  })
}
