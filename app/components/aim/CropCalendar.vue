<script setup lang="ts">
import { needsOf, type CropChoice, type CropMonth } from '../../../core/aim/aim-line'
import { MONTH_NAMES } from '../../../core/climate'
import { isKept, type CropRow } from '../../../core/crops/calendar'
import { aimSentence, heldBackTold, HOLD_WORDS, rowTold, STATE_WORDS } from '../../../core/crops/told'
import { listed } from '../../../core/text/listed'
import type { Show } from '../../../core/units'

/** What is to live in the house by month, and week by week what its years give each crop. */
const bench = useDesign()
const settings = useSettings()
const years = useCropYears()
const crops = computed(() => bench.current.aim.crops)
years.look(() => crops.value.length > 0)
const rows = computed(() => new Map(years.rows.map(r => [r.id, r])))
const sentence = computed(() => aimSentence(years.rows))

const NEXT: Record<CropMonth, CropMonth> = { '': 'grow', 'grow': 'hold', 'hold': '' }

function turn(crop: CropChoice, i: number, m: number): void {
  const months = crop.months.map((v, k) => (k === m ? NEXT[v] : v))
  bench.edit([[`aim.crops.${i}.months`, months]], `crop ${crop.id} ${m}`)
}
function takeOut(i: number): void {
  bench.edit([['aim.crops', crops.value.filter((_, k) => k !== i)]], 'remove crop')
}
const monthOf = (crop: CropChoice, m: number): CropRow['months'][number] | undefined =>
  rows.value.get(crop.id)?.months[m]
const missed = (crop: CropChoice, m: number) => {
  const its = monthOf(crop, m)
  return its !== undefined && its.asked === crop.months[m] && !isKept(its)
}
const couldGrow = (crop: CropChoice, m: number) => crop.months[m] === '' && monthOf(crop, m)?.state === 'grows'
const spoken = (crop: CropChoice, m: number) => {
  const asked = crop.months[m]
  const its = monthOf(crop, m)
  const what = asked === '' ? 'nothing asked' : `asked to ${asked}`
  const back = its && its.state !== 'dies' && its.holds.length > 0
  const gives = its
    ? `; ${STATE_WORDS[its.state]}${back ? ` (${listed(its.holds.map(h => HOLD_WORDS[h].name))})` : ''}`
    : ''
  return `${needsOf(crop).name} in ${MONTH_NAMES[m]}: ${what}${gives}`
}
const show: Show = (value, quantity) => settings.show(value, quantity)
/** How each crop's year goes, and what holds it back. */
const told = computed(
  () => new Map(years.rows.map(r => [r.id, { year: rowTold(r, show), back: heldBackTold(r, show) }])),
)
</script>

<template>
  <div>
    <p v-if="crops.length === 0 || years.rows.length > 0" class="mb-1.5" data-test="aim-sentence">
      {{ sentence }}
    </p>
    <div
      v-if="crops.length > 0"
      class="overflow-x-auto"
      data-test="crop-calendar"
      :data-ready="!years.stale"
      :aria-busy="years.stale && !years.failure"
    >
      <table class="calendar">
        <thead>
          <tr>
            <th scope="col">
              <span class="sr-only">Crop</span>
            </th>
            <MonthHeads />
            <th scope="col">
              <span class="sr-only">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody v-for="(crop, i) in crops" :key="crop.id">
          <tr>
            <th scope="row" rowspan="2">
              {{ needsOf(crop).name }}
            </th>
            <td v-for="(asked, m) in crop.months" :key="m">
              <button
                class="cell"
                :class="[asked === '' ? 'idle' : asked, { missed: missed(crop, m), could: couldGrow(crop, m) }]"
                :title="spoken(crop, m)"
                :aria-label="spoken(crop, m)"
                :data-test="`crop-${crop.id}-${m}`"
                @click="turn(crop, i, m)"
              >
                {{ missed(crop, m) ? '✕' : asked }}
              </button>
            </td>
            <td>
              <button class="button quiet" :aria-label="`Take out ${needsOf(crop).name}`" @click="takeOut(i)">×</button>
            </td>
          </tr>
          <tr>
            <td colspan="12">
              <CropStrip v-if="rows.get(crop.id)" :row="rows.get(crop.id)!" :class="years.stale ? 'opacity-60' : ''" />
            </td>
          </tr>
          <tr v-if="rows.get(crop.id)">
            <td colspan="14">
              <div class="told" :data-test="`crop-told-${crop.id}`">
                {{ told.get(crop.id)!.year }}
                <details v-if="told.get(crop.id)!.back.length > 0" class="hint">
                  <summary class="cursor-pointer">What holds it back</summary>
                  <ul class="list-disc pl-5">
                    <li v-for="h in told.get(crop.id)!.back" :key="h">{{ h }}</li>
                  </ul>
                </details>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="crops.length > 0">
      <p v-if="years.failure" class="fault" role="alert">{{ years.failure }}</p>
      <p v-else-if="years.stale" class="hint" role="status" data-test="crop-years">
        Working the weeks out from {{ years.total || 'twenty' }} years of this climate: {{ years.known }} are done.
      </p>
      <p class="hint mt-1">
        Press a month for what you want: grow, hold, nothing; ✕ the house does not give it, dashed: it could grow.
        Below, by week: <span class="key grow" /> grows, paler where it is slower <span class="key kills" /> cold kills
        it in more than one year in five; lines: <span class="line plant" /> planted or sown
        <span class="line harvest" /> harvest <span class="line open" /> harvest in the open. Slow is by what it has
        least of: nights, soil, light or cool days.
      </p>
    </template>
  </div>
</template>

<style scoped>
.calendar {
  border-collapse: separate;
  border-spacing: 2px;
}
.calendar th {
  font-weight: 400;
  font-size: 0.85rem;
  color: var(--soft);
  text-align: center;
}
.calendar tbody th {
  text-align: left;
  vertical-align: top;
  color: var(--ink);
  padding: 4px 8px 0 0;
  white-space: nowrap;
  font-size: 0.95rem;
}
.told {
  position: sticky;
  left: 0;
  max-width: min(48rem, calc(100vw - 3.5rem));
  padding-bottom: 0.6rem;
}
.cell {
  vertical-align: middle;
  cursor: pointer;
  width: 100%;
  min-width: 2.6rem;
  height: 1.7rem;
  border: 1px solid var(--line);
  border-radius: 3px;
  font-size: 0.8rem;
  background: var(--paper);
}
.cell.grow,
.key.grow {
  background: var(--leaf);
  color: var(--paper);
  border-color: var(--leaf);
}
.cell.hold {
  background: color-mix(in srgb, var(--leaf) 30%, var(--paper));
}
.cell.missed {
  background: color-mix(in srgb, var(--clay) 22%, var(--paper));
  border-color: var(--clay);
  color: var(--clay);
  font-weight: 700;
}
.cell.could {
  border: 1.5px dashed var(--leaf);
}
.key {
  display: inline-block;
  width: 0.9rem;
  height: 0.7rem;
  border: 1px solid var(--line);
  border-radius: 2px;
  margin-left: 0.5rem;
}
.key.kills {
  background: repeating-linear-gradient(var(--clay) 0 2px, var(--paper) 2px 4px);
}
.line {
  display: inline-block;
  width: 1.2rem;
  height: 0.2rem;
  vertical-align: middle;
  margin-left: 0.3rem;
}
.line.plant {
  background: var(--leaf);
}
.line.harvest {
  background: var(--ink);
}
.line.open {
  background: var(--soft);
}
</style>
