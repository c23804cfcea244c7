<script setup lang="ts">
import { CROPS, entry } from '../../../core/catalog'
import { dayName } from '../../../core/climate'
import { isDate } from '../../../core/design/fields/build'
import type { BookCrop } from '../../../core/season/book'
import { cropAnswer, outdoorSeason } from '../../../core/season/crops'
import { todayHere } from '~/stores/season'

/** What was sown, planted and harvested, and the weeks that the house won against the open. */
const season = useSeason()
const bench = useDesign()
const settings = useSettings()
const years = useCropYears()
years.look(() => season.book.written.crops.length > 0)
const rows = computed(() =>
  season.book.written.crops.map(row => {
    const its = years.rowOf(row.crop)
    const outdoors = its && outdoorSeason(its)
    return { row, outdoors, answer: its && cropAnswer(row, outdoors) }
  }),
)
const total = computed(() => rows.value.reduce((sum, r) => sum + r.row.kg * r.row.perKg, 0))
const kgs = computed(() => rows.value.reduce((sum, r) => sum + r.row.kg, 0))
const DATES = [
  { key: 'sownOn', label: 'Sown' },
  { key: 'plantedOn', label: 'Planted' },
  { key: 'firstOn', label: 'First harvest' },
  { key: 'lastOn', label: 'Last harvest' },
] as const
const fault = ref('')
async function put(id: string, part: Partial<BookCrop>): Promise<void> {
  fault.value =
    (await season.edit(w => ({ ...w, crops: w.crops.map(c => (c.id === id ? { ...c, ...part } : c)) }))) ?? ''
}
function putDate(id: string, key: (typeof DATES)[number]['key'], event: Event): void {
  const v = (event.target as HTMLInputElement).value
  if (v !== '' && !isDate(v)) return void (fault.value = 'That is no day of the calendar.')
  void put(id, { [key]: v === '' ? null : v })
}
const setNumber = (id: string, key: 'kg' | 'perKg') => (v: number) => {
  void put(id, { [key]: v })
  return null
}
const crop = ref(CROPS[0]!.id)
async function add(): Promise<void> {
  fault.value =
    (await season.edit(w => ({
      ...w,
      crops: [
        ...w.crops,
        {
          id: `row-${Date.now().toString(36)}`,
          crop: crop.value,
          bed: null,
          sownOn: todayHere(),
          plantedOn: null,
          firstOn: null,
          lastOn: null,
          kg: 0,
          perKg: 0,
          note: '',
        },
      ],
    }))) ?? ''
}
const remove = (id: string) => season.edit(w => ({ ...w, crops: w.crops.filter(c => c.id !== id) }))
const beds = computed(() => [
  { id: '', name: 'no bed' },
  ...bench.current.shape.beds.map((_, i) => ({ id: String(i), name: `bed ${i + 1}` })),
])
const choices = CROPS.map(c => ({ id: c.id, name: c.name }))
const weeks = (v: number | null) => (v === null ? '–' : `${v} ${v === 1 ? 'week' : 'weeks'}`)
</script>

<template>
  <div class="px-4 py-3">
    <p v-if="rows.length > 0" class="text-lg" data-test="crops-total">
      <strong class="slab text-2xl">{{ settings.show(kgs, 'harvest') }}</strong> harvested<template v-if="total > 0"
        >, worth {{ bench.current.topUp.currency }} {{ Math.round(total) }} by your own figures</template
      >.
    </p>
    <p v-else>Nothing is sown yet. Put a row in, and the weeks that the house wins are told.</p>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="add">
      <ChoiceField label="Crop" :value="crop" :options="choices" :set="id => (crop = id)" class="w-48" />
      <button v-uses-fields class="button" type="submit" data-test="add-crop">Sown today</button>
    </form>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <ul class="mt-2" data-test="crop-rows">
      <li v-for="{ row, answer, outdoors } in rows" :key="row.id" class="border-t border-line py-2">
        <div class="flex flex-wrap items-start gap-3">
          <strong class="mt-6 w-36">{{ entry(CROPS, row.crop).name }}</strong>
          <label v-for="d in DATES" :key="d.key">
            {{ d.label }}
            <input type="date" class="input block" :value="row[d.key] ?? ''" @change="putDate(row.id, d.key, $event)" />
          </label>
          <ChoiceField
            label="Bed"
            :value="row.bed === null ? '' : String(row.bed)"
            :options="beds"
            :set="id => void put(row.id, { bed: id === '' ? null : Number(id) })"
            class="w-24"
          />
          <QuantityField
            label="Harvested"
            quantity="harvest"
            :value="row.kg"
            :min="0"
            :max="100000"
            :set="setNumber(row.id, 'kg')"
            class="w-28"
          />
          <QuantityField
            label="Worth"
            quantity="priceByWeight"
            :value="row.perKg"
            :min="0"
            :max="10000"
            :set="setNumber(row.id, 'perKg')"
            class="w-28"
          />
          <label class="min-w-40 flex-1">
            Pests and notes
            <input
              class="input block"
              :value="row.note"
              maxlength="400"
              @change="put(row.id, { note: ($event.target as HTMLInputElement).value })"
            />
          </label>
          <button class="button mt-5" :aria-label="`Take out ${entry(CROPS, row.crop).name}`" @click="remove(row.id)">
            Take out
          </button>
        </div>
        <p v-if="answer" class="text-sm" data-test="won">
          <template v-if="answer.neverOutdoors">In the open it does not ripen here.</template>
          <template v-else>
            In the open: about {{ dayName(outdoors!.firstDay) }} to {{ dayName(outdoors!.lastDay) }}. Won:
            <strong>{{ weeks(answer.earlyWeeks) }}</strong> early, <strong>{{ weeks(answer.lateWeeks) }}</strong> late.
          </template>
        </p>
      </li>
    </ul>
  </div>
</template>
