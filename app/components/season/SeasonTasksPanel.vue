<script setup lang="ts">
import { capital } from '../../../core/text/capital'
import { isDate } from '../../../core/design/fields/build'
import { isSoon, putOff, taskStates, ticked, type TaskState } from '../../../core/season/task-state'
import { shortDay } from '../../../core/text/dates'
import { todayHere } from '~/stores/season'
import { useSeasonYear } from '~/composables/useSeasonYear'

/** What the season asks, by the climate and the house's own year: ticked, put off, and out as a calendar. */
const season = useSeason()
const bench = useDesign()
const found = useSeasonYear()
const crops = useCropYears()
crops.look(() => bench.current.aim.crops.length > 0)
const today = todayHere()
const tasks = computed(() => taskStates(found.value?.tasks ?? [], season.book.written, today))
const groups = computed(() => [
  { name: 'Now, and in the next fortnight', tasks: tasks.value.filter(t => isSoon(t, today)) },
  { name: 'Later', tasks: tasks.value.filter(t => !isSoon(t, today)) },
])
const tick = (t: TaskState) => season.edit(w => ticked(w, t, today))
const fault = ref('')
async function move(t: TaskState, to: string): Promise<void> {
  fault.value = isDate(to) ? '' : 'That is no day of the calendar. Allowed: a day such as 2027-01-09.'
  if (isDate(to)) fault.value = (await season.edit(w => putOff(w, t.id, to))) ?? ''
}
const input = () => ({ tasks: tasks.value, design: bench.current })
</script>

<template>
  <div class="px-4 py-3">
    <div class="flex flex-wrap items-baseline gap-2">
      <p class="mr-auto max-w-2xl">
        Dates come from this climate and this house’s own years, not from a fixed calendar: change the design, and they
        move.
      </p>
      <ExportButtons of="tasks" :input="input" :disabled="tasks.length === 0" />
    </div>
    <p v-if="!found" class="hint" role="status">Working out the year …</p>
    <p v-if="bench.current.aim.crops.length > 0 && crops.stale" class="hint" role="status" data-test="crop-years">
      <template v-if="crops.failure">{{ crops.failure }}</template>
      <template v-else>
        Days to sow, plant and harvest come from {{ crops.total || 'twenty' }} years: {{ crops.known }} are worked out.
      </template>
    </p>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <section v-for="g in groups" :key="g.name" class="mt-3">
      <h2 class="group-title">{{ g.name }}</h2>
      <p v-if="found && g.tasks.length === 0" class="hint">Nothing.</p>
      <ul class="max-w-4xl" data-test="season-tasks">
        <li v-for="t in g.tasks" :key="t.id" class="border-t border-line py-1.5" :data-test="`season-${t.id}`">
          <div class="flex flex-wrap items-baseline gap-x-3">
            <label class="flex flex-1 items-baseline gap-3">
              <input
                type="checkbox"
                class="size-5 shrink-0 self-center"
                :disabled="!t.mayTick"
                :title="t.mayTick ? undefined : 'More than half a year off'"
                :checked="t.done !== null"
                :data-test="`done-${t.id}`"
                @change="tick(t)"
              />
              <span :class="t.done ? 'line-through' : 'font-semibold'">{{ t.name }}</span>
            </label>
            <span v-if="t.done" class="hint">done {{ shortDay(t.done) }}</span>
            <span class="whitespace-nowrap tabular-nums">
              {{ shortDay(t.from)
              }}<template v-if="t.everyDays">, each {{ t.everyDays }} days until {{ shortDay(t.until) }}</template>
            </span>
            <input
              type="date"
              class="input !w-auto"
              :value="t.from"
              :aria-label="`${t.name}: put off to`"
              @change="move(t, ($event.target as HTMLInputElement).value)"
            />
          </div>
          <p class="hint ml-8">{{ capital(t.why) }}.</p>
          <p v-if="t.caution" class="ml-8 text-sm text-clay">{{ t.caution }}</p>
        </li>
      </ul>
    </section>
    <p v-if="bench.current.aim.crops.length === 0" class="hint mt-3">
      Sowing, planting, feeding and pests come in once crops are chosen under Aim.
    </p>
  </div>
</template>
