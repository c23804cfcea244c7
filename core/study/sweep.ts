import { fieldAt, valueAt, type Design, type Fault } from '../design'
import { designFaults, patchDesign } from '../editing'
import { inLight } from '../year'
import type { Brief } from './brief'

/** One decision that a sweep varies. */
export interface Vary {
  path: string
  values: readonly (number | string | boolean)[]
}

/** A design of a sweep, or why it can't be. */
export interface Swept {
  values: Record<string, number | string | boolean>
  design: Design | null
  fault: Fault | null
}

/** So many designs a sweep has at most. */
export const MOST_SWEPT = 2000

/** Numbers from one to another by a step, both ends in; within what doubles round off. */
export function stepped(from: number, to: number, step: number): number[] {
  const count = Math.floor((to - from) / step + 1e-9)
  return Array.from({ length: count + 1 }, (_, i) => Number((from + i * step).toPrecision(12)))
}

/**
 * A decision to vary as it is written: `path=from:to:step`, or `path=one,two` for words and single numbers.
 * @throws RangeError with a sentence for a person
 */
export function readVary(text: string, design: Design): Vary {
  const [, path, rest] = /^([^=]+)=(.+)$/.exec(text) ?? []
  if (!path || !rest) throw new RangeError(`“${text}” is no path=from:to:step`)
  const field = fieldAt(path, design)
  if (!field || valueAt(design, path) === undefined) throw new RangeError(`there is no ${path} in this design`)
  const range = rest.split(':').map(Number)
  if (range.length === 3 && range.every(Number.isFinite)) {
    const [from, to, step] = range as [number, number, number]
    if (field.kind !== 'number') throw new RangeError(`${path} is no number`)
    if (!(step > 0) || to < from)
      throw new RangeError(`${rest}: the step is above 0, and the second end not below the first`)
    if ((to - from) / step >= MOST_SWEPT) throw new RangeError(`${rest}: more than ${MOST_SWEPT} steps`)
    return { path, values: stepped(from, to, step) }
  }
  const values = rest.split(',').map(word => {
    if (field.kind === 'number') {
      if (word.trim() === '' || !Number.isFinite(Number(word))) throw new RangeError(`${word} is no number for ${path}`)
      return Number(word)
    }
    return field.kind === 'flag' ? word === 'true' : word
  })
  return { path, values }
}

/** Every combination of what one or two decisions are varied to, the last varying quickest. */
export const combinations = (varied: readonly Vary[]): Swept['values'][] =>
  varied.reduce<Swept['values'][]>(
    (all, { path, values }) => all.flatMap(one => values.map(v => ({ ...one, [path]: v }))),
    [{}],
  )

/** A design with values laid on it. */
export function swept(design: Design, values: Swept['values']): Swept {
  const made = patchDesign(design, Object.entries(values))
  const [fault] = designFaults(made)
  return fault ? { values, design: null, fault } : { values, design: made, fault: null }
}

/** The design of every combination. */
export const sweepDesigns = (design: Design, varied: readonly Vary[]): Swept[] =>
  combinations(varied).map(values => swept(design, values))

/**
 * Designs in the order in which they are best worked out: those that stand in the same light after each other, since an
 * engine remembers the light of the last ones alone. Otherwise as they come.
 */
export function byLight<T extends { design: Design }>(all: readonly T[]): T[] {
  const lights = new Map<string, T[]>()
  for (const one of all) {
    const light = inLight(one.design)
    const same = lights.get(light)
    if (same) same.push(one)
    else lights.set(light, [one])
  }
  return [...lights.values()].flat()
}

/** A point of a sweep: what was varied, and what the year says of it as the house is run. */
export interface SweepPoint extends Pick<Brief, 'coldestC' | 'heatKWh' | 'winterDli' | 'hottestC' | 'cost' | 'aYear'> {
  values: Record<string, number | string | boolean>
}

export const sweepPoint = (values: SweepPoint['values'], b: Brief): SweepPoint => ({
  values,
  coldestC: b.coldestC,
  heatKWh: b.heatKWh,
  winterDli: b.winterDli,
  hottestC: b.hottestC,
  cost: b.cost,
  aYear: b.aYear,
})
