import { defineStore } from 'pinia'
import { computed, reactive, ref, shallowRef } from 'vue'
import type { Answers } from '../../core/answers'
import type { Design } from '../../core/design'
import type { AtHand, Against, StartAnswers } from '../../core/start/choices'
import { readBearing } from '../../core/units/bearing'
import { startDesign } from '../../core/start/improve'
import { parseClimateTable } from '../../formats/climate-table'
import type { EpwYear } from '../../formats/epw'
import { readKnownLow } from '../../core/start/known-low'
import { climateLike, likelyClimates } from '../../core/start/place-climates'
import { readWeatherFile } from '../composables/readWeatherFile'
import { useNewDesign } from '../composables/useNewDesign'
import { freshId } from '../keeping/journal'
import { useNotices } from './notices'
import { useSettings } from './settings'
import { useYear } from './year'

/** What somebody who begins is asked, and the design that is made of it. */
export const useStart = defineStore('start', () => {
  const notices = useNotices()
  const settings = useSettings()
  const year = useYear()
  const place = shallowRef<{ latitudeDeg: number; longitudeDeg: number; name: string } | null>(null)
  /** “A climate like …” instead of a place, by its id; empty for the climate of the place. */
  const like = ref('')
  const heightM = ref<number | null>(null)
  const known = reactive({ kind: 'zone' as 'zone' | 'usual' | 'record', text: '' })
  const chosen = ref(0)
  const against = ref<Against>('free')
  /** Which way the house's wall looks, as it was typed or pressed on the compass; empty: towards the equator. */
  const facing = ref('')
  /** How far the compass that it was read off points east of true north, degrees. */
  const declinationDeg = ref(0)
  const facingDeg = computed(() =>
    against.value === 'house' && facing.value.trim() !== '' ? readBearing(facing.value, declinationDeg.value) : null,
  )
  const size = reactive({ lengthM: 6, widthM: 4 })
  const lives = ref<string[]>(['leaves', 'summer'])
  const atHand = reactive<AtHand>({ power: true, water: true, stone: false, drums: 0, windowsM2: 0 })
  const state = reactive({ running: false, share: 0, failure: '' })
  let stop = new AbortController()

  const read = computed(() => (known.text.trim() === '' ? null : readKnownLow(known.text, known.kind, settings.units)))
  /** A table of somebody's own figures, pasted; null where there is none that can be read. */
  const pasted = ref('')
  const table = computed(() =>
    pasted.value.trim() === '' ? null : parseClimateTable(pasted.value, settings.units === 'us' ? 'F' : 'C'),
  )
  /** A weather file that was dropped or chosen: it goes before all else; or why it was not taken. */
  const weather = shallowRef<{ file: string; year: EpwYear } | null>(null)
  const weatherFault = ref('')
  async function takeWeather(file: File): Promise<void> {
    const read = /\.epw$/i.test(file.name)
      ? await readWeatherFile(file)
      : { ok: false as const, message: 'It is no weather file: its name ends in .epw.' }
    weatherFault.value = read.ok ? '' : `${file.name} was not taken. ${read.message}`
    if (!read.ok) return
    const { epw } = read
    weather.value = { file: file.name, year: epw }
    place.value ??= { latitudeDeg: epw.latitudeDeg, longitudeDeg: epw.longitudeDeg, name: epw.place }
    heightM.value ??= Math.round(epw.elevationM)
  }
  /** The climates that the place may have, the likeliest first; one alone where it was chosen by its kind. */
  const climates = computed(() => {
    const figure = read.value?.ok ? read.value.known : null
    if (like.value !== '') return [climateLike(like.value, place.value, heightM.value, figure)]
    return place.value ? likelyClimates(place.value, heightM.value, figure) : []
  })
  const likely = computed(() => climates.value[Math.min(chosen.value, climates.value.length - 1)] ?? null)
  const climate = computed(
    () => weather.value?.year.climate ?? (table.value?.ok ? table.value.climate : (likely.value?.climate ?? null)),
  )
  const where = computed(() => place.value ?? (likely.value ? { ...likely.value.seat, name: '' } : null))

  /** What was answered so far, as a house can be made of it; null while it is not known where. */
  function answers(): Omit<StartAnswers, 'timeZone'> | null {
    if (!climate.value || !where.value) return null
    const { latitudeDeg, longitudeDeg, name } = where.value
    return {
      place: name || 'Place not named yet',
      latitudeDeg,
      longitudeDeg,
      elevationM: Math.round(heightM.value ?? likely.value?.heightM ?? 0),
      climate: climate.value,
      against: against.value,
      facingDeg: facingDeg.value,
      ...size,
      lives: lives.value,
      atHand,
    }
  }

  /** Makes the design, puts it on the bench and says why it is so. Returns whether it came about. */
  async function make(): Promise<boolean> {
    const asked = answers()
    if (!asked) return false
    stop.abort()
    stop = new AbortController()
    const { signal } = stop
    Object.assign(state, { running: true, share: 0, failure: '' })
    try {
      const { timeZoneOf } = await import('../../core/climate/zone-of-place')
      const timeZone = timeZoneOf(asked.latitudeDeg, asked.longitudeDeg)
      const run = async (design: Design): Promise<Answers> => {
        signal.throwIfAborted()
        return year.answersOf(design)
      }
      const name = asked.place === 'Place not named yet' ? 'My greenhouse' : `${asked.place.split(',')[0]} greenhouse`
      const { design, why } = await startDesign(
        { ...asked, timeZone },
        freshId(),
        name.slice(0, 120),
        run,
        settings.show,
        share => (state.share = share),
      )
      signal.throwIfAborted()
      await useNewDesign().begin(design)
      notices.tell('info', 'Your design, and why it begins like this:', { lines: [...why], seconds: 600 })
      return true
    } catch (error) {
      if (!signal.aborted) state.failure = error instanceof Error ? error.message : String(error)
      return false
    } finally {
      if (!signal.aborted) state.running = false
    }
  }
  function cancel(): void {
    stop.abort()
    state.running = false
  }

  return {
    place,
    like,
    heightM,
    known,
    read,
    chosen,
    climates,
    likely,
    pasted,
    table,
    weather,
    weatherFault,
    takeWeather,
    where,
    against,
    facing,
    declinationDeg,
    facingDeg,
    size,
    lives,
    atHand,
    state,
    answers,
    make,
    cancel,
  }
})
