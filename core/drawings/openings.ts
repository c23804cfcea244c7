import type { Design } from '../design/types'
import type { Outline } from '../geometry/section'
import { openingPolygons } from '../geometry/surfaces'

/** Openings as they are drawn: all of a section's; of a dome, whose vents are facets of it, its doors and windows. */
export const shownOpenings = (design: Design, outline: Outline): ReturnType<typeof openingPolygons> =>
  openingPolygons(design, outline).filter(
    ({ index }) => outline.form !== 'dome' || ['door', 'window'].includes(design.skin.openings[index]!.kind),
  )
