import { availableParallelism } from 'node:os'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import type { H3Event } from 'h3'
import Piscina from 'piscina'
import { LARGEST_DESIGN } from '../../formats/design-json'
import { readLimited } from './body'
import type { Reply, Task } from './year-work'

const TIME_LIMIT_MS = 20_000
/** Runs that may wait for a free thread; more are sent away. */
const WAITING = 4

const THREADS = Math.max(1, availableParallelism() - 1)

let pool: Piscina<Task, Reply> | null = null
/** Runs on the threads and waiting for one. */
let inHand = 0

/** Threads that work years out, apart from the one that listens. */
function threads(): Piscina<Task, Reply> {
  pool ??= new Piscina({
    // Bundled beside the server when the app is built (nuxt.config.ts).
    filename: new URL('./year-work.mjs', import.meta.url).href,
    maxThreads: THREADS,
    minThreads: 1,
    idleTimeout: 60_000,
  })
  return pool
}

const zip = promisify(gzip)
/** Below this packing is not worth it, bytes. */
const SMALL = 1400

/** JSON for a request, packed where it is long and the asker can read that. */
async function packed(event: H3Event, body: unknown): Promise<unknown> {
  const text = JSON.stringify(body)
  if (text.length < SMALL || !/\bgzip\b/.test(getRequestHeader(event, 'accept-encoding') ?? '')) return body
  setResponseHeaders(event, {
    'content-type': 'application/json',
    'content-encoding': 'gzip',
    'vary': 'accept-encoding',
  })
  return zip(text)
}

/** Sends a request away with a status and sentences. */
export function refuse(event: H3Event, status: number, ...lines: string[]): { ok: false; faults: []; lines: string[] } {
  setResponseStatus(event, status)
  return { ok: false, faults: [], lines }
}

/**
 * Answers a request whose body is a design document with work on a thread of its own: 413 for a document that is too
 * large, 429 while too many wait, 503 past the time limit. A request that its sender gives up is dropped.
 */
export async function answerByThread(event: H3Event, task: Omit<Task, 'text'>): Promise<unknown> {
  const text = await readLimited(event, LARGEST_DESIGN)
  if (text === null) return refuse(event, 413, 'The document is larger than 2 MB.')
  if (inHand >= THREADS + WAITING) {
    event.node.res.setHeader('retry-after', '2')
    return refuse(event, 429, 'Too many runs are waiting. Try again in a few seconds.')
  }
  inHand++
  const late = AbortSignal.timeout(TIME_LIMIT_MS)
  const gone = new AbortController()
  event.node.res.once('close', () => {
    if (!event.node.res.writableFinished) gone.abort()
  })
  try {
    const reply = await threads().run({ ...task, text }, { signal: AbortSignal.any([late, gone.signal]) })
    setResponseStatus(event, reply.status)
    return packed(event, reply.body)
  } catch (error) {
    if (late.aborted)
      return refuse(
        event,
        503,
        'The run took longer than 20 s and was stopped. Try again when the machine is less busy.',
      )
    if (gone.signal.aborted) return refuse(event, 499, 'The request was given up.')
    throw error
  } finally {
    inHand--
  }
}
