import { answerByThread, refuse } from '../threads/pool'

/**
 * A week ahead for a design's site: a stand-in for a weather service, made from the design's own year and said to be
 * so. `?day=` day of year, 0–364.
 */
export default defineEventHandler(event => {
  const day = Number(getQuery(event).day ?? 0)
  if (!(Number.isInteger(day) && day >= 0 && day < 365))
    return refuse(event, 400, 'The day is a whole number from 0 to 364.')
  return answerByThread(event, { kind: 'forecast', day })
})
