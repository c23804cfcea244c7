import type { Design } from '../design/types'
import { openingPolygons } from '../geometry/leaves'
import type { Outline } from '../geometry/section'

/** Openings as they are drawn: each leaf as it lies. */
export const shownOpenings = (design: Design, outline: Outline): ReturnType<typeof openingPolygons> =>
  openingPolygons(design, outline)
