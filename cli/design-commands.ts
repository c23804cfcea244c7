import { costOf } from '../core/study/figures'
import { readFileSync, statSync } from 'node:fs'
import { accessFaults } from '../core/advice/access'
import { DAYS, makeSiteYear, monthlyMeans, monthlyNormals, monthlyRadiation } from '../core/climate'
import { unpackHourly } from '../core/climate/hourly'
import { DEMOS, type Design } from '../core/design'
import { faultLine } from '../core/design/validate'
import { makeBuilding } from '../core/geometry/surfaces'
import { spellAnswer, usualStart, withSpellDays } from '../core/study/spell'
import { bookedSums, lineUnit } from '../core/sums/book'
import { inMetric, siSymbol } from '../core/units'
import { createYearEngine } from '../core/year'
import { LARGEST_DESIGN, readDesign } from '../formats/design-json'
import { readEpw } from '../formats/epw'
import { writeEpw } from '../formats/epw-write'
import { textOfBytes } from '../formats/logger/table'
import { BadInput } from './bad-input'
import { writeExports } from './exports'
import { numberOption, readOptions } from './options'
import { writeWhole } from './output'

/** No file that a command reads is longer than this, bytes: an EPW file is about 2 MB. */
const LONGEST_FILE = 20_000_000

export function readText(path: string, what: string, longest = LONGEST_FILE): string {
  try {
    const { size } = statSync(path)
    if (size > longest)
      throw new BadInput([`${path}: is ${(size / 1e6).toFixed(1)} MB; allowed: ${what} of at most ${longest / 1e6} MB`])
    // Files from older tools may carry Latin-1 names, and those of loggers be UTF-16.
    return textOfBytes(readFileSync(path))
  } catch (error) {
    if (error instanceof BadInput) throw error
    throw new BadInput([
      `${path}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'error'}); allowed: ${what}`,
    ])
  }
}

/** A sound design from a file. */
export function loadDesign(path: string): Design {
  const read = readDesign(readText(path, 'a design as JSON', 2 * LARGEST_DESIGN))
  if (!read.ok) throw new BadInput(read.faults.map(faultLine), { ok: false, faults: read.faults })
  for (const { what, faults } of read.leftOut)
    process.stderr.write(`Left out of ${path}: ${what}. ${faults[0] ? faultLine(faults[0]) : ''}\n`)
  return read.design
}

export function demosCommand(args: string[]): unknown {
  readOptions(args, [], [])
  return DEMOS.map(d => ({ id: d.id, name: d.name }))
}

export function demoCommand(args: string[]): unknown {
  const id = readOptions(args, [], ['id']).words[0]
  const demo = DEMOS.find(d => d.id === id)
  if (!demo) throw new BadInput([`id: “${id}” is not a demo; allowed: ${DEMOS.map(d => d.id).join(', ')}`])
  return demo
}

export function checkCommand(args: string[]): unknown {
  const design = loadDesign(readOptions(args, [], ['design.json']).words[0]!)
  return { ok: true, fit: [], access: accessFaults(design, inMetric) }
}

/** `simulate`: the answers; with `--hourly`, the year as CSV beside them, written whole or not at all. */
export async function simulateCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['weather', 'seed', 'steps-per-hour', 'hourly'], ['design.json'])
  let design = loadDesign(words[0]!)
  if (options.seed !== undefined)
    design = { ...design, site: { ...design.site, seed: numberOption('seed', options.seed, 0, 4294967295, true) } }
  const stepsPerHour =
    options['steps-per-hour'] === undefined ? 4 : numberOption('steps-per-hour', options['steps-per-hour'], 1, 60, true)
  let weather
  if (options.weather !== undefined) {
    const read = readEpw(readText(options.weather, 'an EPW weather file'), options.weather)
    if (!read.ok) throw new BadInput([`${options.weather}: ${read.message}`])
    weather = unpackHourly(read.epw.climate)
  }
  const result = createYearEngine(() => performance.now()).run(design, { stepsPerHour, weather })
  await writeExports('year', { design, result }, { hourly: options.hourly }, [words[0]!, options.weather])
  return { ...result.answers, cost: costOf(design, result.answers) }
}

/** `sums`: every sum by hand with the design's own numbers, and what its year says beside them. */
export function sumsCommand(args: string[]): unknown {
  const design = loadDesign(readOptions(args, [], ['design.json']).words[0]!)
  const result = createYearEngine().run(design)
  return bookedSums({ ...result, design, building: makeBuilding(design) }).map(({ lines, year, ...sum }) => {
    const result = lines.at(-1)!
    return {
      ...sum,
      result: result.value,
      unit: lineUnit(result),
      lines: lines.map(l => ({ symbol: l.symbol, text: l.text, value: l.value, unit: lineUnit(l) })),
      year: year.map(y => ({ text: y.text, value: y.value, unit: siSymbol(y.quantity) })),
    }
  })
}

/** `spell`: dull days, then clear nights down to a low: how each day stands, and what fails first. */
export function spellCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['dull', 'clear', 'low', 'start'], ['design.json'])
  const design = loadDesign(words[0]!)
  const asked = (name: string, least: number, most: number, whole: boolean) => {
    const text = options[name]
    if (text === undefined) throw new BadInput([`--${name}: is missing; allowed: ${least} to ${most}`])
    return numberOption(name, text, least, most, whole)
  }
  const dullDays = asked('dull', 0, 14, true)
  const clearDays = asked('clear', 1, 14, true)
  const lowC = asked('low', -60, 30, false)
  const engine = createYearEngine()
  const startDay =
    options.start === undefined
      ? usualStart(engine.site(design).dryBulbC, dullDays + clearDays)
      : numberOption('start', options.start, 1, DAYS, true) - 1
  const spell = { startDay, dullDays, clearDays, lowC }
  const laid = withSpellDays(design, spell)
  return spellAnswer(laid, engine.run(laid, { unheated: false }), spell)
}

/** `weather`: writes the design's year as EPW, whole or not at all; prints its monthly means. */
export function weatherCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['out'], ['design.json'])
  if (options.out === undefined) throw new BadInput(['--out: is missing; allowed: a file to write, such as year.epw'])
  const { site } = loadDesign(words[0]!)
  const year = makeSiteYear({
    ...site,
    climate: site.climate.kind === 'hourly' ? { kind: 'hourly', weather: unpackHourly(site.climate) } : site.climate,
  })
  writeWhole(options.out, writeEpw(site, year), [words[0]!])
  const { lowC, highC } = monthlyNormals(year.dryBulbC)
  const daily = (series: Float32Array) =>
    monthlyMeans(
      Float64Array.from(
        { length: DAYS },
        (_, d) => series.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0) / 24,
      ),
    )
  const dryBulbC = daily(year.dryBulbC)
  const windMs = daily(year.windMs)
  const light = monthlyRadiation(year)
  const months = lowC.map((low, m) => ({
    dryBulbC: dryBulbC[m],
    lowC: low,
    highC: highC[m],
    globalKWhM2Day: light[m]! / 3.6e6,
    windMs: windMs[m],
  }))
  return { out: options.out, months, notes: year.notes }
}
