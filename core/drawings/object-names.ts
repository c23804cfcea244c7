import { bodyName } from '../bodies/registry'
import type { Design } from '../design/types'
import type { RoomObject } from '../geometry/objects'

/** As drawings call a thing that stands in the room. */
export const objectName = ({ store }: Pick<Design, 'store'>, { kind, index }: RoomObject): string =>
  kind === 'body' ? bodyName(store.bodies, index).toLowerCase() : `${kind} ${index + 1}`
