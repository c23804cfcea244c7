import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { markRaw, ref, shallowRef, toRaw, watch } from 'vue'
import type { CropRow } from '../../core/crops/calendar'
import { faultLine } from '../../core/design/validate'
import { DEMOS } from '../../core/design/demos'
import { isoDay } from '../../core/plan/calendar'
import { emptyBook, packBook, unpackBook, type Book, type PackedBook, type Written } from '../../core/season/book'
import { joined } from '../../core/season/joined'
import type { Fit } from '../../core/season/fit'
import type { Intake } from '../../core/season/intake'
import { withIntake, withoutIntake } from '../../core/season/intakes'
import type { Stretch } from '../../core/season/stretches'
import type { SeasonComparison, SeasonYear } from '../workers/season-work'
import type { Forecast, Tonight } from '../../core/season/tonight'
import { offsetOnDay, standardOffsetH } from '../../core/climate/time-zone'
import { nominalDay } from '../../core/season/log'
import { dayNumber } from '../../core/plan/calendar'
import { sameInDepth } from '../keeping/put-back'
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
  /** Why the book that is kept can't be read; empty where it can. It is never written over. */
  const damaged = shallowRef<string[]>([])
  const show = (next: Book) => (book.value = markRaw(next))

  /** A book as it lies beside its design: none, one, or why it can't be read. */
  const readStored = (raw: unknown): { book: Book | null; why: string[] } => {
    if (raw === undefined || raw === null) return { book: null, why: [] }
    const read = unpackBook(raw)
    return read.ok ? { book: read.book, why: [] } : { book: null, why: read.faults.slice(0, 5).map(faultLine) }
  }

  async function load(id: string): Promise<void> {
    if (whose.value !== id) whose.value = ''
    const found = readStored(await keeping.bookOf(id))
    if (bench.current.id !== id) return
    damaged.value = found.why
    isDemo.value = !found.book && found.why.length === 0 && id === WITH_DEMO
    show(found.book ?? emptyBook())
    if (!isDemo.value) {
      whose.value = id
      return
    }
    const demo = await year.ask(worker => worker.demoBook(DEMOS[0]!, todayHere()))
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
    watch(
      () => keeping.filled,
      its => {
        if (its?.id === bench.current.id) void load(its.id)
      },
    )
    if (channel)
      channel.onmessage = (event: MessageEvent<string>) => {
        if (event.data === bench.current.id) void load(event.data)
      }
  }

  const UNREAD = 'The season book cannot be read: nothing is written over it.'
  type Made = Book | { fault: string }
  /**
   * Changes the book of the design on the bench, from what is kept of it at that moment.
   * @param make gets the kept book, or none, and the invented one where that is shown
   * @returns why not, or null
   */
  async function change(make: (from: Book, kept: Book | null) => Made): Promise<string | null> {
    const { id } = bench.current
    if (damaged.value.length > 0) return UNREAD
    if (whose.value !== id) return 'The season book is on its way: once more in a moment.'
    // The demo's is kept from its first change on.
    const shown = isDemo.value ? book.value : emptyBook()
    let next: Book | null = null
    let fault: string | null
    try {
      fault = await keeping.alter<string | null>(id, 'book', raw => {
        const stored = readStored(raw)
        if (stored.why.length > 0) {
          damaged.value = stored.why
          return { result: UNREAD }
        }
        const made = make(stored.book ?? shown, stored.book)
        if ('fault' in made) return { result: made.fault }
        // What the page holds may be watched: what is kept is plain, and what its own reader takes.
        const value = JSON.parse(JSON.stringify(packBook(made))) as PackedBook
        const read = unpackBook(value)
        if (!read.ok) return { result: read.faults.map(faultLine).join('; ') }
        next = read.book
        return { value, result: null }
      })
    } catch (error) {
      next = null
      fault = `The season book could not be kept: ${error instanceof Error ? error.message : String(error)}`
      notices.tell('error', fault)
    }
    if (next === null) return fault
    channel?.postMessage(id)
    if (bench.current.id === id) {
      isDemo.value = false
      show(next)
    }
    return null
  }
  /** Changes what is written; gives back why not, or null. */
  const edit = (make: (written: Written) => Written | { fault: string }): Promise<string | null> =>
    change(from => {
      const written = make(from.written)
      return 'fault' in written ? written : { ...from, written }
    })
  /** Takes a file of readings in, in place of what was read of it before; tells how much of it was new. */
  async function takeIn(
    intake: Omit<Intake, 'replaced'>,
  ): Promise<{ fresh: number; both: number; apart: number } | { fault: string }> {
    let counts = { fresh: 0, both: 0, apart: 0 }
    const fault = await change((from, kept) => {
      // Real readings and the demo's invented ones are of two houses.
      const done = withIntake(kept ?? emptyBook(), intake)
      if ('fault' in done) return done
      counts = { fresh: done.fresh, both: done.both, apart: done.apart }
      return done.book
    })
    return fault === null ? counts : { fault }
  }
  /** Takes a file out again with all that was read of it; the notice brings it back. */
  async function takeOut(id: string): Promise<string | null> {
    let out: Intake | undefined
    const fault = await change(from => {
      out = from.intakes?.find(i => i.id === id)
      return withoutIntake(from, id)
    })
    if (fault !== null || !out) return fault
    const its = out
    const back = async () => {
      const refused = await takeIn(its)
      if ('fault' in refused) notices.tell('error', refused.fault)
    }
    notices.tell('info', `${its.name} is taken out.`, {
      seconds: 30,
      action: { label: 'Bring it back', run: () => void back() },
    })
    return null
  }
  /** A file that was taken in and is to be read again, in other units or by other columns. */
  const again = shallowRef<Intake | null>(null)
  /** Puts a whole book in the place of this one; a notice brings the old one back, beside what is written since. */
  async function replace(next: Book, told: string): Promise<string | null> {
    const before = book.value
    const wasDemo = isDemo.value
    const fault = await change(() => next)
    if (fault !== null) return fault
    const back = async () => {
      const refused = wasDemo
        ? await keeping.alter(bench.current.id, 'book', raw =>
            sameInDepth(raw, packBook(next))
              ? { value: null, result: null }
              : { result: 'What was written since stays: an invented year is not laid into it.' },
          )
        : await change(from => joined(from, before))
      if (refused) notices.tell('warning', refused)
      else await load(bench.current.id)
    }
    notices.tell('info', told, { seconds: 15, action: { label: 'Bring it back', run: () => void back() } })
    return null
  }
  /** Puts a book that can't be read aside, as it is, and begins an empty one. */
  async function beginAnew(): Promise<void> {
    const { id } = bench.current
    const why = damaged.value
    if (why.length === 0) return
    await keeping.alter(id, 'book', raw =>
      readStored(raw).why.length === 0
        ? { result: null }
        : { value: packBook(emptyBook()), putAside: { what: 'a season book', why }, result: null },
    )
    await load(id)
    notices.tell('info', 'An empty season book is begun. The other one stands in the list of designs, as it is.')
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
  const yearOf = (rows: readonly CropRow[]): Promise<SeasonYear> => {
    const { design, book: its, units } = plain()
    return year.ask(worker => worker.seasonYear(design, its, todayHere(), rows, units))
  }

  return {
    book,
    whose,
    isDemo,
    damaged,
    look,
    load,
    edit,
    again,
    takeIn,
    takeOut,
    replace,
    beginAnew,
    comparisonOf,
    fitOf,
    tonightOf,
    yearOf,
  }
})
