import type { RoomObject } from './objects'
import type { SurfaceId } from './surfaces'

/** Where light can land in the room. */
export type FaceId = SurfaceId | BedFace | BedSide | LeafFace | BedMeter | 'benches' | 'shade strip' | BodyFace

/** The top of a bed, where its plants stand, and its sides, by its place in the document. */
export type BedFace = `bed ${number}`
export type BedSide = `side of bed ${number}`
export const bedFace = (index: number): BedFace => `bed ${index}`
export const bedSide = (index: number): BedSide => `side of bed ${index}`
/** Which bed a face is the top of; −1 where it is of none. */
export const bedOfFace = (face: string): number => Number(/^bed (\d+)$/.exec(face)?.[1] ?? -1)

/** The leaves on a bed, and a meter that lies level on top of them. */
export type LeafFace = `leaves of bed ${number}`
export type BedMeter = `light on bed ${number}`
export const leafFace = (index: number): LeafFace => `leaves of bed ${index}`
export const bedMeter = (index: number): BedMeter => `light on bed ${index}`

/** The face of a body, by its place in the document. */
export type BodyFace = `body ${number}`
export const bodyFace = (index: number): BodyFace => `body ${index}`
/** Which body a face is of; −1 where it is of none. */
export const bodyOfFace = (face: string): number => Number(/^body (\d+)$/.exec(face)?.[1] ?? -1)

/** The face that an object belongs to. */
export function faceOfObject(o: Pick<RoomObject, 'kind' | 'index'>): FaceId {
  return o.kind === 'bed' ? bedFace(o.index) : o.kind === 'bench' ? 'benches' : bodyFace(o.index)
}
