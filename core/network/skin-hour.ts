import { FILM_INSIDE } from '../physics/constants'
import { outsideFilm, radiativeFilm } from '../air/films'
import { shareUnder } from '../optics/snow'
import { EMISSIVITY, OPEN_COVER } from './chains'
import { SNOW } from './ground-outside'
import type { Memory } from './memory'
import { BURIED, chainsTied, HOUSE, OUTSIDE, type NetworkModel } from './model'
import { OUT, SKY, STAR_SKY_G, STAR_SKY_W, SUN_IN, WIND } from './room'

/** Standard film inside a house, m²K/W. */
const HOUSE_FILM = 0.13

/** The outer sides of the chains in an hour: sun, wind, air, sky, snow, the ground and a heated house. */
export function makeSkinHour(memory: Memory) {
  const { v, T, source, between, offset, area, glazed, suns, light, covered, coverWet, onPanes, through } = memory
  const { outG, outT, toSkyG, toSkyT, outerSun } = memory
  const { chains } = memory.size
  const skyView = memory.doubles(chains)
  const longwaveThrough = memory.doubles(chains)
  const paneOpen = memory.doubles(chains)
  const paneDrawn = memory.doubles(chains)
  const insideDrawn = memory.doubles(chains)
  const outsideDrawn = memory.doubles(chains)
  const outsideWetter = memory.doubles(chains)
  const sunCell = memory.ints(memory.size.suns)
  const sunChain = memory.ints(memory.size.suns)
  const sunCover = memory.ints(memory.size.suns)
  const coverOf = memory.ints(chains)
  let m!: NetworkModel
  let airSun!: Float32Array
  let outsides: number[] = []
  let burieds: number[] = []
  let houses: number[] = []
  let buriedSum = 0
  let bankR = 0

  /** @param sunOnAir sun that warms the air at once, W by hour and cover */
  function lay(model: NetworkModel, sunOnAir: Float32Array): void {
    m = model
    airSun = sunOnAir
    outsides = chainsTied(m, OUTSIDE)
    burieds = chainsTied(m, BURIED)
    houses = chainsTied(m, HOUSE)
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
    sunCell.set(m.sun.cell)
    sunChain.set(m.sun.chain)
    sunCover.set(m.sun.cover)
    coverOf.set(m.coverOf)
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
  function weatherOn(h: number, longwaveDry: number): void {
    const outside = v[OUT]!
    const sky = v[SKY]!
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
        toSkyG[c] = straight
        toSkyT[c] = view * sky + (1 - view) * outside
        starSky += straight
        starSkyT += straight * toSkyT[c]!
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

  /** Walls against a heated house. */
  function againstHouse(): void {
    for (let k = 0; k < houses.length; k++) {
      const c = houses[k]!
      source[offset[c]!]! += outG[c]! * outT[c]!
    }
  }

  return { lay, lightUp, weatherOn, underground, againstHouse }
}
