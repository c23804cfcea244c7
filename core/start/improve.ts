import { leavesBearC, needsOf } from '../aim/aim-line'
import type { Answers } from '../answers'
import { MONTH_NAMES } from '../climate'
import type { Design } from '../design/types'
import { designFaults, patchDesign, type Patch } from '../editing'
import { MOVES } from '../moves/registry'
import type { Move } from '../moves/move'
import { aSource, isHeated } from '../sources/registry'
import { listed } from '../text/listed'
import type { StartAnswers } from './choices'
import { firstHouse } from './house'
import { withMine } from './mine'
import type { Show } from '../units'

/** A design to begin with, and why it is as it is. */
export interface Started {
  design: Design
  /** Two sentences: what the site and the crops ask for, and what the house does about it. */
  why: readonly [string, string]
}

/** Works out a design's year. */
type Run = (design: Design) => Promise<Answers> | Answers

/** How far below what they bear, and some kelvin more, leaves come in each month in which something would die, K. */
const deadlyMonths = (design: Design, { months }: Answers, spareK = 0): { month: number; shortK: number }[] =>
  months.flatMap(({ leafMinC }, month) => {
    const shortK = (leavesBearC(design.aim, month) ?? -Infinity) + spareK - leafMinC
    return shortK > 0 ? [{ month, shortK }] : []
  })

/**
 * What does not stand there in the hardest month is set out later, and taken in sooner: in months that the house as it
 * is would kill it in it does not stand there. What overwinters keeps its months.
 */
function plantedInTime(design: Design, { months }: Answers): Design {
  const hardest = months.reduce((h, month, m) => (month.leafMinC < months[h]!.leafMinC ? m : h), 0)
  const crops = design.aim.crops.map(c => {
    if (c.months[hardest] !== '') return c
    const survives = (m: number) => months[m]!.leafMinC >= needsOf(c).survivesC
    return { ...c, months: c.months.map((does, m) => (survives(m) ? does : '')) }
  })
  return { ...design, aim: { ...design.aim, crops: crops.filter(c => c.months.some(m => m !== '')) } }
}

/** And how far above what they grow at; below 0 something stands still for a while. */
const marginK = ({ aim }: Answers) => aim.tightest?.marginK ?? Infinity

/** Less than this is not worth its work, K. */
const WORTH_K = 0.4
/** Warmer than this over what crops bear asks for more vents, K. */
const TOO_HOT_K = 3
const MOST_VENTINGS = 3
/** Heaters are built for colder nights than the year in view had. */
const SPARE_HEAT = 1.3

/** What is tried while the house is too cold, in this order: cheap and sure first. */
const COLD_MOVES = ['cover', 'tighter-house', 'more-barrels', 'deeper-edge', 'thicker-walls', 'thicker-cover', 'tank']
const SAID: Record<string, string> = {
  'cover': 'a quilted blanket at night',
  'tighter-house': 'sealed gaps',
  'more-barrels': 'a row of barrels',
  'deeper-edge': 'a deeper board at the edge',
  'thicker-walls': 'thicker walls',
  'thicker-cover': 'a thick blanket for it',
  'tank': 'a tank of water',
}
const moveOf = (id: string): Move => MOVES.find(m => m.id === id)!

function laid(design: Design, id: string, besides: readonly Patch[] = []): Design | null {
  const patches = moveOf(id).of(design)
  if (!patches) return null
  const next = patchDesign(design, [...patches, ...besides])
  return designFaults(next).length === 0 ? next : null
}

/** A sheet over the beds comes down while the air is so far above what the leaves bear, K. */
const SHEET_AHEAD_K = 4

/** With a sheet over the beds, where that is all it takes for leaves to live; null where not. */
async function underSheet(design: Design, year: Answers, run: Run): Promise<[Design, Answers] | null> {
  const deadly = deadlyMonths(design, year)
  if (deadly.length === 0) return null
  const belowC = SHEET_AHEAD_K + Math.max(...deadly.map(d => leavesBearC(design.aim, d.month)!))
  const next = laid(design, 'row-cover', [['breathe.rowCover.belowC', belowC]])
  if (!next) return null
  const tried = await run(next)
  return deadlyMonths(next, tried).length === 0 ? [next, tried] : null
}

/**
 * Makes a house for what was answered, then mends it by its own year: while it is colder than its crops bear, it takes
 * what helps; where it is too hot, its vents grow; where leaves would die all the same, they come under a sheet, or the
 * house is heated.
 * @param run a design's year
 * @param progress told the share that is done, 0–1
 */
export async function startDesign(
  answers: StartAnswers,
  id: string,
  name: string,
  run: Run,
  show: Show,
  progress: (share: number) => void = () => undefined,
): Promise<Started> {
  let design = firstHouse(answers, id, name)
  let year = await run(design)
  const bare = year.coldestNight.insideC
  const most = COLD_MOVES.length + 4
  let done = 1
  const told = () => progress(Math.min(1, ++done / most))
  const took: string[] = []
  for (const move of COLD_MOVES) {
    told()
    if (marginK(year) >= 0) break
    // A house of film has no walls to be made thicker.
    if (answers.against === 'hoops' && move === 'thicker-walls') continue
    const next = laid(design, move)
    if (!next) continue
    const tried = await run(next)
    const gainK = Math.max(marginK(tried) - marginK(year), tried.coldestNight.insideC - year.coldestNight.insideC)
    if (gainK < WORTH_K) continue
    ;[design, year] = [next, tried]
    took.push(move)
  }
  const highs = year.aim.highC.filter(c => c !== null)
  for (let i = 0; i < MOST_VENTINGS && highs.length > 0; i++) {
    if (year.hottestAfternoon.insideC <= Math.max(...highs) + TOO_HOT_K) break
    const next = laid(design, 'more-vents')
    if (!next) break
    ;[design, year] = [next, await run(next)]
    told()
  }
  const planted = plantedInTime(design, year)
  if (planted.aim.crops.some((c, i) => c !== design.aim.crops[i]) || planted.aim.crops.length < design.aim.crops.length)
    [design, year] = [planted, await run(planted)]
  const passive = year
  told()
  // In heated air a sheet keeps the warmth from the leaves: it is one or the other.
  ;[design, year] = (await underSheet(design, year, run)) ?? (await heatedEnough(design, year, answers, run))
  progress(1)
  return {
    design: withMine(design, answers),
    why: [asksFor(answers, design, passive, show), does({ design, year, passive, bare, took }, show)],
  }
}

/** Leaves are kept so far above what kills them, K. */
const SPARE_K = 1
const AMPLE_W = 30_000
/** Times that the thermostat is set higher for leaves that are colder than the air. */
const HEAT_TURNS = 3

/** Heat is for what would die; what only stands still on cool nights waits for the spring. */
async function heatedEnough(
  design: Design,
  year: Answers,
  answers: StartAnswers,
  run: Run,
): Promise<[Design, Answers]> {
  let deadly = deadlyMonths(design, year)
  if (deadly.length === 0) return [design, year]
  // The thermostat is in the air, and leaves are colder under bare panes.
  const setFor = ({ month }: { month: number }) => {
    const { insideMinC, leafMinC } = year.months[month]!
    return leavesBearC(design.aim, month)! + SPARE_K + insideMinC - leafMinC
  }
  let setPointC = Math.max(...deadly.map(setFor))
  let peakW = 0
  for (let turn = 0; turn < HEAT_TURNS && deadly.length > 0; turn++) {
    const ample = await run(withHeat(design, setPointC, answers, AMPLE_W))
    deadly = deadlyMonths(design, ample, SPARE_K)
    peakW = ample.topUp.peakW
    setPointC += Math.max(0, ...deadly.map(d => d.shortK))
  }
  // As large as its hardest hour asks, and a little more.
  const watts = Math.ceil((peakW * SPARE_HEAT) / 250) * 250
  const next = withHeat(design, setPointC, answers, Math.max(500, watts))
  return [next, await run(next)]
}

function withHeat(design: Design, setPointC: number, { atHand }: StartAnswers, capacityW: number): Design {
  const fuel = atHand.power ? {} : { fuel: 'wood' as const, pricePerKWh: 0.05 }
  return patchDesign(design, [['topUp.sources', [aSource('heater', { on: true, setPointC, capacityW, ...fuel })]]])
}

/** What the site and the crops ask for, from the year that was run. */
function asksFor(answers: StartAnswers, design: Design, year: Answers, show: Show): string {
  const coldest = year.months.reduce((h, month, m) => (month.outsideMinC < year.months[h]!.outsideMinC ? m : h), 0)
  const killsC = leavesBearC(design.aim, coldest)
  const there = design.aim.crops.filter(c => c.months[coldest] !== '')
  const bears =
    design.aim.crops.length === 0
      ? `the house is to stay above ${show(design.aim.lowestAirC, 'temperature')}`
      : killsC === null
        ? 'nothing stands in the house then'
        : `${listed(there.map(c => needsOf(c).name.toLowerCase()))} must ` +
          `not feel less than ${show(killsC, 'temperature')}`
  return (
    `The coldest hour of this year is ${show(year.outside.coldestC, 'temperature')} outside, in ` +
    `${MONTH_NAMES[coldest]}, and ${bears}: so it is ${shapeWords(design, answers.against, show)}.`
  )
}

function shapeWords(design: Design, against: StartAnswers['against'], show: Show): string {
  const { shape } = design
  const size = `${show(shape.lengthM, 'length')} by ${show(shape.widthM, 'length')}`
  switch (against) {
    case 'dome':
      return `a dome ${show(shape.widthM, 'length')} across, solid towards the pole`
    case 'hoops':
      return `film over hoops, ${size}`
    case 'house':
      return `a lean-to of ${size} whose back wall is a warm house`
    case 'bank':
      return `a house of ${size} with ${show(shape.riseM, 'length')} of earth against its back`
    case 'free':
      return `a house of ${size}, glazed to the sun and insulated at its back`
  }
}

/** What the house does about it, each from its own run. */
function does(
  r: { design: Design; year: Answers; passive: Answers; bare: number; took: readonly string[] },
  show: Show,
): string {
  const heats = isHeated(r.design.topUp.sources)
  const inside = (heats ? r.passive : r.year).coldestNight.insideC
  const t = (c: number) => show(c, 'temperature')
  const passive =
    r.took.length > 0
      ? `Bare it would go down to ${t(r.bare)}; with ${listed(r.took.map(id => SAID[id]!))} it stays at ${t(inside)}`
      : `As it stands it goes down to ${t(inside)}`
  const heated = heats ? `, and a heater makes up the rest with ${show(r.year.topUp.kWh * 3.6e6, 'energy')} a year` : ''
  const leaves = r.year.leaf.coldestC
  const sheet = r.design.breathe.rowCover.on ? `; under a sheet over the beds leaves stay at ${t(leaves)}` : ''
  const still = r.year.hoursBelowAim
  const cool = still > 0 ? `; in ${show(still, 'hours')} of the year it is alive but too cool to grow` : ''
  return `${passive} without any heat${sheet}${heated}${cool}.`
}
