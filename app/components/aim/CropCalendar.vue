<script setup lang="ts">
import { aimSentence, cropCalendar, type CropCell } from '../../../core/aim/calendar'
import { needsOf, type CropChoice, type CropMonth } from '../../../core/aim/aim-line'
import { MONTH_NAMES } from '../../../core/climate'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const crops = computed(() => bench.current.aim.crops)
const rows = computed(() =>
  year.view ? cropCalendar(crops.value, year.view.answers.months, c => settings.show(c, 'temperature')) : [],
)
const sentence = computed(() => aimSentence(rows.value))

const NEXT: Record<CropMonth, CropMonth> = { '': 'grow', 'grow': 'hold', 'hold': '' }

function turn(crop: CropChoice, i: number, m: number): void {
  const months = crop.months.map((v, k) => (k === m ? NEXT[v] : v))
  bench.edit([[`aim.crops.${i}.months`, months]], `crop ${crop.id} ${m}`)
}
function takeOut(i: number): void {
  bench.edit([['aim.crops', crops.value.filter((_, k) => k !== i)]], 'remove crop')
}

const cell = (i: number, m: number): CropCell | undefined => rows.value[i]?.cells[m]
/** Why months fail, crop by crop: months of one reason together. */
const failing = computed(() =>
  rows.value.flatMap((row, i) => {
    const months = new Map<string, string[]>()
    row.cells.forEach((c, m) => {
      if (crops.value[i]?.months[m] === '' || c.kept !== false) return
      const why = c.reasons.join(', ') || 'not enough'
      months.set(why, [...(months.get(why) ?? []), MONTH_NAMES[m]!.slice(0, 3)])
    })
    return months.size > 0
      ? [
          {
            name: needsOf(crops.value[i]!).name,
            text: [...months].map(([why, list]) => `${list.join(', ')} – ${why}`).join('; '),
          },
        ]
      : []
  }),
)
const spoken = (name: string, m: number, asked: CropMonth, c?: CropCell) => {
  const what = asked === '' ? 'nothing asked' : `asked to ${asked}`
  const gets = c
    ? `; the year lets it ` +
      `${c.state === 'fails' ? 'die' : c.state.replace(/s$/, '')}` +
      (c.reasons.length > 0 ? `: ${c.reasons.join(', ')}` : '') +
      (c.tasks.length > 0 ? `; ${c.tasks.join(', ')}` : '')
    : ''
  return `${name} in ${MONTH_NAMES[m]}: ${what}${gets}`
}
</script>

<template>
  <div>
    <p class="mb-1.5" data-test="aim-sentence">
      {{ sentence }}
    </p>
    <div v-if="crops.length > 0" class="overflow-x-auto">
      <table class="calendar" data-test="crop-calendar">
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
        <tbody>
          <tr v-for="(crop, i) in crops" :key="crop.id">
            <th scope="row">
              {{ needsOf(crop).name }}
            </th>
            <td v-for="(asked, m) in crop.months" :key="m">
              <button
                class="cell"
                :class="[
                  asked === '' ? 'idle' : cell(i, m)?.kept === false ? 'missed' : asked,
                  { could: asked === '' && cell(i, m)?.state === 'grows' },
                ]"
                :title="spoken(needsOf(crop).name, m, asked, cell(i, m))"
                :aria-label="spoken(needsOf(crop).name, m, asked, cell(i, m))"
                :data-test="`crop-${crop.id}-${m}`"
                @click="turn(crop, i, m)"
              >
                <span v-if="asked !== '' && cell(i, m)?.kept === false">✕</span>
                <span v-else>{{
                  cell(i, m)
                    ?.tasks.map(t => t[0])
                    .join('') || (asked === 'hold' ? '–' : '')
                }}</span>
              </button>
            </td>
            <td>
              <button class="button quiet" :aria-label="`Take out ${needsOf(crop).name}`" @click="takeOut(i)">×</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="crops.length > 0" class="hint mt-1">
      Press a month: grow, hold, nothing. <span class="key grow" /> grows <span class="key hold" /> holds
      <span class="key missed" /> ✕ the year does not give it <span class="key could" /> it could grow; s sow, p plant,
      h harvest.
    </p>
    <ul v-if="failing.length > 0" class="hint" data-test="crop-reasons">
      <li v-for="f in failing" :key="f.name">{{ f.name }}: {{ f.text }}</li>
    </ul>
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
  color: var(--ink);
  padding-right: 8px;
  white-space: nowrap;
  font-size: 0.95rem;
}
.cell {
  vertical-align: middle;
  cursor: pointer;
  width: 2.6rem;
  height: 1.7rem;
  border: 1px solid var(--line);
  border-radius: 3px;
  font-size: 0.85rem;
  background: var(--paper);
}
.cell.grow,
.key.grow {
  background: var(--leaf);
  color: var(--paper);
  border-color: var(--leaf);
}
.cell.hold,
.key.hold {
  background: color-mix(in srgb, var(--leaf) 30%, var(--paper));
}
.cell.missed,
.key.missed {
  background: color-mix(in srgb, var(--clay) 22%, var(--paper));
  border-color: var(--clay);
  color: var(--clay);
  font-weight: 700;
}
.cell.could,
.key.could {
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
</style>
