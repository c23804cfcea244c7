import type { Design } from '../design/types'
import { designFaults, patchDesign } from '../editing'
import { MOVES, type Move } from '../moves/registry'
import { housePrice } from '../takeoff/takeoff'
import type { Brief } from './brief'
import { forMoney, lifetimeCost, type Rung } from './ladder'

/** What a set of moves must do. */
export interface Wanted {
  /** The coldest night is at least so warm, °C. */
  coldestC: number
  /** In its place: what lives there and is most endangered is kept by at least so much over its bound, K. */
  lifeK?: number | null
  /** The winter that it is asked of is so much warmer than the year that sets are run in, K; 0 unless said. */
  winterK?: number
  /** No more than so much money more than the house as it is; null for no limit. */
  budget: number | null
  /** No more than so much money is bought for in a year; null, or left out, for no limit. */
  aYear?: number | null
  /** Winter light at the beds is at least so much, mol/m²·d; 0 for no limit. */
  winterDli: number
}

/** A set of moves and what it comes to. */
export interface FoundSet {
  moves: string[]
  /** More than the house as it is. */
  cost: number
  /** Bought in a year. */
  aYear: number
  coldestC: number
  /** What lives there and is most endangered, over its bound, K. */
  lifeMarginK: number
  winterDli: number
}

/** How far a wish goes: degrees over a bound where it is of what lives there, else the coldest night, °C. */
export const reached = (s: Pick<FoundSet, 'coldestC' | 'lifeMarginK'>, { lifeK }: Pick<Wanted, 'lifeK'>): number =>
  typeof lifeK === 'number' ? s.lifeMarginK : s.coldestC
/** And how far it is to go. */
export const wished = ({ lifeK, coldestC }: Pick<Wanted, 'lifeK' | 'coldestC'>): number => lifeK ?? coldestC

export interface Found extends FoundSet {
  /** Whether any set does; else this is the warmest that keeps to both kinds of money and to light. */
  feasible: boolean
  /** Sets of which none is as cheap and as warm: the warmest for each sum of money, cheapest first. */
  front: FoundSet[]
  /** Moves that were combined, and years that were run. */
  among: string[]
  runs: number
}

/** How designs are worked out: all of a list, in its order. */
export type Evaluate = (designs: readonly Design[]) => Promise<Brief[]>

/** So many moves are combined in every way. */
export const MOST_COMBINED = 8

/** The moves of some laid on a design one after the other; null where one of them finds nothing to do. */
export function withMoves(design: Design, moves: readonly Move[]): Design | null {
  let at = design
  for (const move of moves) {
    const patches = move.of(at)
    if (!patches) return null
    at = patchDesign(at, patches)
  }
  return at
}

/** Lets others have their turn where there is one thread for all; called between pieces of at most a few ms. */
export type Rest = () => Promise<void>

/** Every set of some moves that can be built, the empty one among them, by cost. */
async function setsOf(
  design: Design,
  moves: readonly Move[],
  rest?: Rest,
): Promise<{ moves: Move[]; design: Design; cost: number }[]> {
  const base = housePrice(design)
  const known = new Set(designFaults(design).map(f => f.path + f.message))
  const out: { moves: Move[]; design: Design; cost: number }[] = []
  for (let bits = 0; bits < 1 << moves.length; bits++) {
    await rest?.()
    const chosen = moves.filter((_, i) => bits & (1 << i))
    const made = withMoves(design, chosen)
    if (!made || designFaults(made).some(f => !known.has(f.path + f.message))) continue
    out.push({ moves: chosen, design: made, cost: chosen.length === 0 ? 0 : housePrice(made) - base })
  }
  return out.sort((a, b) => a.cost - b.cost || a.moves.length - b.moves.length)
}

/**
 * The most promising moves of a ladder: what lifts the coldest night, or what lives there, most for its money over the
 * years, and most.
 */
export function promising(
  rungs: readonly Pick<Rung, 'id' | 'gainK' | 'lifeK' | 'cost' | 'aYear'>[],
  { lifeK }: Pick<Wanted, 'lifeK'>,
): Move[] {
  const gain = (r: (typeof rungs)[number]) => (typeof lifeK === 'number' ? r.lifeK : r.gainK)
  const rows = rungs.filter(r => gain(r) > 0.02)
  const byWorth = [...rows].sort((a, b) => forMoney(gain(b), lifetimeCost(b)) - forMoney(gain(a), lifetimeCost(a)))
  const byGain = [...rows].sort((a, b) => gain(b) - gain(a))
  const half = MOST_COMBINED / 2
  const chosen = new Set(byWorth.slice(0, half).map(r => r.id))
  for (const r of [...byGain, ...byWorth]) if (chosen.size < MOST_COMBINED) chosen.add(r.id)
  return MOVES.filter(m => chosen.has(m.id))
}

/**
 * The cheapest set of moves that does what is wanted, by a year of every set of them. Moves are laid on in their order;
 * a set in which one finds nothing to do is the set without it.
 * @param moves at most {@link MOST_COMBINED}
 * @param runs years that were run before, to be counted in
 * @param rest called before each set is made
 */
export async function findCheapest(
  design: Design,
  moves: readonly Move[],
  wanted: Wanted,
  evaluate: Evaluate,
  runs = 0,
  rest?: Rest,
): Promise<Found> {
  const sets = await setsOf(design, moves, rest)
  const briefs = await evaluate(sets.map(s => s.design))
  const all = sets.map(
    (s, i): FoundSet => ({
      moves: s.moves.map(m => m.id),
      cost: s.cost,
      aYear: briefs[i]!.aYear,
      coldestC: briefs[i]!.coldestC,
      lifeMarginK: briefs[i]!.life.marginK,
      winterDli: briefs[i]!.winterDli,
    }),
  )
  const kept = all.filter(s => s.winterDli >= wanted.winterDli && s.aYear <= (wanted.aYear ?? Infinity))
  const allowed = kept.filter(s => s.cost <= (wanted.budget ?? Infinity))
  const far = (s: FoundSet) => reached(s, wanted)
  const warmest = allowed.reduce<FoundSet | null>((a, s) => (a && far(a) >= far(s) ? a : s), null)
  const best = allowed.find(s => far(s) + (wanted.winterK ?? 0) >= wished(wanted)) ?? null
  const front: FoundSet[] = []
  for (const s of kept)
    if (front.length === 0 || far(s) > far(front.at(-1)!) + 1e-9) {
      // What costs the same and is colder is no part of it.
      if (front.length > 0 && Math.abs(front.at(-1)!.cost - s.cost) < 1e-9) front.pop()
      front.push(s)
    }
  return {
    feasible: best !== null,
    ...(best ?? warmest ?? all[0]!),
    front,
    among: moves.map(m => m.id),
    runs: runs + sets.length,
  }
}
