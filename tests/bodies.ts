import { NO_LIFE } from '../core/bodies/common'
import { WITH_WATER } from '../core/bodies/contents'
import type { Body, Design } from '../core/design'

type Drums = Extract<Body, { kind: 'drums' }>

/** The first row of barrels of a design, changed. */
export function barrelsOf(design: Pick<Design, 'store'>, patch: Partial<Drums> = {}): Drums {
  const found = design.store.bodies.find(b => b.kind === 'drums')
  if (!found) throw new Error('There are no barrels in this design.')
  return { ...found, ...patch }
}

/** One body of each other kind, as tests put them in. */
export const tank = (patch: Partial<Extract<Body, { kind: 'tank' }>>): Body => ({
  kind: 'tank',
  lengthM: 2,
  widthM: 0.8,
  heightM: 1,
  atM: 1.4,
  offsetM: 0,
  colour: 'black',
  openShare: 1,
  ...NO_LIFE,
  ...WITH_WATER,
  ...patch,
})
export const pond = (patch: Partial<Extract<Body, { kind: 'pond' }>>): Body => ({
  kind: 'pond',
  lengthM: 2,
  widthM: 1,
  depthM: 0.6,
  atM: 1.4,
  offsetM: 0,
  openShare: 1,
  ...NO_LIFE,
  ...patch,
})
export const wall = (patch: Partial<Extract<Body, { kind: 'wall' }>>): Body => ({
  kind: 'wall',
  material: 'gabion',
  thicknessM: 0.3,
  heightM: 1,
  atM: 2,
  lengthM: 0,
  offsetM: 0,
  ...patch,
})
