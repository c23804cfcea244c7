import { HOURS } from '../climate'
import { bedSide } from '../geometry/faces'
import type { SolarGains } from '../optics/gains'
import type { Chain } from './chains'
import type { NetworkModel } from './model'

/**
 * Sunlight laid out hour by hour, so that the loop reads it in a line. What lands on things that keep no heat warms the
 * air.
 */
export function sunByChain(
  chains: readonly Chain[],
  gains: SolarGains,
  offset: Int32Array,
): Pick<NetworkModel, 'sun' | 'airSun'> {
  const lit: SunEntry[] = []
  const panes: SunEntry[] = []
  const outer: SunEntry[] = []
  const outerArea = new Map<string, number>()
  for (const c of chains) if (c.outer) outerArea.set(c.outer, (outerArea.get(c.outer) ?? 0) + c.areaM2)
  const sided = new Set(chains.map(c => c.sideOf))
  chains.forEach((c, chain) => {
    const first = offset[chain]!
    const face = offset[chain + 1]! - 1
    const light = (id: string | null) => {
      const at = gains.faces.findIndex(f => f.id === id)
      if (at >= 0)
        gains.byCover.forEach((under, cover) => {
          lit.push({ chain, cell: face, watts: under.faces[at]!, share: c.faceShare, cover })
        })
    }
    light(c.face)
    // Sides of next to no height are of the bed's top.
    if (c.bed && !sided.has(c.bedIndex)) light(bedSide(c.bedIndex))
    const add = (to: SunEntry[], cell: number, watts: Float32Array | undefined, share: number, cover = 0) => {
      if (watts) to.push({ chain, cell, watts, share, cover })
    }
    if (c.pane)
      for (const cell of [first, first + 1])
        add(panes, cell, gains.panes.find(p => p.id === c.pane)?.watts, 0.5, c.cover)
    if (c.outer) add(outer, first, gains.outer.find(o => o.id === c.outer)?.watts, c.areaM2 / outerArea.get(c.outer)!)
  })
  const entries = [...lit, ...panes, ...outer]
  const n = entries.length
  const watts = new Float32Array(HOURS * n)
  // Day by day, so that what is written stays near.
  for (let day = 0; day < HOURS; day += 24) entries.forEach((e, k) => spread(watts, day, n, k, e))
  const glass = new Set<string>(gains.panes.map(p => p.id))
  const kept = new Set(chains.flatMap(c => (c.bed ? [c.face, bedSide(c.bedIndex)] : [c.face])))
  const airSun = gains.byCover.map(({ faces }) => {
    const out = new Float32Array(HOURS)
    gains.faces.forEach((f, i) => {
      if (!kept.has(f.id) && !glass.has(f.id) && !f.meter)
        for (let h = 0; h < HOURS; h++) out[h] = out[h]! + faces[i]![h]!
    })
    return out
  })
  return {
    sun: {
      watts,
      cell: Int32Array.from(entries, e => e.cell),
      chain: Int32Array.from(entries, e => e.chain),
      cover: Int32Array.from(entries, e => e.cover),
      lit: lit.length,
      kept: lit.length + panes.length,
    },
    airSun: inTurns(airSun),
  }
}

/** Series by hour, laid side by side: `hour * series + which`. */
export function inTurns(series: readonly Float32Array[]): Float32Array {
  const n = series.length
  if (n === 1) return series[0]!
  const out = new Float32Array(HOURS * n)
  series.forEach((s, k) => {
    for (let h = 0; h < HOURS; h++) out[h * n + k] = s[h]!
  })
  return out
}

interface SunEntry {
  cover: number
  chain: number
  cell: number
  watts: Float32Array
  share: number
}

function spread(to: Float32Array, day: number, n: number, k: number, { watts, share }: SunEntry): void {
  for (let h = day; h < day + 24; h++) to[h * n + k] = watts[h]! * share
}
