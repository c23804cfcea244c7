import { AIR_STORE } from '../../air-stores/registry'
import { BODY } from '../../bodies/registry'
import { MOST_BODIES } from '../../bodies/common'
import { MATERIALS } from '../../catalog'
import { choice, entryOf, group, list, orNull, share, thickness } from '../field'
import { PART_CHOICES } from './parts'
import { layer } from './skin'

/** So many air stores may lie under and beside a house. */
const MOST_AIR_STORES = 8

/** So many linings a house may have. */
const MOST_LININGS = 8

/** Mass on the inner face of a solid part. */
export const LINING = group(
  {
    part: choice(PART_CHOICES, { start: 'backWall', label: 'On' }),
    material: entryOf(MATERIALS, { start: 'brick', label: 'Material' }),
    thicknessM: thickness(0.005, 1, { start: 0.12, step: 0.05, label: 'Thickness' }),
  },
  { label: 'Lining #' },
)

/** What keeps heat. */
export const STORE = group(
  {
    bodies: list(BODY, 0, MOST_BODIES, {
      start: [],
      label: 'Bodies',
      about: 'what stands in the room and keeps heat, each of a kind',
    }),
    reach: share(0.1, 1, {
      start: 1,
      label: 'Of them, what the air reaches',
      hint: 'Less where bodies stand close or behind beds.',
      about: 'share of all bodies that takes part in the heat of the room, as readings found it; 1: all',
    }),
    linings: list(LINING, 0, MOST_LININGS, {
      start: [],
      label: 'Linings',
      about: 'mass on the inner faces of solid parts, inside their own layers',
    }),
    floor: group(
      {
        path: orNull(list(layer('layer #'), 1, 8, { label: 'Layers' }), {
          start: null,
          label: 'Path',
          about: 'the widest way through, from below upwards; null: as the rest',
        }),
        beds: list(layer('layer #'), 0, 8, {
          start: [],
          label: 'Under the beds',
          about: 'between the ground and the soil of the beds, from below upwards',
        }),
        rest: list(layer('layer #'), 0, 8, {
          start: [],
          label: 'Floor',
          about: 'from below upwards; none for bare earth',
        }),
      },
      { label: 'Floor' },
    ),
    airStores: list(AIR_STORE, 0, MOST_AIR_STORES, {
      start: [],
      label: 'Air stores',
      about: 'ground and rock that a fan blows air through, each of a kind',
    }),
  },
  { label: 'Store' },
)
