import type { SiteYear } from '../climate'
import { sizeOf, type Size } from './memory'
import type { NetworkModel } from './model'
import { makeLoop, type Loop, type Stepper } from './stepper'

/** A stepper of its own for a model: as long as it is held, it keeps its state. */
export function makeStepper(model: NetworkModel, site: SiteYear): Stepper {
  return makeLoop(sizeOf(model)).lay(model, site)
}

/** Room for any usual house: what is larger gets a loop of its size. */
const USUAL: Size = {
  chains: 64,
  cells: 1024,
  links: 1024,
  suns: 128,
  stores: 4,
  storeCells: 256,
  covers: 4,
  openings: 12,
  orifices: 32,
  sources: 8,
  fans: 4,
}

let own: Loop | null = null

/**
 * The thread's own stepper, laid out for a model. It invalidates earlier ones. A run goes through without a
 * pause, so one is enough; and a loop that is made once is compiled with its arrays as constants, which makes it two to
 * three times as fast (docs/decisions/0002).
 */
export function ownStepper(model: NetworkModel, site: SiteYear): Stepper {
  const size = sizeOf(model)
  if (!own || !fits(size, own.size)) own = makeLoop(largest(size, own?.size ?? USUAL))
  return own.lay(model, site)
}

const fits = (a: Size, b: Size) => Object.keys(a).every(k => a[k as keyof Size] <= b[k as keyof Size])
const largest = (a: Size, b: Size) =>
  Object.fromEntries(Object.keys(a).map(k => [k, Math.max(a[k as keyof Size], b[k as keyof Size])])) as unknown as Size
