import { AIR_STORE } from '../../air-stores/registry'
import { BODY } from '../../bodies/registry'
import { MOST_BODIES } from '../../bodies/common'
import { MATERIALS } from '../../catalog'
import { entryOf, group, list, thickness } from '../field'

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
    floor: lining('Floor', 0.5, 0.01),
    airStores: list(AIR_STORE, 0, MOST_AIR_STORES, {
      start: [],
      label: 'Air stores',
      about: 'ground and rock that a fan blows air through, each of a kind',
    }),
  },
  { label: 'Store' },
)
