import { defineStore } from 'pinia'
import { shallowRef, watch } from 'vue'
import { standardOffsetH } from '../../core/climate/time-zone'
import { liveReading, type LiveReading } from '../../core/season/simulated'
import { useDesign } from './design'
import { useNotices } from './notices'
import { useSeason } from './season'
import { useSettings } from './settings'
import { useYear } from './year'

/** It reads so often, ms. */
const EVERY_MS = 5000

/**
 * A simulated logger, and said to be: it reads the design's own year at this hour of it, a stand-in until a real one
 * writes files. Passing the limits of the season book sounds the alarm, whatever step is shown.
 */
export const useLogger = defineStore('logger', () => {
  const season = useSeason()
  const bench = useDesign()
  const year = useYear()
  const settings = useSettings()
  const notices = useNotices()
  const now = shallowRef<LiveReading | null>(null)
  let timer: ReturnType<typeof setInterval> | undefined

  function read(): void {
    const hours = year.view?.hours
    if (!hours) return
    now.value = liveReading(hours, new Date(), standardOffsetH(bench.current.site.timeZone))
    watchOver(now.value)
  }
  let outside = false
  /** Rings once each time that a limit is passed. */
  function watchOver({ insideC, at }: LiveReading): void {
    const { alarm } = season.book.written
    if (!alarm.on || season.whose !== bench.current.id) return void (outside = false)
    const what = insideC < alarm.lowC ? 'colder' : insideC > alarm.highC ? 'warmer' : null
    if (what === null) return void (outside = false)
    if (outside) return
    outside = true
    const limit = settings.show(what === 'colder' ? alarm.lowC : alarm.highC, 'temperature')
    const words = `It is ${settings.show(insideC, 'temperature')} inside, ${what} than ${limit}.`
    notices.tell('warning', words, { seconds: 60 })
    if (alarm.sound) ring()
    if (typeof Notification !== 'undefined' && Notification.permission === 'granted')
      new Notification(bench.current.name, { body: words })
    void season.edit(w => ({
      ...w,
      alarm: { ...w.alarm, log: [...w.alarm.log.slice(-99), { at: at.toISOString().slice(0, 16), what: words }] },
    }))
  }
  function ring(): void {
    try {
      const audio = new AudioContext()
      const tone = audio.createOscillator()
      tone.frequency.value = 880
      tone.connect(audio.destination)
      tone.start()
      tone.stop(audio.currentTime + 0.6)
    } catch {
      /* no sound here: the notice is there */
    }
  }

  /** Begins to read; once it has, it goes on as long as the page is open. */
  function start(): void {
    if (timer) return
    timer = setInterval(read, EVERY_MS)
    watch(() => [year.view, season.book], read, { immediate: true })
  }

  return { now, start }
})
