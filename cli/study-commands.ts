import type { Design } from '../core/design'
import { laidOn, MOVES, type Move } from '../core/moves/registry'
import { briefOf } from '../core/study/brief'
import { summarise } from '../core/study/ensemble'
import { findCheapest, MOST_COMBINED, promising } from '../core/study/find'
import { ranked, ranksByHeat, rungOf, type Rung } from '../core/study/ladder'
import { MOST_SWEPT, readVary, sweepDesigns, sweepPoint, type Vary } from '../core/study/sweep'
import { wintersOf } from '../core/study/winters-ahead'
import { createYearEngine } from '../core/year'
import { BadInput } from './bad-input'
import { loadDesign } from './design-commands'
import { listOption, numberOption, readOptions } from './options'
import { workOut } from './study-pool'

const workersOption = (text: string | undefined) =>
  text === undefined ? undefined : numberOption('workers', text, 1, 16, true)

/** `winters`: as many seeds of a design's climate, and how often the aim is missed. */
export async function wintersCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['n', 'workers'], ['design.json'])
  const design = loadDesign(words[0]!)
  const count = options.n === undefined ? 20 : numberOption('n', options.n, 1, 1000, true)
  const winters = wintersOf(design, count)
  if (winters.length < count)
    process.stderr.write(
      `There ${winters.length === 1 ? 'is one measured winter' : `are ${winters.length} measured winters`}, and no ` +
        'others of it: site.varyMeasured makes them.\n',
    )
  const years = await workOut(
    'winter',
    winters.map(w => w.design),
    workersOption(options.workers),
  )
  const { years: coldest, ...rest } = summarise(years)
  return {
    coldest: coldest.map(({ insideC, outsideC }, i) => ({ seed: winters[i]!.seed, insideC, outsideC })),
    ...rest,
  }
}

/** `sweep`: one or two decisions over a range; what can't be built is told and left out. */
export async function sweepCommand(args: string[]): Promise<unknown> {
  const { rest, values } = listOption('vary', args)
  const { options, words } = readOptions(rest, ['workers'], ['design.json'])
  const design = loadDesign(words[0]!)
  if (values.length < 1 || values.length > 2)
    throw new BadInput([`--vary: is given ${values.length} times; allowed: once or twice, as path=from:to:step`])
  const varied = values.map((text): Vary => {
    try {
      return readVary(text, design)
    } catch (error) {
      throw new BadInput([`--vary: ${(error as Error).message}; allowed: path=from:to:step, or path=one,two`])
    }
  })
  const count = varied.reduce((product, v) => product * v.values.length, 1)
  if (count > MOST_SWEPT) throw new BadInput([`--vary: comes to ${count} years; allowed: at most ${MOST_SWEPT}`])
  const swept = sweepDesigns(design, varied)
  const sound = swept.flatMap(s => (s.design ? [{ values: s.values, design: s.design }] : []))
  for (const { values: at, fault } of swept)
    if (fault) process.stderr.write(`${JSON.stringify(at)}: ${fault.path}: ${fault.message}\n`)
  const briefs = await workOut(
    'brief',
    sound.map(s => s.design),
    workersOption(options.workers),
  )
  return sound.map((s, i) => sweepPoint(s.values, briefs[i]!))
}

/** A rung for every sensible single change. */
async function rungsOf(design: Design, workers?: number): Promise<Rung[]> {
  const laid = laidOn(design, MOVES)
  const { answers } = createYearEngine().run(design, { unheated: false })
  const briefs = await workOut(
    'brief',
    laid.map(l => l.design),
    workers,
  )
  const now = briefOf(design, answers)
  return laid.map((l, i) => rungOf(design, now, l, briefs[i]!))
}

/** `ladder`: every sensible single change, ranked by what its money buys. */
export async function ladderCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['workers'], ['design.json'])
  const design = loadDesign(words[0]!)
  return ranked(await rungsOf(design, workersOption(options.workers)), 'money', ranksByHeat(design))
}

/** `find`: the cheapest set of moves that meets a coldest night. */
export async function findCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(
    args,
    ['coldest', 'life', 'budget', 'running', 'light', 'moves', 'workers'],
    ['design.json'],
  )
  const design = loadDesign(words[0]!)
  const workers = workersOption(options.workers)
  const wanted = {
    // One of the two is asked for: the coldest night unless what lives there is.
    coldestC:
      options.life !== undefined && options.coldest === undefined
        ? -Infinity
        : numberOption('coldest', options.coldest, -60, 40),
    lifeK: options.life === undefined ? null : numberOption('life', options.life, -60, 60),
    budget: options.budget === undefined ? null : numberOption('budget', options.budget, 0, 1e9),
    aYear: options.running === undefined ? null : numberOption('running', options.running, 0, 1e9),
    winterDli: options.light === undefined ? 0 : numberOption('light', options.light, 0, 60),
  }
  const evaluate = (designs: readonly Design[]) => workOut('brief', designs, workers)
  if (options.moves !== undefined) return findCheapest(design, movesNamed(options.moves), wanted, evaluate)
  const rungs = await rungsOf(design, workers)
  return findCheapest(design, promising(rungs, wanted), wanted, evaluate, rungs.length + 1)
}

function movesNamed(text: string): Move[] {
  const ids = text.split(',').filter(Boolean)
  const unknown = ids.filter(id => !MOVES.some(m => m.id === id))
  if (unknown.length > 0 || ids.length === 0)
    throw new BadInput([`--moves: “${unknown.join(', ')}” is not known; allowed: ${MOVES.map(m => m.id).join(', ')}`])
  if (ids.length > MOST_COMBINED)
    throw new BadInput([`--moves: are ${ids.length}; allowed: at most ${MOST_COMBINED}, which are tried in every set`])
  return MOVES.filter(m => ids.includes(m.id))
}
