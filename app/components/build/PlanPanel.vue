<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { useElementSize } from '@vueuse/core'
import { isDate, WEEKDAY_CHOICES } from '../../../core/design/fields/build'
import { dayNumber, isoDay } from '../../../core/plan/calendar'
import { schedule, type Planned } from '../../../core/plan/schedule'
import { dayStrip } from '../../../core/plan/strip'
import { monthShort, weekdayDate } from '../../../core/text/dates'

/** The work in its order on days of the calendar: a strip whose bars are moved, and a list that is ticked. */
const bench = useDesign()
const year = useYear()
const notices = useNotices()
const today = isoDay(Math.floor((Date.now() - new Date().getTimezoneOffset() * 60_000) / 86_400_000))
const startOn = computed(() => bench.current.build.plan.startOn ?? today)
const plan = computed(() =>
  year.view ? schedule(bench.current, startOn.value, year.view.hours.outsideC) : ([] as Planned[]),
)
const last = computed(() => plan.value.at(-1)?.to ?? startOn.value)
const wrong = ref('')
/** Takes a day that was typed; the field keeps what is no day, and says so. */
function takeDay(event: Event, take: (iso: string) => void): void {
  const { value } = event.target as HTMLInputElement
  wrong.value = isDate(value) ? '' : 'That is no day of the calendar. Allowed: a day such as 2027-04-05.'
  if (isDate(value)) take(value)
}
const start = (iso: string) => void bench.edit([['build.plan.startOn', iso]], 'start of the work')
function toggleDay(id: (typeof WEEKDAY_CHOICES)[number]['id']): void {
  const { daysOff } = bench.current.build.plan
  const next = daysOff.includes(id) ? daysOff.filter(d => d !== id) : [...daysOff, id]
  if (next.length > 6) return void notices.tell('error', 'One day of the week has to be left to work on.')
  bench.edit([['build.plan.daysOff', next]], 'days off')
}
/** Moves a task to a day; to null it goes back to where the order puts it. */
function move(task: string, on: string | null): void {
  const others = bench.current.build.plan.moved.filter(m => m.task !== task)
  bench.edit([['build.plan.moved', on === null ? others : [...others, { task, on }]]], `move ${task}`)
}
const isMoved = (id: string) => bench.current.build.plan.moved.some(m => m.task === id)
const isDone = (id: string) => bench.current.build.plan.done.includes(id)
function tick(id: string): void {
  const { done } = bench.current.build.plan
  bench.edit([['build.plan.done', isDone(id) ? done.filter(d => d !== id) : [...done, id]]], `tick ${id}`)
}
/** The strip: a row for each task, a tick for each month. */
const frame = useTemplateRef<HTMLElement>('frame')
const { width } = useElementSize(frame)
const ROW = 22
const NAMES = 178
const strip = computed(() => dayStrip(startOn.value, last.value, NAMES, width.value - 8))
const monthName = (on: string, short: boolean) => {
  const name = monthShort(on)
  return short ? name.slice(0, 1) : name
}
let held: { id: string; x: number; from: number } | null = null
const dragged = ref<{ id: string; days: number } | null>(null)
function down(t: Planned, event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  held = { id: t.id, x: event.clientX, from: dayNumber(t.from) }
}
function moving(event: PointerEvent): void {
  if (held) dragged.value = { id: held.id, days: Math.round((event.clientX - held.x) / strip.value.perDay) }
}
function up(): void {
  if (held && dragged.value && dragged.value.days !== 0) move(held.id, isoDay(held.from + dragged.value.days))
  held = null
  dragged.value = null
}
const KEYS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }
function key(t: Planned, event: KeyboardEvent): void {
  if (!(event.key in KEYS)) return
  event.preventDefault()
  move(t.id, isoDay(dayNumber(t.from) + KEYS[event.key]!))
}
const input = () => ({ plan: plan.value, design: bench.current })
</script>

<template>
  <div class="px-4 py-3">
    <p v-if="plan.length > 0">
      Begun on {{ weekdayDate(startOn) }}, done on
      <strong class="slab text-2xl" data-test="plan-end">{{ weekdayDate(last) }}</strong
      >. <span class="hint">Hours are those of people who have done it before; others take twice as long.</span>
    </p>
    <div class="mt-1 flex flex-wrap items-end gap-x-4 gap-y-1">
      <label class="day">
        Begin on
        <input type="date" :value="startOn" data-test="plan-start" @change="takeDay($event, start)" />
      </label>
      <DesignField path="aim.practical.builder" class="w-40" />
      <fieldset class="mb-1">
        <legend class="text-sm">Days off</legend>
        <button
          v-for="d in WEEKDAY_CHOICES"
          :key="d.id"
          class="button mr-1 px-2"
          :aria-pressed="bench.current.build.plan.daysOff.includes(d.id)"
          :data-test="`off-${d.id}`"
          @click="toggleDay(d.id)"
        >
          {{ d.name.slice(0, 2) }}<span class="sr-only">{{ d.name.slice(2) }}</span>
        </button>
      </fieldset>
      <ExportButtons of="plan" :input="input" :disabled="plan.length === 0" class="mb-1" />
    </div>
    <p v-if="wrong" class="fault" role="alert">{{ wrong }}</p>
    <div ref="frame" class="strip mt-2" data-test="strip">
      <svg v-if="width > 0" :width="width" :height="(plan.length + 1) * ROW">
        <g v-for="m in strip.months" :key="m.on">
          <line :x1="m.x" :x2="m.x" y1="14" :y2="(plan.length + 1) * ROW" stroke="var(--line)" />
          <text :x="m.x + 3" y="12" class="tick">{{ monthName(m.on, m.short) }}</text>
        </g>
        <g
          v-for="(t, i) in plan"
          :key="t.id"
          tabindex="0"
          role="slider"
          class="bar"
          :aria-label="`${t.name}; arrow keys move it by a day, Page Up and Down by a week`"
          :aria-valuenow="dayNumber(t.from)"
          :aria-valuetext="`${weekdayDate(t.from)} to ${weekdayDate(t.to)}`"
          :data-test="`bar-${t.id}`"
          :transform="`translate(${dragged?.id === t.id ? dragged.days * strip.perDay : 0} ${(i + 1) * ROW})`"
          @pointerdown="down(t, $event)"
          @pointermove="moving"
          @pointerup="up"
          @pointercancel="up"
          @keydown="key(t, $event)"
        >
          <rect x="0" y="0" :width="width" :height="ROW" fill="transparent" />
          <text x="0" y="15" class="name">{{ t.name.length > 29 ? `${t.name.slice(0, 28)}…` : t.name }}</text>
          <path
            v-if="t.hold"
            :d="`M${strip.x(dayNumber(t.from))} 3l8 8l-8 8l-8 -8Z`"
            fill="var(--paper)"
            stroke="var(--clay)"
            stroke-width="2"
          />
          <rect
            v-else
            :x="strip.x(dayNumber(t.from))"
            y="4"
            :width="Math.max(4, strip.x(dayNumber(t.to) + 1) - strip.x(dayNumber(t.from)))"
            :height="ROW - 8"
            :fill="isDone(t.id) ? 'var(--moss)' : 'var(--straw)'"
            stroke="var(--ink)"
          />
        </g>
      </svg>
      <p class="hint">
        Bars are work, diamonds are points to hold at. Drag a bar to another day; what follows goes along.
      </p>
    </div>
    <ol class="mt-2" data-test="plan">
      <li v-for="t in plan" :key="t.id" class="border-t border-line py-1" :data-test="`task-${t.id}`">
        <div class="flex flex-wrap items-baseline gap-x-3">
          <label class="flex items-baseline gap-2">
            <input type="checkbox" :checked="isDone(t.id)" :data-test="`tick-${t.id}`" @change="tick(t.id)" />
            <strong :class="isDone(t.id) ? 'line-through' : ''">{{ t.hold ? `Hold: ${t.name}` : t.name }}</strong>
          </label>
          <span class="tabular-nums">
            {{ weekdayDate(t.from) }}<template v-if="t.to !== t.from"> to {{ weekdayDate(t.to) }}</template>
          </span>
          <span v-if="!t.hold" class="hint">{{ t.days }} {{ t.days === 1 ? 'day' : 'days' }}</span>
          <label class="day ml-auto text-sm">
            not before
            <input
              type="date"
              :value="t.from"
              :aria-label="`${t.name}: not before`"
              @change="takeDay($event, iso => move(t.id, iso))"
            />
          </label>
          <button v-if="isMoved(t.id)" class="button quiet" @click="move(t.id, null)">in its order</button>
        </div>
        <p v-if="t.hold" class="text-sm">{{ t.hold }}</p>
        <p v-if="t.note" class="hint">{{ capital(t.note) }}.</p>
        <p v-if="t.caution" class="text-sm text-clay">{{ t.caution }}</p>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.strip {
  overflow: hidden;
}
.bar {
  cursor: grab;
  touch-action: none;
}
.bar:focus-visible {
  outline: 2px solid var(--slate);
}
.name {
  font-size: 13px;
  fill: var(--ink);
}
.tick {
  font-size: 12.5px;
  fill: var(--soft);
}
.day {
  display: flex;
  align-items: center;
  gap: 0.4rem;
}
.day input {
  border: 1px solid var(--line);
  padding: 0.15rem 0.4rem;
  background: transparent;
  color: var(--ink);
}
</style>
