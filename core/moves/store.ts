import type { AirStoreKindId } from '../air-stores/registry'
import { airStoreFor } from '../editing/air-stores'
import { BODY_KINDS } from '../bodies/registry'
import type { Body, Design } from '../design/types'
import { changedBody, freeBody } from '../editing'
import { roomObjects } from '../geometry/objects'
import { partsOf } from '../geometry/parts'
import { makeOutline } from '../geometry/section'
import type { Move } from './move'

const kind = (name: Body['kind']) => BODY_KINDS.find(k => k.kind === name)!
/** Another body where there is room for one, as `alike` or fresh. */
function another(design: Design, name: Body['kind'], alike?: Body): [string, unknown][] | null {
  const made = (alike && freeBody(design, kind(name), alike, true)) ?? freeBody(design, kind(name), undefined, true)
  return made && roomObjects(design).length < 60 ? [['store.bodies', [...design.store.bodies, made]]] : null
}
const firstOf = (design: Design, name: Body['kind']) => design.store.bodies.find(b => b.kind === name)

const withStore = (design: Design, name: AirStoreKindId): [string, unknown][] | null => {
  const { airStores } = design.store
  if (airStores.some(s => s.on && s.kind === name)) return null
  return [['store.airStores', [...airStores, airStoreFor(design, name)]]]
}
const floored = ({ store }: Design) => [store.floor.rest, store.floor.path ?? []].some(l => l.length > 0)

/** Moves that keep more heat from the day for the night. */
export const STORE_MOVES: readonly Move[] = [
  {
    id: 'more-barrels',
    group: 'store',
    again: true,
    words: 'Set another row of barrels into the room',
    of: design => another(design, 'drums', firstOf(design, 'drums')),
  },
  {
    id: 'tank',
    group: 'store',
    words: 'Set in a tank of water',
    of: design => (firstOf(design, 'tank') ? null : another(design, 'tank')),
  },
  {
    id: 'stone-wall',
    group: 'store',
    words: 'Build a wall of stone in wire cages inside',
    of: design => (firstOf(design, 'wall') ? null : another(design, 'wall')),
  },
  {
    id: 'crates',
    group: 'store',
    words: 'Put crates of water bottles under the benches and along the wall',
    of: design => (firstOf(design, 'crates') ? null : another(design, 'crates')),
  },
  {
    id: 'dark-vessels',
    group: 'store',
    words: 'Paint all vessels black',
    of: ({ store }) =>
      store.bodies.some(b => 'colour' in b && b.colour !== 'black')
        ? [['store.bodies', store.bodies.map(b => ('colour' in b ? { ...b, colour: 'black' } : b))]]
        : null,
  },
  {
    id: 'mass-to-the-sun',
    group: 'store',
    words: (_, show) => `Move the barrels ${show(0.5, 'length')} towards the sun`,
    again: true,
    of: design => {
      const i = design.store.bodies.findIndex(b => b.kind === 'drums' && b.atM > 0.7)
      if (i < 0) return null
      const { atM } = design.store.bodies[i] as Extract<Body, { kind: 'drums' }>
      return changedBody(design, i, 'atM', Math.round((atM - 0.5) * 100) / 100)
    },
  },
  {
    id: 'lined-back-wall',
    group: 'store',
    words: (_, show) => `Line the back wall with ${show(0.12, 'thickness')} of brick`,
    of: ({ shape, store, skin }) =>
      !partsOf({ shape, skin }, makeOutline(shape)).includes('backWall') ||
      skin.parts.backWall.kind === 'glazed' ||
      store.linings.some(l => l.part === 'backWall')
        ? null
        : [['store.linings', [...store.linings, { part: 'backWall', material: 'brick', thicknessM: 0.12 }]]],
  },
  {
    id: 'stone-floor',
    group: 'store',
    words: 'Lay stone on sand over the bare floor',
    of: design =>
      floored(design)
        ? null
        : [
            [
              'store.floor.rest',
              [
                { material: 'sandy-soil', thicknessM: 0.08 },
                { material: 'stone', thicknessM: 0.05 },
              ],
            ],
          ],
  },
  {
    id: 'earth-store',
    group: 'store',
    before: 'backfill',
    words: 'Bury pipes under the floor, and let a fan store the day’s heat there',
    of: design => withStore(design, 'earth store'),
  },
  {
    id: 'rock-bed',
    group: 'store',
    before: 'backfill',
    words: 'Dig a bed of rock under the floor, with a fan',
    of: design => withStore(design, 'rock bed'),
  },
  {
    id: 'bed-channels',
    group: 'store',
    before: 'backfill',
    words: 'Blow warm air through channels under the beds',
    of: design => (design.shape.beds.length === 0 ? null : withStore(design, 'bed channels')),
  },
]
