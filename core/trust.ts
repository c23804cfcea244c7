/** How well a claim of the year stands. */
export type Ground = 'proof' | 'measured' | 'thin'

/** What each ground means, for a reader. */
export const GROUNDS: Record<Ground, string> = {
  proof: 'Proved: met against sums by hand or an independent program.',
  measured: 'Within what has been measured: published coefficients, each with its range.',
  thin: 'Thin evidence: few houses were measured, or the range is wide.',
}

/** A claim of the year, what it rests on, which way it errs, and what a real logger would tell. */
export interface Claim {
  claim: string
  rests: Ground
  bias: string
  logger: string
}

/** How far to trust it: shown one press from the score, and in docs/physics.md. */
export const CLAIMS: readonly Claim[] = [
  {
    claim: 'Where the sun stands, and where its light lands',
    rests: 'proof',
    bias: 'Within a hundredth of a degree, and 2 % of the beam. Reflections after the first keep no direction.',
    logger: 'Nothing; a skyline drawn wrong shows at once in a light meter.',
  },
  {
    claim: 'Every joule is accounted for',
    rests: 'proof',
    bias: 'The year’s ledger closes to a hundredth of a per cent. Coefficients may be wrong all the same.',
    logger: 'Nothing.',
  },
  {
    claim: 'How much warmer one design is than another',
    rests: 'measured',
    bias: 'What both share cancels out. Trust a difference more than either figure by itself.',
    logger: 'A winter with and without the change.',
  },
  {
    claim: 'The coldest night',
    rests: 'measured',
    bias: 'Too warm by one to three degrees where the house leaks more than it is said to, or a cover fits worse.',
    logger: 'The leak: a clear windy night and a clear still one part it from the rest.',
  },
  {
    claim: 'Hot afternoons',
    rests: 'measured',
    bias: 'Too cool where vents are blocked: openers are taken as sound. How ridge and beds differ is thinly known.',
    logger: 'How far the ridge is from the beds.',
  },
  {
    claim: 'Soil and open water in summer',
    rests: 'measured',
    bias: 'Too warm by a few degrees where leaves are thin; beds in full leaf stand up to three over the air.',
    logger: 'The soil at a hand’s depth, in June.',
  },
  {
    claim: 'Damp hours',
    rests: 'thin',
    bias: 'How leaves breathe in the cold, and how wet soil is, moves them twofold. Take them to compare designs by.',
    logger: 'The humidity at dawn over a month.',
  },
  {
    claim: 'What air stores in the ground give back',
    rests: 'thin',
    bias: 'Measured houses get less than the sums, mostly by too little flow.',
    logger: 'Air in and out of one pipe.',
  },
  {
    claim: 'Compost, people, and what hands do',
    rests: 'thin',
    bias: 'Heaps differ fourfold. Nobody opens and shuts as a rule says, and some nights are forgotten.',
    logger: 'How warm the water is that comes back.',
  },
  {
    claim: 'The weather',
    rests: 'measured',
    bias:
      'A made year is one of many: the score says how far winters differ, months and all. Their falls, snaps, ranges ' +
      'and spreads lie within the daily records of two stations; other places were not held against theirs. The next ' +
      'thirty may be milder or wilder.',
    logger: 'Your own lows beside the station’s: cold air gathers in hollows.',
  },
]
