<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { aimLine } from '../../../core/aim/aim-line'
import { dayName, DAYS, HOURS, MONTH_NAMES, MONTH_START } from '../../../core/climate'
import { hourAlong, mapCells, rangeOfYear, SLOT_HOURS, slotMeans, SLOTS } from '../../../core/study/year-map'
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
const range = computed(() => rangeOfYear(shown.value?.hours ?? new Float32Array(1)))
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
/** Pixels of a cell, which is stretched to its place: enough to be striped in. */
const [CELL_W, CELL_H] = [2, 3]
/** Stripes tell without colour: along the days where it is too cold, along the hours where it is too hot. */
const STRIPE = 0.45
function paint(): void {
  const context = canvas.value?.getContext('2d')
  if (!context || !shown.value) return
  const image = context.createImageData(DAYS * CELL_W, 24 * CELL_H)
  const [paper, ink, cold, hot, between] = ['paper', 'ink', 'slate', 'clay', 'straw'].map(colour)
  const { id, hours, parted } = shown.value
  // Air and leaves by what is asked of them in the month; all else by frost alone.
  const asked = id === 'air' || id === 'leaf' ? aimLine(bench.current.aim) : null
  mapCells(hours, parted, asked).forEach(({ tone, depth }, h) => {
    const deepest = { cold, hot, between }[tone]!
    const plain = mix(paper!, deepest, { cold: 0.5 + 0.5 * depth, hot: 0.7 + 0.3 * depth, between: depth }[tone])
    const striped = mix(plain, ink!, STRIPE)
    for (let i = 0; i < CELL_W; i++)
      for (let k = 0; k < CELL_H; k++) {
        const isStripe = (tone === 'cold' && k === 1) || (tone === 'hot' && i === 1)
        const [x, y] = [Math.floor(h / 24) * CELL_W + i, (h % 24) * CELL_H + k]
        image.data.set([...(isStripe ? striped : plain), 255], (y * DAYS * CELL_W + x) * 4)
      }
  })
  context.putImageData(image, 0, 0)
}
watch([shown, canvas, () => settings.theme], () => void nextTick(paint), { immediate: true })

const pointed = ref<number | null>(null)
const hour = computed(() => pointed.value ?? year.view?.answers.coldestNight.hour ?? 0)
function hourAt(event: MouseEvent): number {
  const { across, down } = pointedAt(event)
  return hourAlong(across, down)
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
const table = computed(() => (shown.value ? slotMeans(shown.value.hours) : []))
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-end gap-x-3 gap-y-1">
      <ChoiceField label="Map of" :value="chosen" :options="CHOICES" :set="choose" class="w-44" />
      <p class="hint mb-1 mr-auto">
        {{ say(range.low) }} to {{ say(range.high) }}; a column a day, a row an hour, midnight above.
        <template v-if="shown?.parted">Blue, striped across: too cold; red, striped upright: too hot.</template>
      </p>
      <ExportButtons of="year" :by="f => year.file(bench.current, f.id)" class="mb-1" />
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
      <canvas
        ref="canvas"
        :width="DAYS * CELL_W"
        :height="24 * CELL_H"
        class="map"
        :style="{ height: `${24 * ROW_PX}px` }"
      />
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
      <div class="overflow-x-auto" v-sideways>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <td></td>
              <th v-for="k in SLOTS" :key="k" scope="col" class="pl-4 font-normal">{{ k }} to {{ k + SLOT_HOURS }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in table" :key="r.name" class="border-t border-line text-right tabular-nums">
              <th scope="row" class="text-left font-normal">{{ r.name }}</th>
              <td v-for="(v, i) in r.means" :key="i" class="pl-4">{{ say(v) }}</td>
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
