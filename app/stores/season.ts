import { defineStore } from 'pinia'
import { markRaw, ref, shallowRef, toRaw, watch } from 'vue'
import { faultLine } from '../../core/design'
import { DEMOS } from '../../core/design/demos'
import { isoDay } from '../../core/plan/calendar'
import { bookFaults, emptyBook, packBook, unpackBook, type Book, type Written } from '../../core/season/book'
import type { Fit } from '../../core/season/fit'
import { merged, type HourlyLog } from '../../core/season/log'
import type { SeasonComparison, SeasonYear, Stretch } from '../workers/season-work'
import type { Forecast, Tonight } from '../../core/season/tonight'
import { offsetOnDay, standardOffsetH } from '../../core/climate/time-zone'
import { nominalDay } from '../../core/season/log'
import { dayNumber } from '../../core/plan/calendar'
import { useDesign } from './design'
import { useKeeping } from './keeping'
import { useNotices } from './notices'
import { useSettings } from './settings'
import { useYear } from './year'

/** Today on the clock of this machine, ISO 8601. */
export const todayHere = (): string =>
  isoDay(Math.floor((Date.now() - new Date().getTimezoneOffset() * 60_000) / 86_400_000))

/** The design that ships with a season of its own, to try it on. */
const WITH_DEMO = DEMOS[0]!.id

/** The season book of the design on the bench: kept beside it, exported with it, one book in all tabs. */
export const useSeason = defineStore('season', () => {
  const bench = useDesign()
  const keeping = useKeeping()
  const notices = useNotices()
  const year = useYear()
  const settings = useSettings()
  const book = shallowRef<Book>(emptyBook())
  /** Whose book it is; empty while it is on its way. */
  const whose = ref('')
  /** It is the invented one that ships with the demo: nothing of it is kept until it is taken over. */
  const isDemo = ref(false)
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tierra-season')

  async function stored(id: string): Promise<Book | null> {
    const given = await keeping.bookOf(id)
    if (given === null || given === undefined) return null
    const read = unpackBook(given)
    if (read.ok) return read.book
    notices.tell('error', 'The season book cannot be read, and is left as it is.', {
      lines: read.faults.map(faultLine),
    })
    return null
  }
  const show = (next: Book) => (book.value = markRaw(next))

  async function load(id: string): Promise<void> {
    const found = await stored(id)
    if (bench.current.id !== id) return
    isDemo.value = !found && id === WITH_DEMO
    show(found ?? emptyBook())
    if (!isDemo.value) {
      whose.value = id
      return
    }
    const demo = await year.ask(worker => worker.demoBook(toRaw(bench.current), todayHere()))
    if (bench.current.id !== id || !isDemo.value) return
    show(demo)
    whose.value = id
  }

  /** Begins to look after the book of the design on the bench. */
  function look(): void {
    watch(
      () => bench.current.id,
      id => void load(id),
      { immediate: true },
    )
    if (channel)
      channel.onmessage = (event: MessageEvent<string>) => {
        if (event.data === bench.current.id) void load(event.data)
      }
  }

  /** Keeps a book; what another tab wrote meanwhile is under it, since each edit begins from what is kept. */
  async function keep(next: Book): Promise<boolean> {
    const id = bench.current.id
    try {
      await keeping.keepBook(id, packBook(next))
    } catch (error) {
      notices.tell(
        'error',
        `The season book could not be kept: ${error instanceof Error ? error.message : String(error)}`,
      )
      return false
    }
    isDemo.value = false
    show(next)
    channel?.postMessage(id)
    return true
  }
  /** What an edit begins from: as it is kept, or the demo's as it stands. */
  const base = async (): Promise<Book> => (await stored(bench.current.id)) ?? book.value

  /** Changes what is written; gives back why not, or null. */
  async function edit(change: (written: Written) => Written): Promise<string | null> {
    const from = await base()
    // What the page holds may be watched: what is kept is plain.
    const written = JSON.parse(JSON.stringify(change(from.written))) as Written
    const faults = bookFaults(written)
    if (faults.length > 0) return faults.map(faultLine).join('; ')
    return (await keep({ ...from, written })) ? null : 'It could not be kept.'
  }
  /** Lays a logger's hours into the book; tells how many were new. */
  async function takeLog(log: HourlyLog): Promise<{ fresh: number; both: number; apart: number }> {
    const from = isDemo.value ? emptyBook() : await base()
    if (!from.log) {
      await keep({ ...from, log })
      return { fresh: log.hours, both: 0, apart: 0 }
    }
    const { log: all, ...counts } = merged(from.log, log)
    await keep({ ...from, log: all })
    return counts
  }
  /** Puts a whole book in the place of this one; a notice brings the old one back. */
  async function replace(next: Book, told: string): Promise<void> {
    const before = book.value
    const wasDemo = isDemo.value
    if (!(await keep(next))) return
    notices.tell('info', told, {
      action: { label: 'Bring it back', run: () => void keep(before).then(() => (isDemo.value = wasDemo)) },
    })
  }

  const plain = () => ({ design: toRaw(bench.current), book: toRaw(book.value), units: settings.units })
  const comparisonOf = (stretch: Stretch): Promise<SeasonComparison | null> => {
    const { design, book: its } = plain()
    return year.ask(worker => worker.compareSeason(design, its, stretch))
  }
  const fitOf = (stretch: Stretch): Promise<Fit | null> => {
    const { design, book: its, units } = plain()
    return year.ask(worker => worker.fitSeason(design, its, stretch, units))
  }
  const tonightOf = (): Promise<{ told: Tonight; forecast: Forecast[]; typed: boolean }> => {
    const { design, book: its, units } = plain()
    const today = todayHere()
    const { timeZone } = design.site
    const offsetH = offsetOnDay(timeZone, nominalDay(dayNumber(today))) - standardOffsetH(timeZone)
    return year.ask(worker => worker.tonight(design, its, today, offsetH, units))
  }
  const yearOf = (): Promise<SeasonYear> => {
    const { design, book: its } = plain()
    return year.ask(worker => worker.seasonYear(design, its, todayHere()))
  }

  return { book, whose, isDemo, look, load, edit, takeLog, replace, comparisonOf, fitOf, tonightOf, yearOf }
})
