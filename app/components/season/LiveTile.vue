<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { MONTH_START } from '../../../core/climate'

/** What the simulated logger reads now: a stand-in until a real one writes files. Its limits sound an alarm. */
const season = useSeason()
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const notices = useNotices()
const EVERY_MS = 5000
const now = shallowRef<{ at: Date; insideC: number; outsideC: number; soilC: number; fallsK: number } | null>(null)

/** The hour of the nominal year that a moment falls in, and how far into it. */
function hourOf(at: Date): { hour: number; share: number } {
  const day = MONTH_START[at.getMonth()]! + Math.min(at.getDate(), at.getMonth() === 1 ? 28 : 31) - 1
  return { hour: day * 24 + at.getHours(), share: at.getMinutes() / 60 }
}
function read(): void {
  const hours = year.view?.hours
  if (!hours) return
  const at = new Date()
  const { hour, share } = hourOf(at)
  const between = (of: Float32Array) => of[hour]! + share * (of[(hour + 1) % of.length]! - of[hour]!)
  const insideC = between(hours.airC)
  now.value = {
    at,
    insideC,
    outsideC: between(hours.outsideC),
    soilC: between(hours.soilC),
    fallsK: hours.airC[(hour + 1) % hours.airC.length]! - hours.airC[hour]!,
  }
  watchOver(insideC, at)
}
let outside = false
/** Rings once each time that a limit is passed. */
function watchOver(insideC: number, at: Date): void {
  const { alarm } = season.book.written
  if (!alarm.on) return void (outside = false)
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
useIntervalFn(read, EVERY_MS, { immediateCallback: true })
watch(() => [year.view, season.book], read)
const t = (c: number) => settings.show(c, 'temperature')
const clock = (at: Date) => at.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })
const way = (kPerH: number) =>
  Math.abs(kPerH) < 0.05
    ? 'steady'
    : `${kPerH < 0 ? 'falling' : 'rising'} ${settings.show(Math.abs(kPerH), 'temperatureDifference')} an hour`
</script>

<template>
  <div v-if="now" class="border border-line bg-paper p-2" data-test="live">
    <p class="hint">Inside now, by the simulated logger</p>
    <p class="slab text-2xl">{{ t(now.insideC) }}</p>
    <p class="text-sm">
      at {{ clock(now.at) }}, {{ way(now.fallsK) }}. Soil {{ t(now.soilC) }}, outside {{ t(now.outsideC) }}.
    </p>
  </div>
</template>
