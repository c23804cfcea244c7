import type { MonthAnswer } from '../answers'
import { MONTH_NAMES } from '../climate/types'
import { listed } from '../text/listed'
import { formatQuantity } from '../units'
import { CROPS } from '../catalog'
import { needsOf, type CropChoice } from './aim-line'

/** What a month of the simulated year lets a crop do. */
export type CropState = 'fails' | 'holds' | 'grows'

/** Work that falls in a month. */
export type CropTask = 'sow' | 'plant' | 'harvest'

export interface CropCell {
  state: CropState
  /** What was asked of the month: grow, hold or nothing. */
  asked: CropChoice['months'][number]
  /** Whether the year gives what was asked. */
  kept: boolean
  /** Why it does less than grow: too cold at night, cold soil, too little light, too hot. Empty where it grows. */
  reasons: string[]
  tasks: CropTask[]
}

export interface CropRow {
  id: string
  name: string
  cells: CropCell[]
}

/**
 * Month by month, what the design's own air, soil and light allow each chosen crop, against what was asked of it; with
 * sowing, planting and harvest worked back from the months that grow. Nights are judged by the month's mean of daily
 * lows less 2 K (some nights are colder), survival by the coldest hour of its leaves.
 * @param degrees writes a temperature, °C, in the reader's units
 */
export function cropCalendar(
  crops: readonly CropChoice[],
  months: readonly MonthAnswer[],
  degrees: (c: number) => string = c => formatQuantity(c, 'temperature', 'metric'),
): CropRow[] {
  return crops.map(choice => {
    const needs = needsOf(choice)
    const cells = months.map((m, i): CropCell => {
      const reasons: string[] = []
      if (m.insideMeanLowC - 2 < needs.growsC)
        reasons.push(`nights are too cold (${degrees(m.insideMeanLowC - 2)}, wants ${degrees(needs.growsC)})`)
      if (m.soilC < needs.soilC) reasons.push(`soil is too cold (${degrees(m.soilC)}, wants ${degrees(needs.soilC)})`)
      // What is just short does not read as enough.
      const light = Math.floor(m.dli * 10) / 10
      if (m.dli < needs.dli) reasons.push(`light is short (${light.toFixed(1)} mol, wants ${needs.dli.toFixed(1)})`)
      if (m.insideMeanHighC > needs.highestC)
        reasons.push(`days are too hot (${degrees(m.insideMeanHighC)}, bears ${degrees(needs.highestC)})`)
      const dies = m.leafMinC < needs.survivesC
      if (dies)
        reasons.unshift(`the coldest hour kills its leaves (${degrees(m.leafMinC)}, bears ${degrees(needs.survivesC)})`)
      const state: CropState = dies ? 'fails' : reasons.length === 0 ? 'grows' : 'holds'
      const asked = choice.months[i] ?? ''
      return {
        state,
        asked,
        reasons,
        tasks: [],
        kept: asked === '' || state === 'grows' || (asked === 'hold' && state === 'holds'),
      }
    })
    addTasks(cells, needs.weeks, CROPS.find(c => c.id === choice.id)?.stands ?? true)
    return { id: choice.id, name: needs.name, cells }
  })
}

/** From here on a crop is a tree or bush. */
const PERENNIAL_WEEKS = 40

/**
 * Sow in the first month of each run of asked growth that the year allows, plant out a month later where it takes long,
 * harvest from when it is ready to the run's end.
 */
function addTasks(cells: CropCell[], weeks: number, stands: boolean): void {
  const grows = (i: number) => cells[i % 12]!.asked === 'grow' && cells[i % 12]!.state === 'grows'
  // What lives for years is neither sown nor planted each spring.
  if (weeks >= PERENNIAL_WEEKS) {
    cells.forEach((c, i) => {
      if (grows(i)) c.tasks.push('harvest')
    })
    return
  }
  if (cells.every((_, i) => grows(i))) {
    cells.forEach(c => c.tasks.push('harvest'))
    return
  }
  for (let first = 0; first < 12; first++) {
    if (!grows(first) || grows(first + 11)) continue
    let length = 0
    while (grows(first + length)) length++
    const ready = Math.round(weeks / 4.35)
    cells[first]!.tasks.push('sow')
    if (weeks > 8 && length > 1) cells[(first + 1) % 12]!.tasks.push('plant')
    // What is grown also stands through the months that hold it, if it does not spoil.
    let end = length
    while (
      stands &&
      end < 12 &&
      cells[(first + end) % 12]!.asked === 'hold' &&
      cells[(first + end) % 12]!.state !== 'fails'
    )
      end++
    for (let k = ready; k < end; k++) cells[(first + k) % 12]!.tasks.push('harvest')
  }
}

/** What the choice means, in a sentence or two: which crops ask most, and whether the year gives it. */
export function aimSentence(rows: readonly CropRow[]): string {
  if (rows.length === 0) return 'No crops are chosen yet: the two temperatures stand for every month.'
  const failing = rows.filter(r => r.cells.some(c => !c.kept))
  const kept = rows.filter(r => r.cells.some(c => c.asked !== '') && r.cells.every(c => c.kept))
  const parts: string[] = []
  for (const row of failing.slice(0, 3)) {
    const months = row.cells.map((c, m) => ({ c, m })).filter(x => !x.c.kept)
    const cold = months.filter(x => x.c.reasons.some(r => /cold|kills/.test(r)))
    const dark = months.filter(x => x.c.reasons.some(r => /light/.test(r)))
    const name = (x: { m: number }) => MONTH_NAMES[x.m]!
    if (cold.length > 0) parts.push(`${row.name} in ${listed(cold.slice(0, 2).map(name))} would mean heat`)
    else if (dark.length > 0) parts.push(`${row.name} in ${listed(dark.slice(0, 2).map(name))} would mean lamps`)
    else parts.push(`${row.name} is too hot in ${listed(months.slice(0, 2).map(name))}`)
  }
  if (kept.length > 0)
    parts.push(
      `${listed(kept.slice(0, 3).map(r => r.name))} ${kept.length === 1 ? 'does' : 'do'} not ask more than ` +
        `this house gives`,
    )
  return `${parts.join('; ')}.`
}
