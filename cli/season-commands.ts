import { isDate } from '../core/design/fields/build'
import { type Design } from '../core/design'
import { faultLine } from '../core/design/validate'
import { standardOffsetH } from '../core/climate/time-zone'
import { cropRows } from '../core/crops/years'
import { fit } from '../core/season/fit'
import { soundLog } from '../core/season/log'
import { layDays, outsideDays } from '../core/season/measured'
import { houseYear, seasonTasks } from '../core/season/season-tasks'
import { tonight } from '../core/season/tonight'
import { createYearEngine } from '../core/year'
import { readForecast } from '../formats/forecast-json'
import { readLoggerFile, type LoggerRead } from '../formats/logger/read'
import { BadInput } from './bad-input'
import { loadDesign, readText } from './design-commands'
import { exportOptions, writeExports } from './exports'
import { readOptions } from './options'

/** Longest log that is read, bytes. */
const LONGEST_LOG = 40_000_000

/** A logger's file, without what can't be true in it; what was left out goes to standard error. */
function loadLog(path: string, { site }: Design): LoggerRead {
  const offset = standardOffsetH(site.timeZone)
  const read = readLoggerFile(readText(path, 'a log as CSV', LONGEST_LOG), site.timeZone, offset)
  if (!read.ok) throw new BadInput([`${path}: ${read.message}`])
  for (const line of read.read.told) process.stderr.write(`${path}: ${line}\n`)
  if (!read.read.log) return read.read
  const { log, left } = soundLog(read.read.log)
  for (const l of left) process.stderr.write(`${path}: ${l.of} ${l.what} for ${l.hours} hours: left out\n`)
  return { ...read.read, log }
}

/** `tasks`: what the season asks, with dates from the climate and the house's own year. */
export async function tasksCommand(args: string[]): Promise<unknown> {
  const { options, words } = readOptions(args, ['from', ...exportOptions('tasks')], ['design.json'])
  const from = options.from ?? new Date().toISOString().slice(0, 10)
  if (!isDate(from)) throw new BadInput([`--from: “${from}” is not a day; allowed: a day such as 2027-04-05`])
  const design = loadDesign(words[0]!)
  const engine = createYearEngine()
  const rows = cropRows(engine, design)
  const tasks = seasonTasks(houseYear(design, engine.run(design, { unheated: false })), from, rows)
  await writeExports('tasks', { tasks, design }, options, words)
  return tasks
}

/** `fit`: what the readings say of the house. */
export function fitCommand(args: string[]): unknown {
  const { words } = readOptions(args, [], ['design.json', 'log.csv'])
  const design = loadDesign(words[0]!)
  const read = loadLog(words[1]!, design)
  const days = outsideDays(read.log, read.daily)
  if (days.length === 0)
    throw new BadInput([
      `${words[1]}: no day has readings from outside; allowed: a column outside_C, or lows and highs`,
    ])
  const engine = createYearEngine()
  return fit(engine, design, layDays(design, engine.site(design), days, read))
}

/** `tonight`: what the nights of a forecast come to inside, and what can be done. */
export function tonightCommand(args: string[]): unknown {
  const { options, words } = readOptions(args, ['forecast', 'log'], ['design.json'])
  if (options.forecast === undefined) throw new BadInput(['--forecast: is missing; allowed: a file of days as JSON'])
  const design = loadDesign(words[0]!)
  const forecast = readForecast(readText(options.forecast, 'a forecast as JSON'))
  if (!forecast.ok) throw new BadInput(forecast.faults.map(f => `${options.forecast}: ${faultLine(f)}`))
  const read = options.log === undefined ? { log: null, daily: [] } : loadLog(options.log, design)
  const engine = createYearEngine()
  return tonight(engine, design, engine.site(design), forecast.days, read)
}
