import type { H3Event } from 'h3'

/** The request's body as text, or null as soon as it passes the limit in bytes. */
export async function readLimited(event: H3Event, limit: number): Promise<string | null> {
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > limit) return null
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of event.node.req as AsyncIterable<Uint8Array>) {
    size += part.length
    if (size > limit) return null
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}
