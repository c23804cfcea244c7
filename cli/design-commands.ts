import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { DAYS, makeSiteYear, monthlyMeans, monthlyNormals, monthlyRadiation } from '../core/climate'
import { unpackHourly } from '../core/climate/hourly'
import { DEMOS, faultLine, type Design } from '../core/design'
import { createYearEngine } from '../core/year'
import { readDesign } from '../formats/design-json'
import { readEpw } from '../formats/epw'
import { writeEpw } from '../formats/epw-write'
import { writeHourlyCsv } from '../formats/hourly-csv'
import { BadInput } from './bad-input'
import { numberOption, readOptions } from './options'

function readText(path: string, what: string): string {
  try {
    const bytes = readFileSync(path)
    // Weather files from older tools may carry Latin-1 names.
    const text = bytes.toString('utf8')
    return text.includes('\uFFFD') ? bytes.toString('latin1') : text
  }
  catch (error) {
    throw new BadInput([`${path}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'error'}); allowed: ${what}`])
  }
}

function loadDesign(path: string): Design {
  const read = readDesign(readText(path, 'a design as JSON'))
  if (!read.ok) throw new BadInput(read.faults.map(faultLine), { ok: false, faults: read.faults })
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
  loadDesign(readOptions(args, [], ['design.json']).words[0]!)
  return { ok: true }
}

/** `simulate`: the answers; with `--hourly`, the year as CSV beside them, written whole or not at all. */
export function simulateCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['weather', 'seed', 'steps-per-hour', 'hourly'], ['design.json'])
  let design = loadDesign(words[0]!)
  if (options.seed !== undefined) design = { ...design, site: { ...design.site, seed: numberOption('seed', options.seed, 0, 4294967295, true) } }
  const stepsPerHour = options['steps-per-hour'] === undefined ? 4 : numberOption('steps-per-hour', options['steps-per-hour'], 1, 60, true)
  let weather
  if (options.weather !== undefined) {
    const read = readEpw(readText(options.weather, 'an EPW weather file'), options.weather)
    if (!read.ok) throw new BadInput([`${options.weather}: ${read.message}`])
    weather = unpackHourly(read.epw.climate)
  }
  const result = createYearEngine(() => performance.now()).run(design, { stepsPerHour, weather })
  if (options.hourly !== undefined) writeWhole(options.hourly, writeHourlyCsv(result))
  return result.answers
}

/** `weather`: writes the design's year as EPW, whole or not at all; prints its monthly means. */
export function weatherCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['out'], ['design.json'])
  if (options.out === undefined) throw new BadInput(['--out: is missing; allowed: a file to write, such as year.epw'])
  const { site } = loadDesign(words[0]!)
  const year = makeSiteYear({ ...site, climate: site.climate.kind === 'hourly' ? { kind: 'hourly', weather: unpackHourly(site.climate) } : site.climate })
  writeWhole(options.out, writeEpw(site, year))
  const { lowC, highC } = monthlyNormals(year.dryBulbC)
  const daily = (series: Float32Array) => monthlyMeans(Float64Array.from({ length: DAYS }, (_, d) => series.subarray(d * 24, d * 24 + 24).reduce((s, v) => s + v, 0) / 24))
  const dryBulbC = daily(year.dryBulbC)
  const windMs = daily(year.windMs)
  const light = monthlyRadiation(year)
  const months = lowC.map((low, m) => ({ dryBulbC: dryBulbC[m], lowC: low, highC: highC[m], globalKWhM2Day: light[m]! / 3.6e6, windMs: windMs[m] }))
  return { out: options.out, months, notes: year.notes }
}

function writeWhole(path: string, text: string): void {
  const beside = `${path}.part-${process.pid}`
  try {
    writeFileSync(beside, text)
    renameSync(beside, path)
  }
  catch (error) {
    rmSync(beside, { force: true })
    throw new BadInput([`${path}: cannot be written (${(error as NodeJS.ErrnoException).code ?? 'error'}); allowed: a file in a folder that may be written to`])
  }
}
