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
  const whole = pieces.flatMap(p => joined(p, longest)).sort((a, b) => b - a)
  const trial = (length: number) => {
    const bars: (StockCut & { usedM: number })[] = []
    for (const piece of whole) {
      const fits = bars.find(b => b.usedM + piece <= b.lengthM + 1e-9)
      if (fits) {
        fits.pieces.push(piece)
        fits.usedM += piece + KERF_M
      } else bars.push({ lengthM: Math.max(length, piece), pieces: [piece], usedM: piece + KERF_M })
    }
    // Each bar no longer than it has to be.
    return bars.map(({ pieces: its, usedM }): StockCut => {
      const lengthM = sold.find(s => s >= usedM - KERF_M - 1e-9) ?? longest
      return { lengthM, pieces: its }
    })
  }
  const total = (of: readonly StockCut[]) => of.reduce((sum, b) => sum + b.lengthM, 0)
  const tried = sold.map(trial)
  return tried.reduce((best, cut) => (total(cut) < total(best) - 1e-9 ? cut : best), tried[0] ?? [])
}

/** A piece as those it is joined from: as few as there can be, none too short to nail. */
function joined(lengthM: number, longest: number): number[] {
  if (lengthM <= longest + 1e-9) return [lengthM]
  const count = Math.ceil(lengthM / longest)
  const last = lengthM - (count - 1) * longest
  if (last >= LEAST_M) return [...Array.from({ length: count - 1 }, () => longest), last]
  return Array.from({ length: count }, () => lengthM / count)
}
