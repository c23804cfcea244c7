import { answerByThread } from '../threads/pool'

/**
 * A design document in, the answers out. 400 with the faults, 413 over 2 MB, 422 for a year that came to nothing, 429
 * while too many wait, 503 past the time limit.
 */
export default defineEventHandler(event => answerByThread(event, { kind: 'simulate' }))
