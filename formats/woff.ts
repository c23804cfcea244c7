/** What a WOFF file begins with, and how long its header and each entry of its table of contents are, bytes. */
const SIGNATURE = 0x774f4646
const HEADER = 44
const ENTRY = 20

async function inflated(bytes: Uint8Array): Promise<Uint8Array> {
  const stream = new Blob([bytes as Uint8Array<ArrayBuffer>]).stream().pipeThrough(new DecompressionStream('deflate'))
  return new Uint8Array(await new Response(stream).arrayBuffer())
}

/**
 * The font that a WOFF file (version 1) packs: its tables unpacked, under a plain table of contents. W3C, WOFF File
 * Format 1.0. Throws RangeError for anything else.
 */
export async function unpackWoff(file: Uint8Array): Promise<Uint8Array> {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength)
  if (file.length < HEADER || view.getUint32(0) !== SIGNATURE) throw new RangeError('This is no WOFF font.')
  const count = view.getUint16(12)
  const tables = await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const at = HEADER + i * ENTRY
      const [tag, offset, packed, length, check] = [0, 4, 8, 12, 16].map(k => view.getUint32(at + k)) as [
        number,
        number,
        number,
        number,
        number,
      ]
      const bytes = file.subarray(offset, offset + packed)
      return { tag, length, check, bytes: packed < length ? await inflated(bytes) : bytes }
    }),
  )
  const padded = (n: number) => Math.ceil(n / 4) * 4
  const contents = 12 + 16 * count
  const out = new Uint8Array(tables.reduce((sum, t) => sum + padded(t.length), contents))
  const to = new DataView(out.buffer)
  const power = Math.floor(Math.log2(count))
  to.setUint32(0, view.getUint32(4))
  to.setUint16(4, count)
  to.setUint16(6, 16 * 2 ** power)
  to.setUint16(8, power)
  to.setUint16(10, 16 * count - 16 * 2 ** power)
  let at = contents
  tables.forEach((t, i) => {
    const entry = 12 + 16 * i
    to.setUint32(entry, t.tag)
    to.setUint32(entry + 4, t.check)
    to.setUint32(entry + 8, at)
    to.setUint32(entry + 12, t.length)
    out.set(t.bytes, at)
    at += padded(t.length)
  })
  return out
}
