import { FILM_INSIDE, GAS_CONSTANT_AIR, GRAVITY, ZERO_C_K } from '../physics/constants'
import { outsideFilm, radiativeFilm } from '../air/films'
import { MONTH_OF_DAY, tabledSaturationPa, type SiteYear } from '../climate'
import { makeAddedWork } from './added-work'
import { makeGroundOutside, SNOW } from './ground-outside'
import { shareUnder } from '../optics/snow'
import { makeLinks } from './links'
import type { Memory } from './memory'
import { EMISSIVITY, OPEN_COVER } from './chains'
import { soilUnderLeaves } from './moisture'
import { BURIED, HOUSE, OUTSIDE, type ByGain, type NetworkModel } from './model'
import { GAIN, LOSS } from './series'
import {
  AIR,
  AIR_SPECIFIC_HEAT,
  AIR_W,
  BED_LIGHT,
  DAY_MEAN,
  DENSITY,
  DOOR_G,
  FAN_W,
  HOUSE_DOOR_G,
  MOIST_OUT,
  MOISTURE,
  OUT,
  PRESSURE,
  ROW_DRAWN,
  ROW_LOW,
  ROW_OUT_LOW,
  ROW_TIE,
  STAR_SKY_G,
  STAR_SKY_W,
  STIR_FLOW,
  STIR_W,
  SUM_AIR,
  SUM_DAMP,
  SUM_LEAK,
  SUM_MOIST,
  SUM_SIZE,
  SUM_STAR,
  SUM_VENT,
  SUN_IN,
  SUPPLY_G,
  SUPPLY_C,
  TIE_G,
  TIE_W,
  WET,
  WIND,
} from './room'
import { makeSoilIce } from './soil-ice'
import { makeStoreAir } from './store-air'
import type { VentSolver } from './vent-solve'
import { leavesCover } from '../optics/canopy'
import { leafConvects, leafDraws, LEAF_EMISSIVITY, vapourPressure } from './transpiration'

const { abs, max, min, sqrt } = Math

const HOUR = 3600
const SUN = GAIN.sun!
const FANS = GAIN.fans!
/** Heat flow held back by nothing that moves: capacity over time of water at its freezing point, W/K. */
const HELD = 1e15
/** Standard film inside a house, m²K/W. */
const HOUSE_FILM = 0.13
/** Light reflected by condensation on the glass, at most. */
const DROPS = 0.08
/**
 * Glass is wet all over with so much on it, kg/m²; drops then cover so much of it, and longwave does not pass water.
 * Pieters, Deltour & Debruyckere 1997.
 */
const WETS = 0.03
const DROPS_COVER = 0.6
/** Row cover: open and drawn ties of the space under it, W/m²K. */
const ROW_OPEN = 25
const ROW_CLOSED = 4.5
/** A lobby's skin and leaks, W/K for each m² of its floor. */
const LOBBY_SKIN = 8
/** In a lobby of this floor, m², one door is shut before the other is opened; in a smaller one, so much less often. */
const LOBBY_ROOM = 1.5
/** Of the sky, what panes see, most of them; of light, the share that warms the room at once. */
const PANES_SEE = 0.75
const WARMS = 0.6
/** Sun above this is day, W/m². */
const DAYLIGHT_WM2 = 5

/**
 * What leaves and soil shine at each other comes an hour late: of the leaves' own film at most so much, beyond which it
 * would swing. In any air that plants live in it is a third.
 */
const LATE_SHINE = 0.5

/** Leaves of a bed: their chain, the chains of their soil, and where in an hour's sun theirs is. */
interface Foliage {
  chain: number
  bed: number
  soil: number[]
  lights: number[]
}

/**
 * What is updated hourly: weather, schedules, the elimination of the chains; and what is closed at its end.
 */
export function makeHourly(memory: Memory, vents: Pick<VentSolver, 'hour'>) {
  const {
    v,
    sums,
    T,
    source,
    pending,
    capacity,
    between,
    store,
    pivot,
    factor,
    offset,
    face,
    area,
    glazed,
    head,
    held,
    iceKg,
    firstSum,
    lostJ,
    gainedJ,
    fanJ,
    suns,
    light,
    covered,
    stuck,
    coverWet,
    through,
    leftJ,
    leafFilm,
    leafDraw,
    soilShare,
  } = memory
  const { chains, cells, storeCells } = memory.size
  /** What ties a chain's first cell to what lies behind it, W/K, and the temperature there, °C. */
  const outG = memory.doubles(chains)
  const outT = memory.doubles(chains)
  /** Longwave from the room straight to the sky through a pane, W/K, and the temperature that it sees, °C. */
  const film = memory.doubles(chains)
  const filmT = memory.doubles(chains)
  /** Sun on outer faces in this hour, W. */
  const outerSun = memory.doubles(chains)
  const skyView = memory.doubles(chains)
  const longwaveThrough = memory.doubles(chains)
  const paneOpen = memory.doubles(chains)
  const paneDrawn = memory.doubles(chains)
  const insideDrawn = memory.doubles(chains)
  const outsideDrawn = memory.doubles(chains)
  const outsideWetter = memory.doubles(chains)
  const lossIndex = memory.ints(chains)
  const slowSource = memory.doubles(cells)
  /** Of a deep cell: how far a joule warms it, K. */
  const perJoule = memory.doubles(cells)
  /** Cells that heat may wait for. */
  const fed = memory.ints(storeCells)
  const links = makeLinks(memory)
  const added = makeAddedWork(memory)
  const { airSun } = added
  const sunCell = memory.ints(memory.size.suns)
  const sunChain = memory.ints(memory.size.suns)
  const sunCover = memory.ints(memory.size.suns)
  const coverOf = memory.ints(chains)
  const dryBulbC = memory.hours()
  const windMs = memory.hours()
  const pressurePa = memory.hours()
  const moistureOut = memory.hours()
  const skyC = memory.hours()
  const globalWm2 = memory.hours()
  const snowM = memory.hours()
  const bedLight = memory.hoursByCover()
  const drawn = memory.hoursByCover()
  /** Share of the sun that each cover lets fall on its panes: what hangs outside them shades them. */
  const onPanes = memory.doubles(memory.size.covers)
  const storeAir = makeStoreAir(memory)
  const outsideGround = makeGroundOutside(memory)
  const soilIce = makeSoilIce(memory)
  let m!: NetworkModel
  /** Chains by what ties them. */
  let outsides: number[] = []
  let burieds: number[] = []
  let houses: number[] = []
  let waters: number[] = []
  let leaves: Foliage[] = []
  let beds: number[] = []
  /** By bed and month: share of the bed that leaves stand over. */
  let underLeaves: number[] = []
  let fedCount = 0
  let sourceCells = source
  let slowCells = slowSource
  let buriedSum = 0
  let glassArea = 0
  /** Leaving along slow links, W; not known before the first look. */
  let slowEdge = NaN
  let lastDt = 0
  /** Of longwave that would pass a dry sheet, what passes this one. */
  let longwaveDry = 1
  let bankR = 0
  /** The day whose mean stands in `DAY_MEAN`. */
  let day = -1

  function lay(model: NetworkModel, site: SiteYear): void {
    m = model
    const those = (test: (c: number) => boolean) => Array.from(m.tie.keys()).filter(test)
    outsides = those(c => m.tie[c] === OUTSIDE)
    burieds = those(c => m.tie[c] === BURIED)
    houses = those(c => m.tie[c] === HOUSE)
    waters = those(c => m.waterKg[c]! > 0)
    beds = those(c => m.bed[c] === 1)
    underLeaves = Array.from(m.leafArea, soilUnderLeaves)
    leaves = those(c => m.leafOf[c]! >= 0).map(chain => {
      const bed = m.leafOf[chain]!
      const lights = Array.from(m.sun.chain.keys()).filter(k => k < m.sun.lit && m.sun.chain[k] === chain)
      return { chain, bed, soil: those(c => m.bedIndex[c] === bed), lights }
    })
    glassArea = those(c => m.glazed[c] === 1).reduce((sum, c) => sum + m.area[c]!, 0)
    buriedSum = m.buried.g.reduce((a, b) => a + b, 0)
    for (const c of burieds) outG[c] = buriedSum * m.buried.share[c]!
    for (const c of houses) {
      outG[c] = m.area[c]! / HOUSE_FILM
      outT[c] = m.houseC
    }
    skyView.set(m.skyView)
    longwaveThrough.set(m.longwaveThrough)
    paneOpen.set(m.paneOpen)
    paneDrawn.set(m.paneDrawn)
    insideDrawn.set(m.insideDrawn)
    outsideDrawn.set(m.outsideDrawn)
    outsideWetter.set(m.outsideWetter)
    lossIndex.set(m.lossIndex)
    for (let i = m.deepFrom; i < m.cellCount; i++) perJoule[i] = 1 / m.capacity[i]!
    const waiting = new Set([...m.buried.cell, ...m.exchangers.flatMap(e => [...e.cells])])
    fedCount = waiting.size
    fed.set([...waiting])
    links.lay(m)
    sourceCells = source.subarray(0, m.cellCount)
    slowCells = slowSource.subarray(0, m.cellCount)
    sunCell.set(m.sun.cell)
    sunChain.set(m.sun.chain)
    sunCover.set(m.sun.cover)
    coverOf.set(m.coverOf)
    suns.set(m.sun.watts)
    dryBulbC.set(site.dryBulbC)
    windMs.set(site.windMs)
    pressurePa.set(site.pressurePa)
    moistureOut.set(site.humidityRatio)
    skyC.set(site.skyC)
    globalWm2.set(site.globalWm2)
    snowM.set(site.snowM)
    added.lay(m)
    bedLight.set(m.bedLight)
    drawn.set(m.drawn)
    slowEdge = NaN
    lastDt = 0
    day = -1
    storeAir.lay(m)
    outsideGround.lay(m)
    soilIce.lay(m)
  }

  function weather(h: number): void {
    const pressure = pressurePa[h]!
    v[OUT] = dryBulbC[h]!
    v[WIND] = windMs[h]!
    v[PRESSURE] = pressure
    v[DENSITY] = pressure / (GAS_CONSTANT_AIR * (v[OUT]! + ZERO_C_K))
    v[MOIST_OUT] = moistureOut[h]!
    const today = (h / 24) | 0
    if (today === day) return
    day = today
    let sum = 0
    for (let k = today * 24; k < today * 24 + 24; k++) sum += dryBulbC[k]!
    v[DAY_MEAN] = sum / 24
  }

  /**
   * Two-way flow through open doors by warmth and wind, for the seconds that they stand open in an hour that sees a
   * share of the day's comings and goings, W/K.
   */
  function throughDoors(share: number, toHouse: boolean, beyondC: number, windMs: number): number {
    let conductance = 0
    const speed = 0.2 * sqrt((GRAVITY * 2 * abs(v[AIR]! - beyondC)) / 290 + 0.05 * windMs * windMs)
    const { doorways } = m.airways
    for (let k = 0; k < doorways.length; k++) {
      const d = doorways[k]!
      if (d.toHouse === toHouse)
        conductance += min(1, (share * d.secondsPerDay) / HOUR) * d.areaM2 * speed * v[DENSITY]! * AIR_SPECIFIC_HEAT
    }
    return conductance
  }

  /** Doors, while people come and go. */
  function doors(h: number): void {
    const share = m.comings[h]!
    v[DOOR_G] = v[HOUSE_DOOR_G] = 0
    if (share === 0) return
    v[HOUSE_DOOR_G] = throughDoors(share, true, m.houseC, 0)
    const open = throughDoors(share, false, v[OUT]!, v[WIND]!)
    // Air that passes a lobby meets a space between outside and inside: two ties in a row, the outer one with the
    // lobby's skin beside its door.
    const lobby = m.lobby.areaM2
    const outer = LOBBY_SKIN * lobby + open
    const between = outer > 0 ? (open * outer) / (open + outer) : 0
    v[DOOR_G] = open + min(1, lobby / LOBBY_ROOM) * (between - open)
  }

  /**
   * While somebody is there it lies on cold beds in the dark. Who leaves lays it where the room would fall below its
   * limit before the next one comes, as far under the air outside as it last did; in between it stays as it was left.
   */
  function rowCover(h: number): void {
    const { on, belowC, there, awayLowC } = m.rowCover
    v[ROW_LOW] = min(v[ROW_LOW]!, v[AIR]!)
    v[ROW_OUT_LOW] = min(v[ROW_OUT_LOW]!, v[OUT]!)
    if (on && there[h] === 1) {
      const stays = there[h + 1 < there.length ? h + 1 : 0] === 1
      const coming = v[ROW_LOW]! + awayLowC[h]! - v[ROW_OUT_LOW]!
      v[ROW_DRAWN] = (stays ? globalWm2[h]! < 30 && v[AIR]! < belowC : coming < belowC) ? 1 : 0
      if (!stays) {
        v[ROW_LOW] = v[AIR]!
        v[ROW_OUT_LOW] = v[OUT]!
      }
    }
    v[ROW_TIE] = m.bedAreaM2 * (v[ROW_DRAWN] === 1 ? ROW_CLOSED : ROW_OPEN)
  }

  /** Fans that stir the air: what they draw stays in it. */
  function stir(h: number, span: number): void {
    const { stirs, powerW } = m.fans
    const isDay = globalWm2[h]! > DAYLIGHT_WM2
    v[STIR_W] = 0
    v[STIR_FLOW] = 0
    for (let k = 0; k < stirs.length; k++) {
      const { fan, flowM3s, runs } = stirs[k]!
      if (!runs(v[AIR]!, isDay)) continue
      v[STIR_W]! += powerW[fan]!
      v[STIR_FLOW]! += flowM3s
      fanJ[fan]! += powerW[fan]! * span
    }
  }

  function sideways(h: number, span: number): void {
    if (h % 6 < span / HOUR || Number.isNaN(slowEdge)) {
      slowCells.fill(0)
      slowEdge = links.passSlow(slowSource)
    }
    sourceCells.set(slowCells)
    for (let k = 0; k < fedCount; k++) {
      const i = fed[k]!
      source[i]! += pending[i]! / span
      pending[i] = 0
    }
    lostJ[LOSS.ground]! += (links.passQuick(source) + slowEdge) * span
  }

  /**
   * Drawn while it keeps more in than the light is worth, by the air as the hour begins; where it can be moved. Panes
   * lose to the sky as well as to the air, and not all light warms the room: leaves spend a good part on vapour.
   */
  function byGain({ lightW, keepsWK, movable }: ByGain, stands: number, may: number, h: number): number {
    if (may === 0) return 0
    if (movable[h] === 0) return stands
    const toSky = radiativeFilm((v[OUT]! + skyC[h]!) / 2, EMISSIVITY) * PANES_SEE
    const toAir = outsideFilm(v[WIND]!)
    const beyond = (toSky * skyC[h]! + toAir * v[OUT]!) / (toSky + toAir)
    return keepsWK * (v[AIR]! - beyond) > WARMS * lightW[h]! ? may : 0
  }

  /**
   * Covers as they are drawn, and what light gets past each and the wet glass; returns what falls on the beds, W/m².
   */
  function coverUp(h: number): number {
    const { covers } = m
    const wet = min(1, v[WET]! / (1e-9 + WETS * glassArea))
    const dry = 1 - DROPS * wet
    longwaveDry = 1 - DROPS_COVER * wet
    let onBeds = 0
    for (let k = 0; k < covers; k++) {
      const may = drawn[h * covers + k]!
      const gain = m.byGain[k]
      const stood = covered[k]!
      const goes = gain ? byGain(gain, stood, may, h) : may
      const iced = m.iced[k]
      // What is frozen to the panes stays on them; what is rolled up is drawn all the same.
      covered[k] = iced && iced.fast[h] === 1 ? max(stood, goes) : goes
      stuck[k] = covered[k]! - goes
      coverWet[k] = iced ? iced.wet[h]! : 0
      const past = 1 - covered[k]! * (1 - m.coverLeak[k]!)
      light[k] = past * dry
      onPanes[k] = m.coverOutside[k] === 1 ? past : 1
      onBeds += bedLight[h * covers + k]! * light[k]!
    }
    return onBeds
  }

  function prepare(h: number, dt: number, heated: boolean, span = HOUR): void {
    weather(h)
    const onBeds = coverUp(h)
    sideways(h, span)
    vents.hour(h)
    doors(h)
    rowCover(h)
    added.bring(h, span, heated)
    storeAir.prepare(h, span)
    stir(h, span)
    v[AIR_W]! += v[FAN_W]! + v[STIR_W]!
    gainedJ[FANS]! += (v[FAN_W]! + v[STIR_W]!) * span
    if (v[SUPPLY_G]! > 0) v[TIE_W]! += v[SUPPLY_G]! * v[SUPPLY_C]!
    v[TIE_G]! += v[HOUSE_DOOR_G]!
    v[TIE_W]! += v[HOUSE_DOOR_G]! * m.houseC
    v[BED_LIGHT] = onBeds
    leafOut(h)
    eliminate(h, dt)
    outsideGround.step(v[OUT]! + 1, snowM[h]!, span)
    warmDeep(span)
    soilIce.freezeGround()
  }

  /**
   * Leaves of the month: their film, the vapour that they draw, by the light that they have and how dry the air is to
   * them; and what they and the soil beneath them shine at each other.
   */
  function leafOut(h: number): void {
    const month = MONTH_OF_DAY[(h / 24) | 0]!
    const row = h * m.sun.cell.length
    const vapour = vapourPressure(v[MOISTURE]!, v[PRESSURE]!)
    for (let k = 0; k < beds.length; k++) soilShare[beds[k]!] = underLeaves[m.bedIndex[beds[k]!]! * 12 + month]!
    for (let k = 0; k < leaves.length; k++) {
      const { chain, bed, soil, lights } = leaves[k]!
      const ground = area[chain]!
      const leafArea = m.leafArea[bed * 12 + month]!
      const leafC = T[face[chain]!]!
      let sun = 0
      for (let i = 0; i < lights.length; i++) sun += suns[row + lights[i]!]! * light[sunCover[lights[i]!]!]!
      const deficit = tabledSaturationPa(leafC) - vapour
      leafFilm[chain] = 2 * leafArea * leafConvects(v[DENSITY]!) * ground
      leafDraw[chain] = leafDraws(leafArea, v[DENSITY]!, sun / ground, deficit, leafC) * ground
      const covers = leavesCover(leafArea)
      through[chain] = 1 - covers
      const soilC = T[face[soil[0]!]!]!
      const film = min(
        covers * radiativeFilm((leafC + soilC) / 2, EMISSIVITY * LEAF_EMISSIVITY),
        (LATE_SHINE * leafFilm[chain]!) / ground,
      )
      for (let i = 0; i < soil.length; i++) {
        const c = soil[i]!
        const i1 = face[c]!
        through[c] = covers
        const shines = film * area[c]! * (leafC - T[i1]!)
        source[face[chain]!]! -= shines
        source[i1]! += shines
      }
    }
  }

  /** Deep ground under the floor, explicitly. */
  function warmDeep(span: number): void {
    const t = T
    const sources = source
    const kelvin = perJoule
    const end = m.cellCount
    for (let i = m.deepFrom; i < end; i++) t[i]! += sources[i]! * span * kelvin[i]!
  }

  /**
   * Conductance of what is open for a part of the hour and drawn for the rest: that by which the whole, with what lies
   * in line with it, passes as much heat as open and drawn in turn. A mean of the two by themselves would be far off:
   * what is open passes next to any heat.
   * @param inLine resistance of all that lies in line, K/W
   */
  function mixed(open: number, drawn: number, share: number, inLine: number): number {
    if (share <= 0) return open
    if (share >= 1) return drawn
    const passes = (1 - share) / (inLine + 1 / open) + share / (inLine + 1 / drawn)
    return 1 / (1 / passes - inLine)
  }

  /** A chain of the hour from the outside in: what each cell holds against its neighbour towards the room. */
  function sweep(c: number): void {
    const stores = store
    const links = between
    const pivots = pivot
    const factors = factor
    const i1 = face[c]!
    let before = outG[c]!
    for (let i = offset[c]!; i < i1; i++) {
      const g = links[i]!
      const p = 1 / (stores[i]! + before + g)
      const f = g * p
      pivots[i] = p
      factors[i] = f
      before = g - g * f
    }
    head[c] = store[i1]! + before
  }

  /** Lets water that has been held at its freezing point go again. */
  function release(c: number, dt: number): void {
    const i = offset[c]!
    held[c] = 0
    store[i] = capacity[i]! / dt
    sweep(c)
  }

  function eliminate(h: number, dt: number): void {
    const { count } = m
    const anew = dt !== lastDt
    lastDt = dt
    if (anew) for (let i = 0; i < offset[count]!; i++) store[i] = capacity[i]! / dt
    for (let k = 0; k < waters.length; k++) {
      const c = waters[k]!
      const i = offset[c]!
      const now = iceKg[c]! > 0 && iceKg[c]! < m.waterKg[c]! ? 1 : 0
      store[i] = now ? HELD : capacity[i]! / dt
      if (now !== held[c]) {
        held[c] = now
        sweep(c)
      }
    }
    lightUp(h)
    skin(h)
    underground()
    for (let k = 0; k < houses.length; k++) {
      const c = houses[k]!
      source[offset[c]!]! += outG[c]! * outT[c]!
    }
    if (anew) for (let c = 0; c < count; c++) sweep(c)
    else for (let k = 0; k < outsides.length; k++) sweep(outsides[k]!)
  }

  /** Sun on faces, in panes and on the skin. */
  function lightUp(h: number): void {
    const { lit, kept, cell } = m.sun
    const { covers } = m
    const n = cell.length
    const row = h * n
    const watts = suns
    const to = source
    const cells = sunCell
    const outer = outerSun
    const outerOf = sunChain
    const lights = light
    const coverAt = sunCover
    let inside = 0
    for (let k = 0; k < covers; k++) inside += airSun[h * covers + k]! * lights[k]!
    for (let k = 0; k < lit; k++) {
      const w = watts[row + k]! * lights[coverAt[k]!]!
      to[cells[k]!]! += w
      inside += w
    }
    for (let k = lit; k < kept; k++) {
      const w = watts[row + k]! * onPanes[coverAt[k]!]!
      to[cells[k]!]! += w
      inside += w
    }
    for (let k = kept; k < n; k++) {
      const w = watts[row + k]!
      to[cells[k]!]! += w
      outer[outerOf[k]!] = w
    }
    v[SUN_IN] = inside
  }

  /** Share of a chain that stands in snow; of the bank there, the mean resistance is left in `bankR`, m²K/W. */
  function bankedAt(c: number, h: number): number {
    const banked = m.banks?.chains[c]
    if (!banked) return 0
    const heightM = m.banks!.heightM[banked.bank]![h]!
    if (heightM <= 0) return 0
    // It lies as a wedge: half as thick as it is high.
    bankR = (heightM / 2) * SNOW
    return shareUnder(banked.shares, heightM)
  }

  /** Wind, air and sky on what stands above the ground, with the night cover as it is drawn. */
  function skin(h: number): void {
    const outside = v[OUT]!
    const sky = skyC[h]!
    const windFilm = outsideFilm(v[WIND]!)
    const skyFilm = radiativeFilm((outside + sky) / 2, EMISSIVITY)
    let starSky = 0
    let starSkyT = 0
    for (const { link, cover, openWK, drawnWK } of m.boarded) between[link] = covered[cover]! > 0 ? drawnWK : openWK
    for (let k = 0; k < outsides.length; k++) {
      const c = outsides[k]!
      const i0 = offset[c]!
      const view = skyView[c]!
      const toSky = skyFilm * view
      const toAir = windFilm + skyFilm * (1 - view)
      let g = area[c]! * (toSky + toAir)
      outT[c] = (toSky * sky + toAir * outside) / (toSky + toAir)
      const inSnow = bankedAt(c, h)
      if (inSnow > 0) {
        // What stands in a bank sees the air through it, and no sky.
        const bare = (1 - inSnow) * g
        const banked = (inSnow * area[c]!) / (1 / windFilm + bankR)
        g = bare + banked
        outT[c] = (bare * outT[c]! + banked * outside) / g
      }
      if (glazed[c] === 1) {
        const share = covered[coverOf[c]!]!
        const inside = FILM_INSIDE / area[c]!
        between[i0] = mixed(paneOpen[c]!, paneDrawn[c]!, share, inside + 1 / g)
        between[i0 + 1] = mixed(OPEN_COVER * area[c]!, insideDrawn[c]!, share, inside + 1 / g + 1 / paneOpen[c]!)
        if (share > 0 && outsideDrawn[c]! > 0) {
          const blanket = outsideDrawn[c]! + outsideWetter[c]! * coverWet[coverOf[c]!]!
          g = mixed(g, 1 / (1 / g + 1 / blanket), share, inside + 1 / paneOpen[c]!)
        }
        through[c] = longwaveThrough[c]! * light[coverOf[c]!]! * longwaveDry * (1 - inSnow)
        const straight = area[c]! * through[c]! * skyFilm
        film[c] = straight
        filmT[c] = view * sky + (1 - view) * outside
        starSky += straight
        starSkyT += straight * filmT[c]!
      }
      outG[c] = g
      source[i0]! += g * outT[c]!
    }
    v[STAR_SKY_G] = starSky
    v[STAR_SKY_W] = starSkyT
  }

  /** Sunk walls lie against the ground beside them. */
  function underground(): void {
    if (burieds.length === 0) return
    const { g, cell } = m.buried
    let t = 0
    for (let r = 0; r < g.length; r++) t += g[r]! * T[cell[r]!]!
    for (let k = 0; k < burieds.length; k++) {
      const c = burieds[k]!
      outT[c] = t / buriedSum
      source[offset[c]!]! += outG[c]! * outT[c]!
    }
  }

  function leave(c: number, joules: number): void {
    lostJ[lossIndex[c]!]! += joules
    leftJ[c]! += joules
  }

  /** Tallies the block and passes on what the ground and the stores got from it. */
  function end(span = HOUR): void {
    const starMean = sums[SUM_STAR]! / span
    for (let k = 0; k < outsides.length; k++) {
      const c = outsides[k]!
      let out = outG[c]! * (firstSum[c]! / span - outT[c]!) - outerSun[c]!
      if (glazed[c] === 1) out += film[c]! * (starMean - filmT[c]!)
      leave(c, out * span)
    }
    for (let k = 0; k < houses.length; k++) {
      const c = houses[k]!
      leave(c, outG[c]! * (firstSum[c]! - outT[c]! * span))
    }
    const { g, cell, share } = m.buried
    for (let k = 0; k < burieds.length; k++) {
      const c = burieds[k]!
      leave(c, outG[c]! * (firstSum[c]! - outT[c]! * span))
      for (let r = 0; r < g.length; r++) pending[cell[r]!]! += g[r]! * share[c]! * (firstSum[c]! - T[cell[r]!]! * span)
    }
    for (let c = 0; c < m.count; c++) firstSum[c] = 0
    gainedJ[SUN]! += v[SUN_IN]! * span
    lostJ[LOSS['air leaks']]! += sums[SUM_LEAK]!
    lostJ[LOSS.vents]! += sums[SUM_VENT]!
    lostJ[LOSS['damp air']]! += sums[SUM_DAMP]!
    lostJ[LOSS.house]! += v[HOUSE_DOOR_G]! * (sums[SUM_AIR]! - m.houseC * span)
    lostJ[LOSS.ground]! -= storeAir.end(sums[SUM_AIR]! / span, sums[SUM_MOIST]! / span, span)
    for (let k = 0; k < SUM_SIZE; k++) sums[k] = 0
  }

  /** Heat on its way to cells of the building, and in rock, J. */
  function inTransitJ(): number {
    let sum = storeAir.heatJ()
    for (let i = 0; i < offset[m.count]!; i++) sum += pending[i]!
    for (let i = m.deepFrom; i < m.cellCount; i++) sum += pending[i]!
    return sum
  }

  return { lay, prepare, end, release, inTransitJ, storeAir, soilIce }
}
