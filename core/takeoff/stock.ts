/** A saw takes so much, m. */
export const KERF_M = 0.004

/** A length as sold, and the pieces that are cut from it. */
export interface StockCut {
  lengthM: number
  pieces: number[]
}

/** So much of a piece has to be left over for a butt joint to bear, and no piece is shorter, m. */
const LEAST_M = 0.3

/**
 * Cuts pieces from lengths as sold: the longest first, each from the first length that still has room, and each length
 * the one of those sold that leaves least over. What is longer than any is joined from several.
 * @param pieces lengths, m, each above 0
 * @param sold lengths, m, rising
 */
export function cutFromStock(pieces: readonly number[], sold: readonly number[]): StockCut[] {
  const longest = sold.at(-1)!
  const whole = pieces.flatMap(p => joined(p, longest))
  const used = (b: StockCut) => b.pieces.reduce((sum, p) => sum + p + KERF_M, 0)
  const trial = (length: number) => {
    const out: StockCut[] = []
    for (const piece of [...whole].sort((a, b) => b - a)) {
      const fits = out.find(b => used(b) + piece <= b.lengthM + 1e-9)
      if (fits) fits.pieces.push(piece)
      else out.push({ lengthM: Math.max(length, piece), pieces: [piece] })
    }
    // Each bar no longer than it has to be.
    return out.map(b => ({ ...b, lengthM: sold.find(s => s >= used(b) - KERF_M - 1e-9) ?? longest }))
  }
  const total = (of: readonly StockCut[]) => of.reduce((sum, b) => sum + b.lengthM, 0)
  let best: StockCut[] | null = null
  for (const length of sold) {
    const cut = trial(length)
    if (!best || total(cut) < total(best) - 1e-9) best = cut
  }
  return best ?? []
}

/** A piece as those it is joined from: as few as there can be, none too short to nail. */
function joined(lengthM: number, longest: number): number[] {
  if (lengthM <= longest + 1e-9) return [lengthM]
  const count = Math.ceil(lengthM / longest)
  const last = lengthM - (count - 1) * longest
  if (last >= LEAST_M) return [...Array.from({ length: count - 1 }, () => longest), last]
  return Array.from({ length: count }, () => lengthM / count)
}
