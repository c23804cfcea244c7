<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { aimLine } from '../../../core/aim/aim-line'
import { dayName, DAYS, HOURS, MONTH_DAYS, MONTH_NAMES, MONTH_OF_DAY, MONTH_START } from '../../../core/climate'
import type { Quantity } from '../../../core/units'

/** The year as a map, a column a day and a row an hour: of air, leaf, soil, bodies, light and what moves. */
const bench = useDesign()
const year = useYear()
const settings = useSettings()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const ROW_PX = 9
interface Shown {
  id: string
  name: string
  hours: Float32Array
  quantity: Quantity
  /** Temperatures part at the aim, or at 0 °C; all else goes from its least to its most. */
  parted: boolean
}
const kinds = computed((): Shown[] => {
  const view = year.view
  if (!view) return []
  const { hours } = view
  const c = (id: string, name: string, of: Float32Array): Shown => ({
    id,
    name,
    hours: of,
    quantity: 'temperature',
    parted: true,
  })
  const plain = (id: string, name: string, of: Float32Array, quantity: Quantity): Shown => ({
    id,
    name,
    hours: of,
    quantity,
    parted: false,
  })
  return [
    c('air', 'Air at the beds', hours.airC),
    c('leaf', 'Topmost leaf', hours.leafC),
    c('soil', 'Soil of the beds', hours.soilC),
    ...view.answers.bodies.map(b => c(`body-${b.index}`, b.name, view.bodiesC[b.index]!)),
    c('outside', 'Outside', hours.outsideC),
    plain('humidity', 'Humidity', hours.relativeHumidity, 'share'),
    plain('light', 'Sun on the beds, W/m²', hours.bedLightWm2, 'ratio'),
    plain('cover', 'Cover drawn', hours.coverDrawn, 'share'),
    plain('vents', 'Openings open', hours.ventOpening, 'share'),
    plain('heater', 'Added heat', hours.heaterW, 'power'),
  ]
})
const chosen = ref('air')
const shown = computed(() => kinds.value.find(k => k.id === chosen.value) ?? kinds.value[0])
const CHOICES = computed(() => kinds.value.map(k => ({ id: k.id, name: k.name })))
const choose = (id: string) => {
  chosen.value = id
  return null
}
const range = computed(() => {
  const values = shown.value?.hours ?? new Float32Array(1)
  let [low, high] = [Infinity, -Infinity]
  for (const v of values) {
    if (v < low) low = v
    if (v > high) high = v
  }
  return { low, high: high > low ? high : low + 1 }
})
const say = (v: number) =>
  !shown.value ? '' : shown.value.quantity === 'ratio' ? String(Math.round(v)) : settings.show(v, shown.value.quantity)

/** Colours of the theme as numbers. */
function colour(name: string): number[] {
  const probe = document.createElement('span')
  probe.style.color = `var(--${name})`
  document.body.append(probe)
  const rgb = getComputedStyle(probe)
    .color.match(/[\d.]+/g)!
    .slice(0, 3)
    .map(Number)
  probe.remove()
  return rgb
}
const mix = (a: number[], b: number[], share: number) => a.map((v, i) => v + (b[i]! - v) * share)
function paint(): void {
  const context = canvas.value?.getContext('2d')
  if (!context || !shown.value) return
  const image = context.createImageData(DAYS, 24)
  const [paper, cold, warm, straw] = ['paper', 'slate', 'clay', 'straw'].map(colour) as [
    number[],
    number[],
    number[],
    number[],
  ]
  const { low, high } = range.value
  const { hours, parted } = shown.value
  // Air and leaves by what is asked of them in the month; all else by frost alone.
  const asked = shown.value.id === 'air' || shown.value.id === 'leaf' ? aimLine(bench.current.aim) : null
  const month = (h: number) => MONTH_OF_DAY[Math.floor(h / 24)]!
  const coldest = (h: number) => asked?.lowC[month(h)] ?? 0
  const hottest = (h: number) => asked?.highC[month(h)] ?? Infinity
  for (let h = 0; h < HOURS; h++) {
    const v = hours[h]!
    const rgb = !parted
      ? mix(paper, straw, (v - low) / (high - low))
      : v < coldest(h)
        ? mix(paper, cold, 0.5 + 0.5 * Math.min(1, (coldest(h) - v) / 8))
        : v > hottest(h)
          ? mix(paper, warm, 0.7 + 0.3 * Math.min(1, (v - hottest(h)) / 8))
          : mix(paper, straw, (v - low) / (high - low))
    const at = (((h % 24) * DAYS + Math.floor(h / 24)) * 4) | 0
    image.data.set([...rgb, 255], at)
  }
  context.putImageData(image, 0, 0)
}
watch([shown, canvas, () => settings.theme], () => void nextTick(paint), { immediate: true })

const pointed = ref<number | null>(null)
const hour = computed(() => pointed.value ?? year.view?.answers.coldestNight.hour ?? 0)
function hourAt(event: PointerEvent | MouseEvent): number {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  const day = Math.max(0, Math.min(DAYS - 1, Math.floor(((event.clientX - box.left) / box.width) * DAYS)))
  const k = Math.max(0, Math.min(23, Math.floor(((event.clientY - box.top) / box.height) * 24)))
  return day * 24 + k
}
function open(h: number): void {
  year.hour = h % 24
  year.day = Math.floor(h / 24)
}
const KEYS: Record<string, number> = {
  ArrowLeft: -24,
  ArrowRight: 24,
  ArrowUp: -1,
  ArrowDown: 1,
  PageUp: 720,
  PageDown: -720,
}
function key(event: KeyboardEvent): void {
  if (event.key in KEYS) {
    event.preventDefault()
    pointed.value = (hour.value + KEYS[event.key]! + HOURS) % HOURS
  } else if (event.key === 'Enter') open(hour.value)
}
/** All that the hour knows, in words. */
const told = computed(() => {
  const view = year.view
  if (!view) return ''
  const h = hour.value
  const t = (c: number) => settings.show(c, 'temperature')
  const { hours } = view
  const bodies = view.answers.bodies.map(b => `${b.name.toLowerCase()} ${t(view.bodiesC[b.index]![h]!)}`)
  return [
    `${dayName(Math.floor(h / 24))}, ${h % 24}:30: air ${t(hours.airC[h]!)}`,
    `leaf ${t(hours.leafC[h]!)}`,
    `soil ${t(hours.soilC[h]!)}`,
    ...bodies,
    `outside ${t(hours.outsideC[h]!)}`,
    `humidity ${Math.round(hours.relativeHumidity[h]! * 100)} %`,
    ...(hours.coverDrawn[h]! > 0.05 ? [`cover ${Math.round(hours.coverDrawn[h]! * 100)} % drawn`] : []),
    ...(hours.ventOpening[h]! > 0.02 ? [`openings ${Math.round(hours.ventOpening[h]! * 100)} % open`] : []),
    ...(hours.heaterW[h]! > 1 ? [`added heat ${settings.show(hours.heaterW[h]!, 'power')}`] : []),
  ].join(', ')
})
/** Means by month and time of the day. */
const SLOTS = [0, 3, 6, 9, 12, 15, 18, 21]
const table = computed(() => {
  const of = shown.value?.hours
  if (!of) return []
  return MONTH_NAMES.map((name, m) => ({
    name,
    cells: SLOTS.map(k => {
      let sum = 0
      for (let d = MONTH_START[m]!; d < MONTH_START[m]! + MONTH_DAYS[m]!; d++)
        for (let i = 0; i < 3; i++) sum += of[d * 24 + k + i]!
      return say(sum / (3 * MONTH_DAYS[m]!))
    }),
  }))
})
const files = useYearFiles()
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-x-3 gap-y-1">
      <ChoiceField label="Map of" :value="chosen" :options="CHOICES" :set="choose" class="w-44" />
      <p class="hint mb-1 mr-auto">
        {{ say(range.low) }} to {{ say(range.high) }}; a column a day, a row an hour, midnight above.
        <template v-if="shown?.parted">Blue is too cold, red too hot.</template>
      </p>
      <button class="button mb-1" :disabled="files.busy.value" data-test="save-hours" @click="files.save('csv')">
        Hours as CSV
      </button>
      <button class="button mb-1" :disabled="files.busy.value" data-test="save-epw" @click="files.save('epw')">
        Weather as EPW
      </button>
    </div>
    <div
      ref="frame"
      class="relative mt-2 cursor-crosshair"
      role="slider"
      tabindex="0"
      aria-label="Hour of the year; left and right by day, up and down by hour, Page Up and Down by month, Enter opens the day"
      :aria-valuemin="0"
      :aria-valuemax="HOURS - 1"
      :aria-valuenow="hour"
      :aria-valuetext="told"
      data-test="year-map"
      @pointermove="pointed = hourAt($event)"
      @pointerleave="pointed = null"
      @click="open(hourAt($event))"
      @keydown="key"
    >
      <canvas ref="canvas" :width="DAYS" height="24" class="map" :style="{ height: `${24 * ROW_PX}px` }" />
      <span
        class="absolute border-2 border-ink"
        :style="{
          left: `${(Math.floor(hour / 24) / DAYS) * 100}%`,
          top: `${(hour % 24) * ROW_PX}px`,
          width: `${Math.max(5, width / DAYS)}px`,
          height: `${ROW_PX}px`,
        }"
        aria-hidden="true"
      />
      <span
        v-for="m in 11"
        :key="m"
        class="absolute inset-y-0 w-px bg-ink/25"
        :style="{ left: `${(MONTH_START[m]! / DAYS) * 100}%` }"
        aria-hidden="true"
      />
    </div>
    <p class="flex justify-between text-xs text-soft" aria-hidden="true">
      <span v-for="m in MONTH_NAMES" :key="m" class="flex-1 text-center">{{ m.slice(0, 3) }}</span>
    </p>
    <p class="mt-1 min-h-10" data-test="map-hour">{{ told }}</p>
    <details>
      <summary class="cursor-pointer">As a table: means by month and time of the day</summary>
      <div class="overflow-x-auto">
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <td></td>
              <th v-for="k in SLOTS" :key="k" scope="col" class="pl-4 font-normal">{{ k }} to {{ k + 3 }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in table" :key="r.name" class="border-t border-line text-right tabular-nums">
              <th scope="row" class="text-left font-normal">{{ r.name }}</th>
              <td v-for="(v, i) in r.cells" :key="i" class="pl-4">{{ v }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </div>
</template>

<style scoped>
.map {
  display: block;
  width: 100%;
  image-rendering: pixelated;
  border: 1px solid var(--ink);
}
</style>
