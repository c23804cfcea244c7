import { simulatedForecast } from '../../core/climate'
import { createYearEngine } from '../../core/year'
import { LARGEST_DESIGN, readDesign } from '../../formats/design-json'

/** A week ahead for a design's site: a stand-in for a weather service, made from the design's own year and said to be so. `?day=` day of year, 0–364. */
export default defineEventHandler(async (event) => {
  const text = await readRawBody(event) ?? ''
  const day = Number(getQuery(event).day ?? 0)
  const read = text.length > LARGEST_DESIGN ? null : readDesign(text)
  if (!read || !read.ok || !(Number.isInteger(day) && day >= 0 && day < 365)) {
    setResponseStatus(event, 400)
    return { ok: false, message: read?.ok ? 'The day is a whole number from 0 to 364.' : 'A design document is needed.' }
  }
  const { design } = read
  return { ok: true, simulated: true, days: simulatedForecast(createYearEngine().site(design), day, 7, design.site.seed) }
})
