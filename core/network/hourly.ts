import { outsideFilm, radiativeFilm } from '../air/films'
import type { SiteYear } from '../climate'
import { makeGroundOutside } from './ground-outside'
import { BURIED, GROUND, HOUSE, OUTSIDE, type Links, type NetworkModel } from './model'
import { GAIN_NAMES, LOSS_NAMES } from './series'
import {
  AIR, AIR_HEAT, AIR_W, DAY_MEAN, DENSITY, DOOR, EMISSIVITY, FAN_W, FULL, LATENT, LEAF_DRAW, LEAF_SUN, LEAST, LIGHT, LOBBY_DOOR, MOIST_OUT, OUT, PRESSURE, ROW_DRAWN, ROW_TIE, SOIL_DRAW,
  STAR_SKY, STAR_SKY_T, START, SUM_AIR, SUM_DAMP, SUM_HEAT, SUM_LEAK, SUM_LOBBY, SUM_MOIST, SUM_STAR, SUM_VENT, SUN_IN, SUPPLY, TIE_T, VAPOUR, WET, WIND,
} from './room'
import { airPanelWm2, waterPanelWm2 } from './sources'
import { makeStoreAir } from './store-air'
import { transpiration } from './transpiration'

const { abs, max, min, sqrt } = Math

const HOUR = 3600
/** Heat flow held back by nothing that moves: capacity over time of water at its freezing point, W/K. */
const HELD = 1e15
/** Standard film inside a house, m²K/W. */
const HOUSE_FILM = 0.13
/** Light that drops on wet glass send back, at most. */
const DROPS = 0.08
/** Moist soil under leaves, kg/m²s per unit of humidity ratio. */
const SOIL_EVAPORATION = 0.0012
/** Row cover: open and drawn ties of the space under it, W/m²K. */
const ROW_OPEN = 25
const ROW_CLOSED = 4.5
/** A lobby's skin and leaks, W/K for each m² of its floor. */
const LOBBY_SKIN = 8
/** A person at light work: dry heat W, and water kg/s. */
const PERSON_W = 90
const PERSON_WATER = 50e-3 / 3600

const GAIN = Object.fromEntries(GAIN_NAMES.map((n, i) => [n, i])) as Record<typeof GAIN_NAMES[number], number>
const LOSS = Object.fromEntries(LOSS_NAMES.map((n, i) => [n, i])) as Record<typeof LOSS_NAMES[number], number>

interface HourlyParts {
  m: NetworkModel
  site: SiteYear
  v: Float64Array
  T: Float64Array
  iceKg: Float64Array
  sums: Float64Array
  firstSum: Float64Array
  lostJ: Float64Array
  gainedJ: Float64Array
}

/** What holds still within an hour: weather, schedules, the elimination of the chains; and what is closed at its end. */
export function makeHourly({ m, site, v, T, iceKg, sums, firstSum, lostJ, gainedJ }: HourlyParts) {
  const { count, offset, capacity, between, area, tie, glazed, skyView } = m
  const cells = offset[count]!
  const store = new Float64Array(cells)
  const pivot = new Float64Array(cells)
  /** How a cell follows its neighbour towards the room, and what it passes on to it; 0 for faces, which follow nothing. */
  const factor = new Float64Array(cells)
  for (let c = 0; c < count; c++) pivot[offset[c + 1]! - 1] = 1
  const head = new Float64Array(count)
  const held = new Uint8Array(count)
  const outG = new Float64Array(count)
  const outT = new Float64Array(count)
  const film = new Float64Array(count)
  const filmT = new Float64Array(count)
  /** Heat to each cell during this block, W, and what waits for the next, J. */
  const source = new Float64Array(m.cellCount)
  /** The same for the cells of the chains, with what their ties and the sun bring. */
  const base = source.subarray(0, cells)
  const pending = new Float64Array(m.cellCount)
  const slowSource = new Float64Array(m.cellCount)
  /** Cells that anything may wait for. */
  const fed = Int32Array.from(new Set([...m.buried.cell, ...m.exchangers.flatMap(e => [...e.cells])]))
  /** Of a deep cell: how far a joule warms it, K. */
  const perJoule = m.capacity.map(c => 1 / c)
  /** Leaving along slow links, W; not known before the first look. */
  let slowEdge = NaN
  const leaf = { fixed: 0, draw: 0 }
  const storeAir = makeStoreAir(m, v, T, pending)
  const outsideGround = makeGroundOutside(m, T, source)
  const { sources } = m
  const buriedSum = m.buried.g.reduce((a, b) => a + b, 0)
  const firstWater = m.probes.waterChain >= 0 ? offset[m.probes.waterChain]! : -1
  const beds: number[] = []
  for (let c = 0; c < count; c++) if (m.bed[c]) beds.push(c)
  let lastDt = 0
  let hour = 0
  let doorWK = 0

  function lobbyWK(): number {
    return LOBBY_SKIN * m.lobby.areaM2 + doorWK
  }

  function weather(h: number): void {
    const pressure = site.pressurePa[h]!
    v[OUT] = site.dryBulbC[h]!
    v[WIND] = site.windMs[h]!
    v[PRESSURE] = pressure
    v[DENSITY] = pressure / (287.05 * (v[OUT]! + 273.15))
    v[MOIST_OUT] = site.humidityRatio[h]!
    if (h % 24 === 0) {
      let sum = 0
      for (let k = 0; k < 24; k++) sum += site.dryBulbC[h + k]!
      v[DAY_MEAN] = sum / 24
    }
  }

  /** Winter habit: on cold days the vents wait for real warmth, and at midday the house is aired when the sun is out. */
  function airing(h: number): void {
    const { startC, fullC } = m.opener
    const winter = m.airing.on && v[DAY_MEAN]! < m.airing.belowC
    v[START] = winter ? max(startC, m.airing.holdUntilC) : startC
    v[FULL] = winter ? v[START]! + fullC - startC : fullC
    const k = h % 24
    v[LEAST] = winter && k >= m.airing.fromH && k < m.airing.untilH && v[AIR]! > startC ? 0.3 : 0
  }

  /** Doors in working hours: two-way flow through an open door by warmth and wind, for the seconds that it stands open. */
  function doors(h: number): void {
    const k = h % 24
    const share = k >= 8 && k < 18 ? min(1, m.door.secondsPerHour / HOUR) : 0
    const flow = 0.2 * m.door.areaM2 * sqrt(9.81 * 2 * abs(v[AIR]! - v[OUT]!) / 290 + 0.05 * v[WIND]! * v[WIND]!)
    doorWK = share * flow * v[DENSITY]! * AIR_HEAT
    v[DOOR] = doorWK
    // Through a lobby the same air passes two doors; the shut inner door leaks a little heat besides.
    v[LOBBY_DOOR] = doorWK + 2 * m.door.areaM2
  }

  function rowCover(h: number): void {
    const drawn = m.rowCover.on && site.globalWm2[h]! < 30 && v[AIR]! < m.rowCover.belowC
    v[ROW_DRAWN] = drawn ? 1 : 0
    v[ROW_TIE] = m.bedAreaM2 * (drawn ? ROW_CLOSED : ROW_OPEN)
  }

  /** Heat from lamps, people, panels, compost and loops: to the air, and to cells. */
  function devices(h: number, span: number): void {
    let airW = m.airSun[h]! * v[LIGHT]!
    v[VAPOUR] = 0
    if (sources.lampsW) {
      const w = sources.lampsW[h]!
      const light = beds.length > 0 ? sources.lampLightShare * w : 0
      airW += w - light
      for (const c of beds) source[offset[c + 1]! - 1]! += light * area[c]! / m.bedAreaM2
      gainedJ[GAIN.lamps]! += w * span
    }
    if (sources.peopleCount) {
      const n = sources.peopleCount[h]!
      airW += n * PERSON_W
      v[VAPOUR]! += n * PERSON_WATER
      gainedJ[GAIN.people]! += n * (PERSON_W + LATENT * PERSON_WATER) * span
    }
    if (sources.solarAir && v[AIR]! < v[START]!) {
      // The flow of the panel's fan bounds what it brings.
      const w = min(sources.solarAir.areaM2 * airPanelWm2(sources.solarAir.sun[h]!, v[AIR]!, v[OUT]!), sources.solarAir.massFlow * AIR_HEAT * 40)
      airW += w
      gainedJ[GAIN['solar air panel']]! += w * span
    }
    const waterC = firstWater >= 0 ? T[firstWater]! : 99
    if (sources.solarWater && waterC < 55) {
      const w = sources.solarWater.areaM2 * waterPanelWm2(sources.solarWater.sun[h]!, waterC, v[OUT]!)
      source[firstWater]! += w
      gainedJ[GAIN['solar water panel']]! += w * span
    }
    if (sources.dumpW) {
      const w = sources.dumpW[h]!
      // Into the water until it is hot, then nowhere: without water it warms the air while that is not hot.
      const toWater = firstWater >= 0 && waterC < 55
      const toAir = firstWater < 0 && v[AIR]! < v[START]!
      if (toWater) source[firstWater]! += w
      if (toAir) airW += w
      if (toWater || toAir) gainedJ[GAIN['dump load']]! += w * span
    }
    if (sources.compostW) {
      const w = sources.compostW[h]!
      airW += toBeds(w)
      gainedJ[GAIN.compost]! += w * span
    }
    if (sources.bedLoop && beds.length > 0) {
      const soil = T[m.probes.soil]!
      let heat = 0
      for (const c of beds) {
        const i = m.probes.soil - offset[beds[0]!]! + offset[c]!
        heat += max(0, (sources.bedLoop.setPointC - soil) * capacity[i]! / span)
      }
      const w = min(sources.bedLoop.capacityW, heat)
      toBeds(w)
      gainedJ[GAIN['bed loop']]! += w * span
    }
    v[AIR_W] = airW
  }

  /** Spreads heat over the middle of the beds' soil; returns what finds no bed. */
  function toBeds(w: number): number {
    if (beds.length === 0) return w
    const row = m.probes.soil - offset[beds[0]!]!
    for (const c of beds) source[offset[c]! + row]! += w * area[c]! / m.bedAreaM2
    return 0
  }

  /** Adds what passes along links to their cells, W; returns what leaves the building. */
  function pass({ a, b, g, edgeFrom }: Links, to: Float64Array): number {
    const temperature = T
    const count = g.length
    let edge = 0
    for (let l = 0; l < count; l++) {
      const i = a[l]!
      const j = b[l]!
      const q = g[l]! * (temperature[i]! - temperature[j]!)
      to[i]! -= q
      to[j]! += q
      if (l >= edgeFrom) edge += q
    }
    return edge
  }

  function sideways(h: number, span: number): void {
    if (h % 6 < span / HOUR || Number.isNaN(slowEdge)) {
      slowSource.fill(0)
      slowEdge = pass(m.slow, slowSource)
    }
    source.set(slowSource)
    for (let k = 0; k < fed.length; k++) {
      const i = fed[k]!
      source[i]! += pending[i]! / span
      pending[i] = 0
    }
    lostJ[LOSS.ground]! += (pass(m.quick, source) + slowEdge) * span
  }

  function prepare(h: number, dt: number, span = HOUR): void {
    hour = h
    weather(h)
    const covered = m.drawn[h]!
    v[LIGHT] = (1 - covered * (1 - m.coverLeak)) * (1 - DROPS * min(1, v[WET]! / (1e-9 + 0.03 * glassArea)))
    sideways(h, span)
    airing(h)
    doors(h)
    rowCover(h)
    devices(h, span)
    const supplyT = storeAir.prepare(span)
    v[AIR_W]! += v[FAN_W]!
    gainedJ[GAIN.fans]! += v[FAN_W]! * span
    if (v[SUPPLY]! > 0) v[TIE_T]! += v[SUPPLY]! * supplyT
    const bedLight = m.bedLight[h]! * v[LIGHT]!
    transpiration(v[AIR]!, v[PRESSURE]!, bedLight, m.leafArea, leaf)
    v[LEAF_SUN] = leaf.fixed * m.bedAreaM2
    v[LEAF_DRAW] = leaf.draw * m.bedAreaM2
    v[SOIL_DRAW] = SOIL_EVAPORATION * m.bedAreaM2
    eliminate(h, dt, covered)
    outsideGround(v[OUT]! + 1, site.snowM[h]!, span)
    for (let i = m.deepFrom; i < m.cellCount; i++) T[i]! += source[i]! * span * perJoule[i]!
  }

  let glassArea = 0
  for (let c = 0; c < count; c++) if (glazed[c]) glassArea += area[c]!

  /** Conductance between a value open and one drawn, by the share of the hour that it is drawn: their resistances mix. */
  function mixed(open: number, drawn: number, share: number): number {
    return share <= 0 ? open : share >= 1 ? drawn : 1 / ((1 - share) / open + share / drawn)
  }

  function eliminate(h: number, dt: number, covered: number): void {
    const outside = v[OUT]!
    const sky = site.skyC[h]!
    const windFilm = outsideFilm(v[WIND]!)
    const skyFilm = radiativeFilm((outside + sky) / 2, EMISSIVITY)
    const light = v[LIGHT]!
    const row = h * count
    let starSky = 0
    let starSkyT = 0
    let sun = m.airSun[h]! * light
    const anew = dt !== lastDt
    if (anew) for (let i = 0; i < cells; i++) store[i] = capacity[i]! / dt
    for (let c = 0; c < count; c++) {
      const i0 = offset[c]!
      const i1 = offset[c + 1]! - 1
      const kind = tie[c]!
      let changed = anew
      if (kind === OUTSIDE) {
        const view = skyView[c]!
        const toSky = skyFilm * view
        const toAir = windFilm + skyFilm * (1 - view)
        let g = area[c]! * (toSky + toAir)
        if (glazed[c]) {
          between[i0] = mixed(m.paneOpen[c]!, m.paneDrawn[c]!, covered)
          between[i0 + 1] = mixed(2000 * area[c]!, m.insideDrawn[c]!, covered)
          if (covered > 0 && m.outsideDrawn[c]! > 0) g = mixed(g, 1 / (1 / g + 1 / m.outsideDrawn[c]!), covered)
          const through = area[c]! * m.longwaveThrough[c]! * skyFilm * light
          film[c] = through
          filmT[c] = view * sky + (1 - view) * outside
          starSky += through
          starSkyT += through * filmT[c]!
        }
        outG[c] = g
        outT[c] = (toSky * sky + toAir * outside) / (toSky + toAir)
        base[i0]! += m.outerSun[row + c]!
        changed = true
      }
      else if (kind === HOUSE) {
        outG[c] = area[c]! / HOUSE_FILM
        outT[c] = m.houseC
      }
      else if (kind === BURIED) {
        let t = 0
        for (let r = 0; r < m.buried.g.length; r++) t += m.buried.g[r]! * T[m.buried.cell[r]!]!
        outG[c] = buriedSum * m.buried.share[c]!
        outT[c] = t / buriedSum
      }
      base[i0]! += outG[c]! * outT[c]!
      const pane = m.paneSun[row + c]! / 2
      if (pane > 0) {
        base[i0]! += pane
        base[i0 + 1]! += pane
        sun += 2 * pane
      }
      const faceSun = m.faceSun[row + c]! * light
      if (faceSun > 0) {
        base[i1]! += faceSun
        sun += faceSun
      }
      if (m.waterKg[c]! > 0) {
        const now = iceKg[c]! > 0 && iceKg[c]! < m.waterKg[c]! ? 1 : 0
        if (now !== held[c]) changed = true
        held[c] = now
        store[i0] = now ? HELD : capacity[i0]! / dt
      }
      if (!changed) continue
      let before = outG[c]!
      for (let i = i0; i < i1; i++) {
        const g = between[i]!
        const p = 1 / (store[i]! + before + g)
        const f = g * p
        pivot[i] = p
        factor[i] = f
        before = g - g * f
      }
      head[c] = store[i1]! + before
    }
    v[STAR_SKY] = starSky
    v[STAR_SKY_T] = starSkyT
    v[SUN_IN] = sun
    lastDt = dt
  }

  /** Tallies the block and passes on what the ground and the stores got from it. */
  function end(span = HOUR): void {
    const row = hour * count
    const starMean = sums[SUM_STAR]! / span
    for (let c = 0; c < count; c++) {
      const mean = firstSum[c]! / span
      firstSum[c] = 0
      const kind = tie[c]!
      if (kind === GROUND || outG[c] === 0) continue
      let out = outG[c]! * (mean - outT[c]!)
      if (kind === BURIED) {
        const share = m.buried.share[c]!
        for (let r = 0; r < m.buried.g.length; r++) pending[m.buried.cell[r]!]! += m.buried.g[r]! * share * (mean - T[m.buried.cell[r]!]!) * span
      }
      else if (kind === OUTSIDE) {
        out -= m.outerSun[row + c]!
        if (glazed[c]) out += film[c]! * (starMean - filmT[c]!)
      }
      lostJ[m.lossIndex[c]!]! += out * span
    }
    gainedJ[GAIN.sun]! += v[SUN_IN]! * span
    gainedJ[GAIN.heater]! += sums[SUM_HEAT]! * (1 + LATENT * sources.heaterWater)
    lostJ[LOSS['air leaks']]! += sums[SUM_LEAK]!
    if (m.lobby.areaM2 > 0) lostJ[LOSS['air leaks']]! += lobbyWK() * (sums[SUM_LOBBY]! - v[OUT]! * span)
    lostJ[LOSS.vents]! += sums[SUM_VENT]!
    lostJ[LOSS['damp air']]! += sums[SUM_DAMP]!
    lostJ[LOSS.ground]! -= storeAir.end(sums[SUM_AIR]! / span, sums[SUM_MOIST]! / span, span)
    mixLayers()
    sums.fill(0)
  }

  /** Water in layers overturns when a lower one is warmer than the one above. */
  function mixLayers(): void {
    for (let pass = 1; pass < m.layered.length; pass++) {
      for (let k = 1; k < m.layered.length; k++) {
        const low = m.layered[k - 1]!
        const high = m.layered[k]!
        if (iceKg[low]! > 0 || iceKg[high]! > 0) continue
        const a = offset[low]!
        const b = offset[high]!
        if (T[a]! > T[b]!) T[a] = T[b] = (T[a]! + T[b]!) / 2
      }
    }
  }

  /** Heat on its way to cells of the building, and in rock, J. */
  function inTransitJ(): number {
    let sum = storeAir.heatJ()
    for (let i = 0; i < cells; i++) sum += pending[i]!
    for (let i = m.deepFrom; i < m.cellCount; i++) sum += pending[i]!
    return sum
  }

  return { prepare, end, lobbyWK, inTransitJ, store, base, pivot, factor, head, held, storeC: storeAir.storeC }
}
