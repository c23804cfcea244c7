import { findPlaces } from '../places'

/** Places by name, from a list that ships with the app: nothing leaves the machine. `?q=` of 2 to 60 letters. */
export default defineEventHandler(event => {
  const q = String(getQuery(event).q ?? '').trim()
  if (q.length < 2 || q.length > 60) {
    setResponseStatus(event, 400)
    return { ok: false, message: 'A name of 2 to 60 letters is needed.' }
  }
  return { ok: true, simulated: true, places: findPlaces(q, 8) }
})
