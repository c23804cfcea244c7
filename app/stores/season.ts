import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { markRaw, ref, shallowRef, toRaw, watch } from 'vue'
import { faultLine } from '../../core/design'
import { DEMOS } from '../../core/design/demos'
import { isoDay } from '../../core/plan/calendar'
import { bookFaults, emptyBook, packBook, unpackBook, type Book, type Written } from '../../core/season/book'
import type { Fit } from '../../core/season/fit'
import { merged, type HourlyLog } from '../../core/season/log'
import type { Stretch } from '../../core/season/stretches'
import type { SeasonComparison, SeasonYear } from '../workers/season-work'
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

  /** A book that is there and cannot be read: nothing is written over it. */
  const damaged = ref('')

  async function stored(id: string): Promise<Book | null> {
    const given = await keeping.bookOf(id)
    if (given === null || given === undefined) return null
    const read = unpackBook(given)
    if (read.ok) return read.book
    damaged.value = id
    notices.tell('error', 'The season book cannot be read, and is left as it is.', {
      lines: read.faults.map(faultLine),
    })
    return null
  }
  const show = (next: Book) => (book.value = markRaw(next))

  async function load(id: string): Promise<void> {
    if (whose.value !== id) whose.value = ''
    const found = await stored(id)
    if (bench.current.id !== id) return
    isDemo.value = !found && id === WITH_DEMO && damaged.value !== id
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

  let last: Promise<unknown> = Promise.resolve()
  /** One change of a book after the other, in all tabs: each begins from what the one before has left. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const locks = globalThis.navigator?.locks
    const mine = last.then(async (): Promise<T> => {
      return locks ? await locks.request('tierra-season', async () => await work()) : await work()
    })
    last = mine.catch(() => null)
    return mine
  }
  /** Keeps a design's book. */
  async function keep(id: string, next: Book): Promise<string | null> {
    try {
      await keeping.keepBook(id, packBook(next))
    } catch (error) {
      const why = `The season book could not be kept: ${error instanceof Error ? error.message : String(error)}`
      notices.tell('error', why)
      return why
    }
    channel?.postMessage(id)
    if (bench.current.id === id) {
      isDemo.value = false
      show(next)
    }
    return null
  }
  /** Makes a change to the book of the design on the bench; gives back why not, or null. */
  async function change(make: (from: Book) => Book | { fault: string }): Promise<string | null> {
    const { id } = bench.current
    if (damaged.value === id) return 'The season book cannot be read: nothing is written over it.'
    if (whose.value !== id) return 'The season book is on its way: once more in a moment.'
    return inTurn(async () => {
      // The demo's is kept from its first change on.
      const next = make((await stored(id)) ?? (isDemo.value ? book.value : emptyBook()))
      if ('fault' in next) return next.fault
      const faults = bookFaults(next.written)
      return faults.length > 0 ? faults.map(faultLine).join('; ') : keep(id, next)
    })
  }
  /** Changes what is written; gives back why not, or null. */
  const edit = (make: (written: Written) => Written | { fault: string }): Promise<string | null> =>
    change(from => {
      const written = make(from.written)
      // What the page holds may be watched: what is kept is plain.
      return 'fault' in written ? written : { ...from, written: JSON.parse(JSON.stringify(written)) as Written }
    })
  /** Lays a logger's hours into the book; tells how many were new. */
  async function takeLog(log: HourlyLog): Promise<{ fresh: number; both: number; apart: number } | { fault: string }> {
    let counts = { fresh: log.hours, both: 0, apart: 0 }
    const fault = await change(from => {
      // Real readings and the demo's invented ones are of two houses.
      if (isDemo.value) return { ...emptyBook(), log }
      if (!from.log) return { ...from, log }
      const { log: all, ...told } = merged(from.log, log)
      counts = told
      return { ...from, log: all }
    })
    return fault === null ? counts : { fault }
  }
  /** Puts a whole book in the place of this one; a notice brings the old one back. */
  async function replace(next: Book, told: string): Promise<void> {
    const before = book.value
    const wasDemo = isDemo.value
    if ((await change(() => next)) !== null) return
    const back = async () => {
      if ((await change(() => before)) === null) isDemo.value = wasDemo
    }
    notices.tell('info', told, { action: { label: 'Bring it back', run: () => void back() } })
  }

  const plain = () => ({ design: toRaw(bench.current), book: toRaw(book.value), units: settings.units })
  const comparisonOf = (stretch: Stretch): Promise<SeasonComparison | null> => {
    const { design, book: its } = plain()
    return year.ask(worker => worker.compareSeason(design, its, stretch))
  }
  const fitOf = (stretch: Stretch, told: (share: number) => void): Promise<Fit | null> => {
    const { design, book: its, units } = plain()
    return year.ask(worker => worker.fitSeason(design, its, stretch, units, proxy(told)))
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
