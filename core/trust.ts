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
    bias:
      'Within a hundredth of a degree, and 2 % of the beam, through hazy sheets too. Reflections after the first ' +
      'keep no direction.',
    logger: 'Nothing; a skyline drawn wrong shows at once in a light meter.',
  },
  {
    claim: 'Every joule is accounted for, and worked out as the laws say',
    rests: 'proof',
    bias:
      'The ledger closes to a millionth; hundreds of random rooms with openings, airs, leaves and damp come ' +
      'within 0.04 K of an independent program; a thousand limits and pairs hold over all demos. Coefficients may ' +
      'be wrong all the same.',
    logger: 'Nothing.',
  },
  {
    claim: 'Frost in the ground and ice in water',
    rests: 'proof',
    bias:
      'Within 4 % of the exact depth of frost. Ground of another dampness than its kind freezes deeper or less ' +
      'deep.',
    logger: 'The soil at two depths, in a hard winter.',
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
    bias:
      'Too warm by one to three degrees where the house leaks more than was entered, or a cover fits worse. ' +
      'Walled arches with a quilt come out near the upper end of what was measured.',
    logger: 'The leak: a clear windy night and a clear still one part it from the rest.',
  },
  {
    claim: 'The heat that a house takes',
    rests: 'measured',
    bias:
      'Film houses in the middle of what was measured; all-glass houses a little below: fans and pipes move the air ' +
      'there.',
    logger: 'What the heater burns in a week of dull weather.',
  },
  {
    claim: 'Light through sheets and film',
    rests: 'measured',
    bias:
      'Clear panes by the laws; hazy ones by what passes straight on and from all round, within 5 %. How far haze ' +
      'turns the light is thinly known: a tenth of a bed’s winter light. Clean houses come out at the upper end.',
    logger: 'A light meter on the bed and one outside, on a dull day.',
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
    claim: 'The weather',
    rests: 'measured',
    bias:
      'A made year is one of many: the score says how far winters differ, months and all. Their falls, snaps, ' +
      'ranges and spreads lie within the daily records of two stations; other places were not held against theirs. ' +
      'The next thirty may be milder or wilder.',
    logger: 'Your own lows beside the station’s: cold air gathers in hollows.',
  },
  {
    claim: 'Damp hours',
    rests: 'thin',
    bias:
      'What leaves drink on sunny days lies at the upper end of what was measured. How they breathe in the cold, ' +
      'and how wet soil is, moves damp hours twofold. Take them to compare designs by.',
    logger: 'The humidity at dawn over a month.',
  },
  {
    claim: 'A cover that ices, a blower that fails',
    rests: 'thin',
    bias: 'When hoar holds a quilt down is a rule of thumb; how far limp sheets touch is another.',
    logger: 'On which mornings the quilt would not roll up.',
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
    bias:
      'Heaps differ fourfold. People come and go as the house’s calendar says, which no real ones do, and some ' +
      'nights are forgotten.',
    logger: 'How warm the water is that comes back.',
  },
]
