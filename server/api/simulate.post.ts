import type { H3Event } from 'h3'
import { faultLine } from '../../core/design'
import { RunStopped } from '../../core/network/run'
import { createYearEngine } from '../../core/year'
import { LARGEST_DESIGN, readDesign } from '../../formats/design-json'

const TIME_LIMIT_MS = 20_000

/** A design document in, the answers out. 400 with the faults, 413 over 2 MB, 503 past the time limit. */
export default defineEventHandler(async (event) => {
  const declared = Number(getRequestHeader(event, 'content-length') ?? 0)
  if (declared > LARGEST_DESIGN) return refuse(event, 413, ['The document is larger than 2 MB.'])
  const text = await readLimited(event.node.req, LARGEST_DESIGN)
  if (text === null) return refuse(event, 413, ['The document is larger than 2 MB.'])
  const read = readDesign(text)
  if (!read.ok) {
    setResponseStatus(event, 400)
    return { ok: false, faults: read.faults, lines: read.faults.map(faultLine) }
  }
  const deadline = performance.now() + TIME_LIMIT_MS
  try {
    return createYearEngine(() => performance.now()).run(read.design, { stop: () => performance.now() > deadline }).answers
  }
  catch (error) {
    if (error instanceof RunStopped) return refuse(event, 503, ['The run took longer than 20 s and was stopped. Try again when the machine is less busy.'])
    throw error
  }
})

function refuse(event: H3Event, status: number, lines: string[]) {
  setResponseStatus(event, status)
  return { ok: false, faults: [], lines }
}

/** The request's body as text, or null as soon as it passes the limit. */
async function readLimited(request: AsyncIterable<Uint8Array>, limit: number): Promise<string | null> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of request) {
    size += part.length
    if (size > limit) return null
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}
