import { AIR_STORE } from '../../air-stores/registry'
import { BODY } from '../../bodies/registry'
import { MOST_BODIES } from '../../bodies/common'
import { MATERIALS } from '../../catalog'
import { entryOf, group, list, orNull, thickness } from '../field'
import { layer } from './skin'

/** So many air stores may lie under and beside a house. */
const MOST_AIR_STORES = 8

const lining = (label: string, most: number, step: number, hint = '') =>
  group(
    {
      material: entryOf(MATERIALS, { label }),
      thicknessM: thickness(0, most, { step, label: 'Thickness', hint, about: '0 for none' }),
    },
    { label },
  )

/** What keeps heat. */
export const STORE = group(
  {
    bodies: list(BODY, 0, MOST_BODIES, {
      start: [],
      label: 'Bodies',
      about: 'what stands in the room and keeps heat, each of a kind',
    }),
    massWall: lining('Inner face of the back wall', 1, 0.05, '0 leaves the wall’s own layers bare.'),
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
