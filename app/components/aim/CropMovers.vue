<script setup lang="ts">
import { cropRow, type CropRow } from '../../../core/crops/calendar'
import { movedTold, moversOf, type Mover } from '../../../core/crops/movers'
import type { CropYear } from '../../../core/crops/weeks'
import { inCropYears } from '../../../core/crops/years'
import type { Design } from '../../../core/design'
import { sameYear } from '../../../core/study/kept'

/** What a sheet over the beds, a heater or a loop in the soil moves for the crops, in weeks. */
const bench = useDesign()
const settings = useSettings()
const year = useYear()
const years = useCropYears()
const found = shallowRef<{ mover: Mover; years: CropYear[] }[]>([])
const of = shallowRef<Design | null>(null)
const { state, run, cancel } = useStoppable()
const stale = computed(() => of.value !== null && !sameYear(of.value, bench.current))

async function start(): Promise<void> {
  of.value = bench.current
  found.value = []
  const movers = moversOf(bench.current, (v, q) => settings.show(v, q))
  const jobs = movers.map(mover => inCropYears(mover.design))
  await run(jobs.flat().length, async signal => {
    for (const [i, designs] of jobs.entries()) {
      const its: CropYear[] = []
      const put = (y: CropYear) => {
        its.push(y)
        state.done++
      }
      await year.cropYears(designs, put, signal)
      if (signal.aborted) return
      found.value = [...found.value, { mover: movers[i]!, years: its }]
    }
  })
}
/** By mover, what it moves for each crop that it moves. */
const told = computed(() =>
  found.value.map(({ mover, years: its }) => ({
    mover,
    rows: years.rows
      .map((now: CropRow, i) => ({ name: now.name, moved: movedTold(now, cropRow(bench.current.aim.crops[i]!, its)) }))
      .filter(r => r.moved !== ''),
  })),
)
</script>

<template>
  <div v-if="years.rows.length > 0" class="mt-2" data-test="crop-movers">
    <BriefBar
      ask="What would a sheet, a heater, a warm bed move?"
      test="movers"
      :state="state"
      :stale="stale"
      :ready="told.length > 0"
      :as-it-stands="true"
      @start="start"
      @cancel="cancel"
    />
    <ul v-if="told.length > 0 && !years.stale" :class="stale ? 'opacity-60' : ''">
      <li v-for="t in told" :key="t.mover.id" class="py-0.5">
        <strong class="font-semibold">{{ t.mover.words }}</strong
        >:
        <template v-if="t.rows.length === 0">moves nothing by a week.</template>
        <template v-else>{{ t.rows.map(r => `${r.name.toLowerCase()} – ${r.moved}`).join('; ') }}.</template>
      </li>
    </ul>
  </div>
</template>
