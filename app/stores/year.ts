import type { Remote } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Answers, Extreme } from '../../core/answers'
import type { Design } from '../../core/design'
import type { YearView } from '../../core/view'
import type { HeatDay } from '../../core/heat-view'
import type { SunHours } from '../../core/optics/sun-hours'
import type { Brief } from '../../core/study/brief'
import type { RunAs } from '../../core/study/ran-as'
import type { CropYear } from '../../core/crops/weeks'
import type { WeekFlow } from '../../core/study/runs'
import type { AskedSpell, SpellAnswer } from '../../core/study/spell'
import { createYearClient, type YearClient } from '../workers/year-client'
import type { YearWorker } from '../workers/year.worker'

/** The year of the design on the bench, worked out in the background, and the pinned design's answers. */
export const useYear = defineStore('year', () => {
  const view = shallowRef<YearView | null>(null)
  const running = ref(false)
  const failure = ref('')
  /**
   * The coldest hour of the design while it is being drawn about, or of the first one before its year is there; null
   * while all that is shown is of one year.
   */
  const moving = shallowRef<Extreme | null>(null)
  /** The coldest hour as it is shown: the figure that follows the hand. */
  const coldest = computed(() => moving.value ?? view.value?.answers.coldestNight ?? null)
  /** The coldest hour that a heated house would have with no added heat, and the year of which it is. */
  const unheated = shallowRef<{ view: YearView; coldest: Extreme } | null>(null)
  const pinned = shallowRef<Design | null>(null)
  const pinnedAnswers = shallowRef<Answers | null>(null)
  /** Day of year shown hour by hour, or null for the design days. */
  const day = ref<number | null>(null)
  const hour = ref(12)
  let client: YearClient | null = null

  function pool(): YearClient {
    client ??= createYearClient(3, {
      year(next, newest) {
        view.value = next
        moving.value = null
        failure.value = ''
        if (newest) running.value = false
      },
      coldest(hour, of) {
        if (of === 'moving') moving.value = hour
        else unheated.value = { view: view.value!, coldest: hour }
      },
      error(error) {
        asked = null
        running.value = false
        failure.value = `The year could not be worked out: ${error.message}`
      },
    })
    return client
  }

  /** Starts the first worker, so that it is there when a year is asked for. */
  const warm = (): void => void pool()

  /**
   * Asks for a design's year; one that is on its way or there is not asked for again. While it is being drawn about the
   * coldest hour alone follows the hand, and the year is asked for at rest.
   */
  let asked: Design | null = null
  let askedMoving = false
  function request(design: Design, isMoving = false): void {
    if (design === asked && (isMoving || !askedMoving) && failure.value === '') return
    asked = design
    askedMoving = isMoving
    running.value = true
    pool().request(design, isMoving ? 'moving' : view.value === null ? 'first' : 'year')
  }

  /** Pins a design; its answers are what later figures are set against. null takes the pin out. */
  async function pin(design: Design | null): Promise<void> {
    pinned.value = design
    pinnedAnswers.value = null
    if (!design) return
    const answers = await pool().once(async worker => {
      const its = (await worker.run(design)).answers
      if (its.freeRunning !== null) return its
      return { ...its, freeRunning: { coldestNight: await worker.coldest(design, { heated: false }) } }
    })
    if (pinned.value === design) pinnedAnswers.value = answers
  }

  /** The day of the year body by body, and how long the sun stands on each thing. */
  const heat = (design: Design, on: number): Promise<HeatDay> => pool().once(worker => worker.heat(design, on))
  /** The year as files. */
  const file = (design: Design, format: string): Promise<string | Uint8Array> =>
    pool().once(async worker => (await worker.file(design, format)) as string | Uint8Array)
  const flows = (design: Design, first: number, hours: number): Promise<WeekFlow[]> =>
    pool().once(worker => worker.flows(design, first, hours))
  const sunHours = (design: Design): Promise<SunHours[]> => pool().once(worker => worker.sunHours(design))
  /** The coldest hour of a design's year alone, within 0.05 K. */
  const coldestHour = (design: Design): Promise<Extreme> =>
    pool().once(worker => worker.coldest(design, { heated: true }))
  /** A piece of the season's work, or any other that is a worker's own. */
  const ask = <T>(work: (worker: Remote<YearWorker>) => Promise<T>): Promise<T> => pool().once(work)
  /** The answers of a design's year, without its unheated twin. */
  const answersOf = async (design: Design): Promise<Answers> =>
    (await pool().once(worker => worker.run(design))).answers
  /** Designs in brief, as they come, each run as it is said. */
  const briefs = (
    designs: readonly Design[],
    as: RunAs,
    each: (brief: Brief, index: number) => void,
    signal: AbortSignal,
  ): Promise<void> => pool().many(designs, (worker, design) => worker.brief(design, as), each, signal)
  /** Designs' years as their crops have them, as they come. */
  const cropYears = (
    designs: readonly Design[],
    each: (year: CropYear, index: number) => void,
    signal: AbortSignal,
  ): Promise<void> => pool().many(designs, (worker, design) => worker.cropYear(design), each, signal)
  /** Designs in a spell, as they come. */
  const spells = (
    designs: readonly Design[],
    as: RunAs,
    asked: AskedSpell,
    each: (answer: SpellAnswer, index: number) => void,
    signal: AbortSignal,
  ): Promise<void> => pool().many(designs, (worker, design) => worker.spell(design, asked, as), each, signal)

  return {
    view,
    heat,
    sunHours,
    flows,
    file,
    coldestHour,
    ask,
    answersOf,
    briefs,
    cropYears,
    spells,
    running,
    moving,
    coldest,
    unheated,
    failure,
    pinned,
    pinnedAnswers,
    day,
    hour,
    warm,
    request,
    pin,
  }
})
