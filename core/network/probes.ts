import type { Chain } from './chains'
import type { NetworkModel } from './model'

/** Cells and chains that the year's readers look at. */
export function makeProbes(chains: readonly Chain[], offset: Int32Array): NetworkModel['probes'] {
  const last = (i: number) => offset[i + 1]! - 1
  const find = (test: (c: Chain) => boolean) => chains.findIndex(test)
  const bed = find(c => c.bed)
  const beds = Math.max(...chains.map(c => c.bedIndex)) + 1
  const roots = Array.from({ length: beds }, (_, b) =>
    Int32Array.from(chains.flatMap((c, i) => (c.bedIndex === b ? [offset[i]! + c.rootCell] : []))),
  )
  const floor = find(c => c.column >= 0 && !c.bed)
  const ground = bed >= 0 ? bed : floor
  const back = find(c => c.face === 'back wall' || c.face === 'dome roof' || c.face === 'riser wall')
  return {
    soil: bed >= 0 ? roots : [Int32Array.of(last(ground) - 1)],
    floor: last(floor >= 0 ? floor : ground),
    backWall: last(back >= 0 ? back : ground),
    glazing: offset[find(c => c.kind === 'glazing')]! + 1,
  }
}

/** Chains of each piece of skin. */
export function skinChains(chains: readonly Chain[]): NetworkModel['skin'] {
  const ids = [...new Set(chains.flatMap(c => c.skin ?? []))]
  return ids.map(id => ({ id, chains: Int32Array.from(chains.flatMap((c, i) => (c.skin === id ? [i] : []))) }))
}
