import {
  AIR_PER_HEAT,
  FOUR_SIGMA,
  filmFactor,
  movedFilm,
  outsideFilm,
  radiativeFilm,
  VAPOUR_PER_HEAT,
} from '../../core/air/films'
import { leakageFlow } from '../../core/air/leakage'
import { stackPerMetre } from '../../core/air/vents'
import { humidityRatio, saturationPressurePa } from '../../core/climate'
import { HOURS } from '../../core/climate'
import { airExchange, PLUME, VENTS_MIX, type Airs } from '../../core/network/airs'
import { CLOSED, OUTSIDE, type NetworkModel } from '../../core/network/model'
import { dewPointOfRatio, soilUnderLeaves } from '../../core/network/moisture'
import { ROW_COVER_OPEN } from '../../core/network/room-films'
import { leafConvects, leafDraws, LEAF_EMISSIVITY, vapourPressure } from '../../core/network/transpiration'
import { leavesCover } from '../../core/optics/canopy'
import { AIR_SPECIFIC_HEAT, GAS_CONSTANT_AIR, LATENT, ZERO_C_K } from '../../core/physics/constants'
import { equations, solveDense } from './dense-stepper'
import { airwaysOf, ONE_AIR, waterRoom } from './tiny-model'

/** A line of cells of a room, from the outside or the middle (first) to a face in the room (last). */
export interface RoomChain {
  is: 'wall' | 'body' | 'path' | 'soil' | 'leaf'
  areaM2: number
  facingUp: number
  skyView: number
  /** J/K of each cell, W/K between a cell and the next. */
  capacity: number[]
  between: number[]
  /** Share of its face in the upper air. */
  above: number
  sunW: number
}

/** A room with openings that stand open, several airs, a bed and its leaves, and water in the air. */
export interface Room {
  chains: RoomChain[]
  airMassKg: number
  leakAreaM2: number
  openings: { areaM2: number; atM: number; wind: number }[]
  /** Plane between lower and upper air, m², where they meet, m, and the upper one's share; null for one air. */
  upper: { planeM2: number; splitM: number; share: number } | null
  path: { areaM2: number; holds: number; share: number } | null
  rowCover: 'none' | 'open' | 'drawn'
  leafArea: number
}

const EMISSIVITY = 0.9
/** Air and what warms with it, over the air alone. */
const CONTENTS = 4
const FILMS_HOLD = 1800
const ROW_CAPACITY = 4000
const ROW_OPEN = 25
const ROW_CLOSED = 4.5
const SOIL_EVAPORATION = 1.2 / 1000
const LATE_SHINE = 0.5
const PRESSURE = 101325
const LEAK_WIND = 0.000104

const emissivityOf = (c: RoomChain) => (c.is === 'leaf' ? LEAF_EMISSIVITY : EMISSIVITY)
const isUnderRow = (r: Room, c: RoomChain) => r.rowCover !== 'none' && (c.is === 'soil' || c.is === 'leaf')
const ratioAt = (c: number) => humidityRatio(saturationPressurePa(c), PRESSURE)

/** The room laid out for the loop. */
export function roomModel(r: Room): NetworkModel {
  const { chains } = r
  const of = (value: (c: RoomChain) => number) => Float64Array.from(chains, value)
  const bytes = (value: (c: RoomChain) => boolean) => Uint8Array.from(chains, c => Number(value(c)))
  const offset = new Int32Array(chains.length + 1)
  chains.forEach((c, i) => (offset[i + 1] = offset[i]! + c.capacity.length))
  const cellCount = offset[chains.length]!
  const watts = new Float32Array(HOURS * chains.length)
  for (let h = 0; h < HOURS; h++) chains.forEach((c, k) => (watts[h * chains.length + k] = c.sunW))
  const airways = airwaysOf(
    r.openings.map(o => ({ ...o, opener: { how: 'season' as const, fromMonth: 1, untilMonth: 12 } })),
  )
  const small = waterRoom({ wallWK: 1, waterKg: 0 })
  const bedM2 = chains.filter(c => c.is === 'soil').reduce((sum, c) => sum + c.areaM2, 0)
  const airs: Airs = {
    ...ONE_AIR,
    splitM: r.upper?.splitM ?? 0,
    planeM2: r.upper?.planeM2 ?? 0,
    aboveShare: r.upper?.share ?? 0,
    pathM2: r.path?.areaM2 ?? 0,
    pathHolds: r.path?.holds ?? 0,
    pathShare: r.path?.share ?? 0,
    above: of(c => c.above),
    inPath: bytes(c => c.is === 'path' && r.path !== null),
    orificeAbove: Uint8Array.from(airways.heightM, z => Number(r.upper !== null && z > r.upper.splitM)),
  }
  return {
    ...small,
    count: chains.length,
    offset,
    cellCount,
    deepFrom: cellCount,
    capacity: Float64Array.from(chains.flatMap(c => c.capacity)),
    fusion: new Float64Array(cellCount),
    between: Float64Array.from(chains.flatMap(c => [...c.between, 0])),
    tie: Int32Array.from(chains, c => (c.is === 'wall' ? OUTSIDE : CLOSED)),
    area: of(c => c.areaM2),
    facingUp: of(c => c.facingUp),
    skyView: of(c => c.skyView),
    longwaveThrough: of(() => 0),
    emissivity: of(emissivityOf),
    glazed: bytes(() => false),
    ...Object.fromEntries(
      ['paneOpen', 'paneDrawn', 'insideDrawn', 'outsideDrawn', 'outsideWetter', 'waterKg', 'openWater'].map(name => [
        name,
        of(() => 0),
      ]),
    ),
    lossIndex: new Int32Array(chains.length),
    underRow: bytes(c => isUnderRow(r, c)),
    bed: bytes(c => c.is === 'soil'),
    bedIndex: Int32Array.from(chains, c => (c.is === 'soil' ? 0 : -1)),
    leafOf: Int32Array.from(chains, c => (c.is === 'leaf' ? 0 : -1)),
    leafArea: new Float64Array(12).fill(r.leafArea),
    bedAreaM2: bedM2,
    bedAreasM2: Float64Array.of(bedM2),
    rootCell: Int32Array.from(chains, (_, i) => offset[i]!),
    soilBare: of(c => Number(c.is === 'soil')),
    coverOf: new Int32Array(chains.length),
    buried: { g: new Float64Array(0), cell: new Int32Array(0), share: of(() => 0) },
    start: new Float64Array(cellCount).fill(NaN),
    sun: {
      watts,
      cell: Int32Array.from(chains, (_, k) => offset[k + 1]! - 1),
      chain: Int32Array.from(chains, (_, k) => k),
      cover: new Int32Array(chains.length),
      lit: 0,
      kept: chains.length,
    },
    outsideGround: { ...small.outsideGround, first: cellCount },
    airMassKg: r.airMassKg,
    airCapacity: CONTENTS * r.airMassKg * AIR_SPECIFIC_HEAT,
    leakAreaM2: r.leakAreaM2,
    airways,
    airs,
    rowCover: {
      areaM2: r.rowCover === 'none' ? 0 : bedM2,
      belowC: r.rowCover === 'drawn' ? 90 : -90,
      there: new Uint8Array(HOURS).fill(1),
      awayLowC: new Float32Array(HOURS),
    },
    bodies: [],
  } as NetworkModel
}

/** What drives through openings at an air: m³/s in all, and out of those that lie high. */
function through(r: Room, model: NetworkModel, airC: number, outsideC: number, windMs: number) {
  const { conduct, heightM, wind } = model.airways
  const perMetre = stackPerMetre(airC, outsideC)
  const push = Array.from(conduct, (_, i) => wind[i]! * windMs ** 2 - heightM[i]! * perMetre)
  const flow = (i: number, inside: number) =>
    conduct[i]! * Math.sign(push[i]! - inside) * Math.sqrt(Math.abs(push[i]! - inside))
  let [low, high] = [Math.min(0, ...push), Math.max(0, ...push)]
  for (let k = 0; k < 200; k++) {
    const at = (low + high) / 2
    if (push.reduce((sum, _, i) => sum + flow(i, at), 0) > 0) low = at
    else high = at
  }
  const flows = push.map((_, i) => flow(i, (low + high) / 2))
  const all = flows.reduce((sum, f) => sum + Math.max(0, f), 0)
  const above = flows.reduce((sum, f, i) => sum + (model.airs.orificeAbove[i] === 1 ? Math.max(0, -f) : 0), 0)
  return { all, above: r.upper ? Math.min(all, above) : 0 }
}

/**
 * The room by one full matrix of short steps: all cells, airs, star and the water in the air as unknowns. It shares the
 * laws of films, flows and leaves with the loop, and none of its eliminations, orders or lags within a step.
 */
export function denseRoom(r: Room, outsideC: number, skyC: number, windMs: number, ratioOut: number) {
  const { chains } = r
  const model = roomModel(r)
  const first = chains.map((_, c) => chains.slice(0, c).reduce((sum, k) => sum + k.capacity.length, 0))
  const cells = first.at(-1)! + chains.at(-1)!.capacity.length
  const face = chains.map((c, i) => first[i]! + c.capacity.length - 1)
  const [AIR, STAR, UPPER, PATH, ROW, WATER] = [0, 1, 2, 3, 4, 5].map(k => cells + k) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  const density = PRESSURE / (GAS_CONSTANT_AIR * (outsideC + ZERO_C_K))
  const perFlow = density * AIR_SPECIFIC_HEAT
  const bedM2 = model.bedAreaM2
  const hasRow = r.rowCover !== 'none' && bedM2 > 0
  const covers = leavesCover(r.leafArea)
  const capacityOf = (share: number) => share * model.airCapacity
  const upperShare = r.upper?.share ?? 0
  const pathShare = r.path?.share ?? 0
  let state: number[] = []
  let age = FILMS_HOLD
  let [ridgeTie, pathTie, ventG, aboveG, leakG] = [0, 0, 0, 0, 0]
  let leafDraw = 0
  let leafFilm = 0
  let shine: number[] = []
  /** Of each chain: film to the main air, to each other air and to the star, W/K. */
  let films: { main: number; upper: number; path: number; row: number; rays: number; all: number }[] = []

  function beginHour(): void {
    age = FILMS_HOLD
    shine = chains.map(() => 0)
    const leaf = chains.findIndex(c => c.is === 'leaf')
    if (leaf < 0) return
    const leafC = state[face[leaf]!]!
    const ground = chains[leaf]!.areaM2
    const deficit = saturationPressurePa(leafC) - vapourPressure(state[WATER]!, PRESSURE)
    leafFilm = 2 * r.leafArea * leafConvects(density) * ground
    leafDraw = leafDraws(r.leafArea, density, 0, deficit, leafC) * ground
    const soils = chains.flatMap((c, i) => (c.is === 'soil' ? [i] : []))
    const between = Math.min(
      covers * radiativeFilm((leafC + state[face[soils[0]!]!]!) / 2, EMISSIVITY * LEAF_EMISSIVITY),
      (LATE_SHINE * leafFilm) / ground,
    )
    for (const i of soils) {
      const watts = between * chains[i]!.areaM2 * (leafC - state[face[i]!]!)
      shine[leaf]! -= watts
      shine[i]! += watts
    }
  }

  function takeFilms(): void {
    const least = movedFilm((ventG * 3600) / (r.airMassKg * AIR_SPECIFIC_HEAT))
    if (r.upper)
      ridgeTie = (ridgeTie + airExchange(r.upper.planeM2, state[AIR]! - state[UPPER]!, density) + VENTS_MIX * ventG) / 2
    if (r.path) pathTie = (pathTie + airExchange(r.path.areaM2, state[PATH]! - state[AIR]!, density) / r.path.holds) / 2
    films = chains.map((c, i) => {
      const t = state[face[i]!]!
      const film = (by: number) =>
        Math.max(least, filmFactor(t > by, c.facingUp) * Math.cbrt(Math.abs(t - by))) * c.areaM2
      const kelvin = (t + state[STAR]!) / 2 + ZERO_C_K
      const hidden = c.is === 'leaf' ? 1 - covers : c.is === 'soil' && r.leafArea > 0 ? covers : 0
      const rays = FOUR_SIGMA * emissivityOf(c) * kelvin ** 3 * c.areaM2 * (1 - hidden)
      const none = { main: 0, upper: 0, path: 0, row: 0, rays }
      if (isUnderRow(r, c)) {
        const own = c.is === 'leaf' ? leafFilm : film(state[ROW]!)
        const cloth = r.rowCover === 'drawn' ? (1 - ROW_COVER_OPEN) * rays : 0
        return { ...none, row: own + cloth, rays: rays - cloth, all: own + cloth }
      }
      if (c.is === 'leaf') return { ...none, main: leafFilm, all: leafFilm }
      if (c.is === 'path' && r.path) {
        const own = film(state[PATH]!)
        return { ...none, path: own, all: own }
      }
      const by = state[AIR]! + (r.upper ? c.above * (state[UPPER]! - state[AIR]!) : 0)
      const own = film(by)
      const warmer = t >= by
      const toUpper = !r.upper
        ? 0
        : warmer
          ? c.above + (1 - c.above) * PLUME
          : r.path && c.above < 0.5
            ? 0
            : c.above * (1 - PLUME)
      const toPath = r.path && c.above < 0.5 && toUpper === 0 ? PLUME * r.path.holds : 0
      return { ...none, main: own * (1 - toUpper - toPath), upper: own * toUpper, path: own * toPath, all: own }
    })
  }

  /** How a face passes water, W per unit of humidity ratio; 0 where it is dry. */
  function passes(c: RoomChain, i: number): number {
    const t = state[face[i]!]!
    const before = state[WATER]!
    const at = ratioAt(t)
    const byFilm = LATENT * VAPOUR_PER_HEAT * AIR_PER_HEAT * films[i]!.all
    if (c.is === 'soil' && before < at) return LATENT * SOIL_EVAPORATION * c.areaM2 * soilUnderLeaves(r.leafArea)
    if (c.is === 'leaf' && before < at) return LATENT * leafDraw
    if (c.is === 'soil' || c.is === 'leaf') return byFilm
    return t < dewPointOfRatio(before, PRESSURE) ? byFilm : 0
  }

  function after(dt: number, foggy: boolean): number[] {
    const n = cells + 6
    const { a, b, join, tie } = equations(n)
    /** Air that flows from one to the other and not back. */
    const flows = (to: number, from: number, g: number) => {
      a[to]![to]! += g
      a[to]![from]! -= g
    }
    const hold = (i: number, joules: number) => tie(i, joules / dt, state[i]!)
    const skyFilm = radiativeFilm((outsideC + skyC) / 2, EMISSIVITY)
    const exchange = LATENT * AIR_PER_HEAT * (leakG + ventG)
    tie(WATER, (LATENT * r.airMassKg) / dt, state[WATER]!)
    tie(WATER, exchange, ratioOut)
    chains.forEach((c, i) => {
      const f = face[i]!
      c.capacity.forEach((j, k) => hold(first[i]! + k, j))
      c.between.forEach((g, k) => join(first[i]! + k, first[i]! + k + 1, g))
      if (c.is === 'wall') {
        const toSky = skyFilm * c.skyView
        const toAir = outsideFilm(windMs) + skyFilm * (1 - c.skyView)
        tie(first[i]!, c.areaM2 * toSky, skyC)
        tie(first[i]!, c.areaM2 * toAir, outsideC)
      }
      const film = films[i]!
      join(f, AIR, film.main)
      join(f, UPPER, film.upper)
      join(f, PATH, film.path)
      join(f, ROW, film.row)
      join(f, STAR, film.rays)
      b[f]! += c.sunW + shine[i]!
      const wet = passes(c, i)
      if (wet === 0) return
      const at = ratioAt(state[f]!)
      const slope = (ratioAt(state[f]! + 1e-3) - ratioAt(state[f]! - 1e-3)) / 2e-3
      const own = slope * state[f]! - at
      // Water goes from the air to the face by how far the air is over the face’s own saturation.
      a[f]![f]! += wet * slope
      a[f]![WATER]! -= wet
      b[f]! += wet * own
      a[WATER]![WATER]! += wet
      a[WATER]![f]! -= wet * slope
      b[WATER]! -= wet * own
    })
    hold(AIR, capacityOf(1 - upperShare - pathShare))
    tie(AIR, leakG + ventG, outsideC)
    if (r.upper) {
      hold(UPPER, capacityOf(upperShare))
      join(AIR, UPPER, ridgeTie)
      flows(UPPER, AIR, aboveG)
    } else tie(UPPER, 1, 0)
    if (r.path) {
      hold(PATH, capacityOf(pathShare))
      join(AIR, PATH, pathTie)
      // Cold air that leaks in runs down into the path, and what it drives out rises from there.
      const sinks = state[AIR]! > outsideC ? r.path.holds * leakG : 0
      tie(PATH, sinks, outsideC)
      b[AIR]! -= sinks * outsideC
      a[AIR]![PATH]! -= sinks
    } else tie(PATH, 1, 0)
    if (hasRow) {
      hold(ROW, ROW_CAPACITY * bedM2)
      join(AIR, ROW, bedM2 * (r.rowCover === 'drawn' ? ROW_CLOSED : ROW_OPEN))
    } else tie(ROW, 1, 0)
    if (foggy) {
      // What the air cannot hold warms it.
      const full = ratioAt(state[AIR]!)
      const slope = (ratioAt(state[AIR]! + 1e-3) - ratioAt(state[AIR]! - 1e-3)) / 2e-3
      for (let k = 0; k < n; k++) a[AIR]![k]! += a[WATER]![k]!
      b[AIR]! += b[WATER]!
      a[WATER]!.fill(0)
      a[WATER]![WATER] = 1
      a[WATER]![AIR] = -slope
      b[WATER] = full - slope * state[AIR]!
    }
    return solveDense(a, b)
  }

  return {
    set: (cellsC: readonly number[], airC: number, ratio: number) => {
      state = [...cellsC, airC, airC, airC, airC, airC, ratio]
    },
    beginHour,
    step: (dt: number) => {
      if (age >= FILMS_HOLD) {
        takeFilms()
        age = 0
      }
      age += dt
      const flow = through(r, model, state[AIR]!, outsideC, windMs)
      ventG = flow.all * perFlow
      aboveG = flow.above * perFlow
      leakG = leakageFlow(r.leakAreaM2, state[AIR]! - outsideC, windMs, LEAK_WIND) * perFlow
      const clear = after(dt, false)
      state = clear[WATER]! > ratioAt(clear[AIR]!) ? after(dt, true) : clear
    },
    cells: () => state.slice(0, cells),
    airC: () => state[AIR]!,
    starC: () => state[STAR]!,
    upperC: () => state[r.upper ? UPPER : AIR]!,
    pathC: () => state[r.path ? PATH : AIR]!,
    rowC: () => state[hasRow ? ROW : AIR]!,
    ratio: () => state[WATER]!,
  }
}
