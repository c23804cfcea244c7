import type { Member } from '../frame/member'

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
 * the one of those sold that leaves least over.
 * @param pieces lengths, m, each above 0 and no longer than the longest that is sold
 * @param sold lengths, m, rising
 */
export function cutFromStock(pieces: readonly number[], sold: readonly number[]): StockCut[] {
  const longest = sold.at(-1)!
  const whole = [...pieces].sort((a, b) => b - a)
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

/**
 * A piece as those it is joined from: each as long as it may be and ends on what carries it, the last none too short to
 * nail. What nothing carries in between is parted alike.
 */
function joined(lengthM: number, longest: number, over: readonly number[] | null): number[] {
  if (lengthM <= longest + 1e-9) return [lengthM]
  const out: number[] = []
  let from = 0
  while (lengthM - from > longest + 1e-9) {
    const at = over?.filter(p => p > from + 1e-9 && p - from <= longest + 1e-9 && lengthM - p >= LEAST_M).at(-1)
    if (at === undefined) break
    out.push(at - from)
    from = at
  }
  const rest = lengthM - from
  const parts = Math.ceil(rest / longest - 1e-9)
  return [...out, ...Array.from({ length: parts }, () => rest / parts)]
}

/** The pieces that members are joined from, m: those that run along are joined over what carries them. */
export const piecesOf = (members: readonly Pick<Member, 'count' | 'lengthM' | 'over'>[], longest: number): number[] =>
  members.flatMap(m => Array.from({ length: m.count }, () => joined(m.lengthM, longest, m.over)).flat())
