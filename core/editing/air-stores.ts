import { anAirStore, type AirStore, type AirStoreKindId } from '../air-stores/registry'
import type { Design } from '../design/types'
import { freeRoomM } from '../geometry/pipes'

const tenths = (v: number) => Math.floor(v * 10 + 1e-9) / 10

/** A fresh air store of a kind, no larger than what is under this house. */
export function airStoreFor({ shape }: Pick<Design, 'shape'>, kind: AirStoreKindId): AirStore {
  const made = anAirStore(kind)
  const { acrossM, alongM } = freeRoomM(shape)
  if (made.kind === 'earth store')
    return {
      ...made,
      pipeLengthM: Math.max(1, tenths(alongM)),
      pipes: Math.max(1, Math.min(made.pipes, Math.floor((acrossM - made.pipeDiameterM) / made.spacingM + 1e-9) + 1)),
    }
  // A fifth of the floor is as much as one fan keeps warm.
  if (made.kind === 'rock bed')
    return { ...made, areaM2: Math.max(0.5, tenths(Math.min(made.areaM2, 0.2 * shape.widthM * shape.lengthM))) }
  return made
}
