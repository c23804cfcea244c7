<script setup lang="ts">
import { useElementSize, useIntervalFn } from '@vueuse/core'
import { dayName, DAYS } from '../../../core/climate'
import { createModelScene, type ModelScene } from './model-scene'

/**
 * The house in the round under the true sun of a day and an hour, which can be played through the day, or through the
 * year at one hour.
 */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const frame = ref<HTMLElement | null>(null)
const canvas = ref<HTMLCanvasElement | null>(null)
const { width, height } = useElementSize(frame)
let scene: ModelScene | null = null
const failure = ref('')

const ownDay = ref<number | null>(null)
const ownHour = ref(12)
const day = computed(() => year.day ?? ownDay.value ?? year.view?.cold.day ?? 0)
const hour = computed(() => (year.day !== null ? year.hour : ownHour.value))
function setDay(d: number): void {
  if (year.day === null) ownDay.value = d
  else year.day = d
}
function setHour(h: number): void {
  if (year.day === null) ownHour.value = h
  else year.hour = h
}
const sun = computed(() =>
  year.view
    ? {
        altitude: year.view.hours.sunAltitudeDeg[day.value * 24 + hour.value]!,
        azimuth: year.view.hours.sunAzimuthDeg[day.value * 24 + hour.value]!,
      }
    : null,
)

function colours() {
  const style = getComputedStyle(document.documentElement)
  const get = (name: string) => style.getPropertyValue(`--${name}`).trim()
  return {
    sky: get('sky-top'),
    ground: get('earth'),
    wall: get('wall'),
    glass: get('glass'),
    bed: get('bed'),
    masonry: get('masonry'),
    water: get('slate'),
    wood: get('earth-deep'),
    ink: get('ink'),
  }
}
const place = () => {
  if (scene && sun.value) scene.sun(sun.value.altitude, sun.value.azimuth)
}
onMounted(() => {
  try {
    scene = createModelScene(canvas.value!)
  } catch {
    failure.value =
      'This browser cannot draw in three dimensions (WebGL is missing or switched off). The section and ' +
      'the plan show the same house.'
    return
  }
  scene.resize(Math.max(1, frame.value!.clientWidth), Math.max(1, frame.value!.clientHeight))
  scene.show(bench.current, colours())
  place()
})
watch([width, height], () => {
  if (width.value > 0) scene?.resize(width.value, height.value)
})
watch(
  [() => bench.current, () => settings.theme],
  () => {
    scene?.show(bench.current, colours())
    place()
  },
  { flush: 'post' },
)
watch(sun, place)

const playing = ref<'' | 'day' | 'year'>('')
/** Milliseconds between two pictures. */
const pace = computed(() => (playing.value === 'day' ? 350 : 150))
const turning = useIntervalFn(
  () => (playing.value === 'day' ? setHour((hour.value + 1) % 24) : setDay((day.value + 5) % DAYS)),
  pace,
  { immediate: false },
)
function play(what: 'day' | 'year'): void {
  turning.pause()
  playing.value = playing.value === what ? '' : what
  if (playing.value) turning.resume()
}
onBeforeUnmount(() => scene?.dispose())
const TURNS: Record<string, [number, number]> = {
  ArrowLeft: [-8, 0],
  ArrowRight: [8, 0],
  ArrowUp: [0, 6],
  ArrowDown: [0, -6],
}
function key(event: KeyboardEvent): void {
  const way = TURNS[event.key]
  if (way) scene?.turn(...way)
  else if (event.key === '+') scene?.nearer(0.85)
  else if (event.key === '-') scene?.nearer(1.18)
  else return
  event.preventDefault()
}
const two = (n: number) => String(n).padStart(2, '0')
const words = computed(() =>
  !sun.value ? '' : sun.value.altitude > 0 ? `sun ${sun.value.altitude.toFixed(0)}° high` : 'the sun is down',
)
</script>

<template>
  <div
    ref="frame"
    class="relative size-full overflow-hidden"
    data-test="model-view"
    :data-sun="sun?.altitude.toFixed(1)"
  >
    <p v-if="failure" class="p-6" role="alert">
      {{ failure }}
    </p>
    <template v-else>
      <canvas
        ref="canvas"
        class="size-full touch-none"
        tabindex="0"
        role="img"
        :aria-label="
          `Model of the house on ${dayName(day)} at ${two(hour)}:30, ${words}. Arrow keys turn it, ` +
          `plus and minus bring it nearer.`
        "
        @keydown="key"
      />
      <div
        class="absolute bottom-2 left-2 flex max-w-[96%] flex-wrap items-center gap-x-3 gap-y-1 rounded bg-paper/90 px-2 py-1 text-sm"
      >
        <label class="flex items-center gap-1"
          >{{ dayName(day) }}
          <input
            type="range"
            min="0"
            max="364"
            class="!w-28"
            :value="day"
            aria-label="Day of the model"
            :aria-valuetext="dayName(day)"
            data-test="model-day"
            @input="setDay(Number(($event.target as HTMLInputElement).value))"
        /></label>
        <label class="flex items-center gap-1"
          >{{ two(hour) }}:30
          <input
            type="range"
            min="0"
            max="23"
            class="!w-20"
            :value="hour"
            aria-label="Hour of the model"
            :aria-valuetext="`${two(hour)}:30`"
            data-test="model-hour"
            @input="setHour(Number(($event.target as HTMLInputElement).value))"
        /></label>
        <span>{{ words }}</span>
        <button class="button" :aria-pressed="playing === 'day'" data-test="play-day" @click="play('day')">
          {{ playing === 'day' ? 'Hold' : 'Play the day' }}
        </button>
        <button class="button" :aria-pressed="playing === 'year'" data-test="play-year" @click="play('year')">
          {{ playing === 'year' ? 'Hold' : 'Play the year' }}
        </button>
      </div>
      <div class="absolute left-2 flex gap-1 text-sm" :class="width < 560 ? 'top-11' : 'top-2'">
        <button
          v-for="from in ['outside', 'inside', 'above'] as const"
          :key="from"
          class="button"
          :data-test="`look-${from}`"
          @click="scene?.look(from)"
        >
          {{ from === 'outside' ? 'From outside' : from === 'inside' ? 'From the door' : 'From above' }}
        </button>
      </div>
    </template>
  </div>
</template>
