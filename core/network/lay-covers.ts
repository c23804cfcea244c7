import { fittedCover } from '../catalog'
import { HOURS, type SiteYear } from '../climate'
import type { Building, PaneCover } from '../geometry/surfaces'
import { coverConductance, coveredResistance, glazingConductance } from '../optics/glazing-heat'
import type { SolarGains } from '../optics/gains'
import type { People } from '../people/presence'
import { FILM_INSIDE, FILM_OUTSIDE } from '../physics/constants'
import { OPEN_COVER, type Chain } from './chains'
import { icedCover } from './iced-cover'
import type { ByGain, NetworkModel } from './model'
import { goesByGain, movable } from './schedule'

export function makeByGain(
  building: Building,
  chains: readonly Chain[],
  gains: SolarGains,
  people: People,
): (ByGain | null)[] {
  const films = FILM_INSIDE + FILM_OUTSIDE
  const glass = new Set<string>(gains.panes.map(p => p.id))
  return building.covers.map((cover, k) => {
    if (!goesByGain(cover)) return null
    const keepsWK = chains
      .filter(c => c.kind === 'glazing' && c.cover === k)
      .reduce(
        (sum, c) =>
          sum + c.areaM2 * (1 / (films + c.resistance) - 1 / (films + coveredResistance(c.resistance, cover))),
        0,
      )
    const lightW = new Float32Array(HOURS)
    gains.byCover[k]!.faces.forEach((watts, i) => {
      // What goes back out through glass is worth nothing.
      if (glass.has(gains.faces[i]!.id) || gains.faces[i]!.meter) return
      for (let h = 0; h < HOURS; h++) lightW[h]! += watts[h]!
    })
    return { lightW, keepsWK, movable: movable(cover, people) }
  })
}

/** What lies on a cover outside the panes; null for one that hangs dry. */
export function icedOf(site: SiteYear, cover: PaneCover): NetworkModel['iced'][number] {
  if (cover.boards || cover.id === 'none' || cover.place !== 'outside') return null
  const { holdsKgM2 } = fittedCover(cover)
  const { waterKgM2, fast } = icedCover(site, holdsKgM2)
  return { wet: waterKgM2.map(kg => Math.min(1, kg / holdsKgM2)), fast }
}

export function glazingArrays(building: Building, chains: readonly Chain[]) {
  const blank = () => new Float64Array(chains.length)
  const out = { open: blank(), drawn: blank(), insideDrawn: blank(), outsideDrawn: blank(), outsideWetter: blank() }
  chains.forEach((c, i) => {
    if (c.kind !== 'glazing') return
    const { place, ...kind } = building.covers[c.cover]!
    const cover = fittedCover(kind)
    const there = cover.resistance > 0
    out.open[i] = c.areaM2 / c.resistance
    out.drawn[i] = there && place === 'between' ? glazingConductance(c.resistance, cover) * c.areaM2 : out.open[i]!
    out.insideDrawn[i] = there && place === 'inside' ? coverConductance(cover) * c.areaM2 : OPEN_COVER * c.areaM2
    if (!there || place !== 'outside') return
    const wet = { ...cover, resistance: cover.wetResistance }
    out.outsideDrawn[i] = coverConductance(cover) * c.areaM2
    out.outsideWetter[i] = coverConductance(wet) * c.areaM2 - out.outsideDrawn[i]!
  })
  return out
}

/** Leaves that are no panes and boarded up. */
export function boardedOf(building: Building, chains: readonly Chain[], offset: Int32Array): NetworkModel['boarded'] {
  return chains.flatMap((c, i) => {
    if (c.kind === 'glazing' || c.cover < 0) return []
    const openWK = c.between.at(-1)!
    const boardsWK = coverConductance(fittedCover(building.covers[c.cover]!)) * c.areaM2
    const drawnWK = 1 / (1 / openWK + 1 / boardsWK)
    return [{ link: offset[i + 1]! - 2, cover: c.cover, openWK, drawnWK }]
  })
}
