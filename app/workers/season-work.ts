import { dayName, HOURS } from '../../core/climate'
import type { CropRow } from '../../core/crops/calendar'
import type { Design } from '../../core/design'
import { makeBuilding } from '../../core/geometry/surfaces'
import { dayNumber, isoDay } from '../../core/plan/calendar'
import type { Book } from '../../core/season/book'
import { compare, predict, type Comparison } from '../../core/season/compare'
import { demoBook } from '../../core/season/demo-book'
import { fit, type Fit } from '../../core/season/fit'
import type { Unsound } from '../../core/season/log'
import { layDays, outsideDays } from '../../core/season/measured'
import { houseYear, seasonTasks, type DatedTask } from '../../core/season/season-tasks'
import { simulatedNights } from '../../core/season/simulated'
import { readingsWithin, type Stretch } from '../../core/season/stretches'
import { tonight, type Forecast, type Tonight } from '../../core/season/tonight'
import { waterYear, type WaterYear } from '../../core/season/water'
import { formatQuantity, type Show, type UnitSystem } from '../../core/units'
import type { YearEngine } from '../../core/year'

/** What was read and what is said of the same hours. */
export interface SeasonComparison {
  comparison: Comparison
  /** First day. */
  from: string
  said: Float32Array
  read: Float32Array
  outside: Float32Array
  unsound: Unsound[]
}

/** A season's year: its tasks and its water. */
export interface SeasonYear {
  tasks: DatedTask[]
  water: WaterYear
  /** In words; null where it never freezes inside. */
  firstFrost: string | null
}

/** Values in a reader's units, as the page itself writes them. */
const showIn =
  (units: UnitSystem): Show =>
  (value, quantity) =>
    formatQuantity(value, quantity, units)

/** So many nights are looked ahead. */
const NIGHTS = 4

/** What a worker does for the season book. */
export const seasonWork = (engine: YearEngine) => ({
  demoBook: (design: Design, today: string): Book => demoBook(design, today),
  compareSeason(design: Design, book: Book, stretch: Stretch): SeasonComparison | null {
    const { left, ...readings } = readingsWithin(book, stretch)
    const days = outsideDays(readings.log, readings.daily)
    if (days.length < 2) return null
    const laid = layDays(design, engine.site(design), days, readings)
    const said = predict(engine, design, laid)
    const hours = laid.days * 24
    return {
      comparison: compare(laid, said),
      from: isoDay(laid.day),
      said: said.airC,
      read: laid.insideC,
      outside: Float32Array.from({ length: hours }, (_, n) => laid.weather.dryBulbC[(laid.fromDay * 24 + n) % HOURS]!),
      unsound: left,
    }
  },
  /** @param told the share that is done, 0–1, as it goes */
  fitSeason(
    design: Design,
    book: Book,
    stretch: Stretch,
    units: UnitSystem,
    told: (share: number) => void,
  ): Fit | null {
    const readings = readingsWithin(book, stretch)
    const days = outsideDays(readings.log, readings.daily)
    if (days.length < 2) return null
    const laid = layDays(design, engine.site(design), days, readings)
    return fit(engine, design, laid, told, showIn(units))
  },
  tonight(
    design: Design,
    book: Book,
    today: string,
    offsetH: number,
    units: UnitSystem,
  ): { told: Tonight; forecast: Forecast[]; typed: boolean } {
    const site = engine.site(design)
    const typed = book.written.forecast.filter(f => f.date >= today)
    const forecast = typed.length > 0 ? typed : simulatedNights(site, today, NIGHTS, design.site.seed)
    const readings = readingsWithin(book, { from: null, until: isoDay(dayNumber(today) - 1) })
    return {
      told: tonight(engine, design, site, forecast, readings, offsetH, showIn(units)),
      forecast,
      typed: typed.length > 0,
    }
  },
  /** @param rows the calendar of its crops, as far as it is known */
  seasonYear(design: Design, book: Book, today: string, rows: readonly CropRow[], units: UnitSystem): SeasonYear {
    const result = engine.run(design, { unheated: false })
    const frost = result.series.airC.findIndex(c => c < 0)
    return {
      tasks: seasonTasks(houseYear(design, result), today, rows, showIn(units)),
      water: waterYear(makeBuilding(design), result.series, book.written.water),
      firstFrost: frost < 0 ? null : dayName(Math.floor(frost / 24)),
    }
  },
})

export type SeasonWork = ReturnType<typeof seasonWork>
