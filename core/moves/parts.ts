import type { Design, PartId } from '../design/types'
import { partsOf } from '../geometry/parts'
import { makeOutline } from '../geometry/section'

/** Whether a design's form has a part, and it is glazed. */
export const glazedPart = (design: Pick<Design, 'shape' | 'skin'>, part: PartId): boolean =>
  design.skin.parts[part].kind === 'glazed' && partsOf(design, makeOutline(design.shape)).includes(part)

export const withPart = (part: PartId, kind: 'solid' | 'glazed'): [string, unknown] => [`skin.parts.${part}.kind`, kind]
