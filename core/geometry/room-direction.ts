import { RAD } from '../physics/constants'
import type { Building, Vec } from './surfaces'

const { cos, sin } = Math

/** A direction given as east, north, up in the room's own: poleward, towards the east end, up. */
export function roomDirection(
  building: Pick<Building, 'sunnyAzimuthDeg' | 'eastAzimuthDeg'>,
  e: number,
  n: number,
  u: number,
): Vec {
  const pole = (building.sunnyAzimuthDeg + 180) * RAD
  const along = building.eastAzimuthDeg * RAD
  return [e * sin(pole) + n * cos(pole), e * sin(along) + n * cos(along), u]
}
