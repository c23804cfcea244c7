import type { Design } from '../core/design'
import { straight } from './straight'

/** Each bed cut lengthwise into strips, in the same place and with the same leaf. */
export function cutBeds(design: Design, into: number): Design {
  const beds = straight(design).flatMap(b =>
    Array.from({ length: into }, (_, k) => ({ ...b, atM: b.atM + (k * b.widthM) / into, widthM: b.widthM / into })),
  )
  return { ...design, shape: { ...design.shape, beds } }
}

/** Every bed with so much leaf. */
export const leafed = (design: Design, leafArea: number): Design => ({
  ...design,
  shape: { ...design.shape, beds: design.shape.beds.map(b => ({ ...b, leafArea })) },
})
