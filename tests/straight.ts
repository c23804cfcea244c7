import type { BedAlong, Design } from '../core/design'

/** The beds of a house whose beds all lie along it. */
export const straight = ({ shape }: Pick<Design, 'shape'>): readonly BedAlong[] =>
  shape.beds.map(b => {
    if (b.kind !== 'bed') throw new Error('a bed does not lie along the house')
    return b
  })
