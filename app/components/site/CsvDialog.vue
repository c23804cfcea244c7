<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import type { HourlyClimate } from '../../../core/design'
import {
  CSV_QUANTITIES,
  guessMapping,
  readWeatherCsv,
  type CsvMapping,
  type CsvQuantity,
  type CsvSite,
  type CsvTable,
} from '../../../formats/weather-csv'

const props = defineProps<{ table: CsvTable | null; fileName: string; site: CsvSite }>()
const emit = defineEmits<{ close: []; take: [HourlyClimate] }>()

const mapping = ref<CsvMapping>({})
const fault = ref('')
watch(
  () => props.table,
  table => {
    mapping.value = table ? guessMapping(table.heading) : {}
    fault.value = ''
  },
)
const quantities = Object.keys(CSV_QUANTITIES) as CsvQuantity[]

function choose(q: CsvQuantity, event: Event): void {
  const v = (event.target as HTMLSelectElement).value
  const next = { ...mapping.value }
  if (v === '') Reflect.deleteProperty(next, q)
  else next[q] = Number(v)
  mapping.value = next
}
function take(): void {
  if (!props.table) return
  const read = readWeatherCsv(props.table, mapping.value, props.site, props.fileName)
  if (read.ok) emit('take', read.climate)
  else fault.value = read.message
}
</script>

<template>
  <Dialog :open="table !== null" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-4">
      <DialogPanel v-if="table" class="max-h-full w-full max-w-3xl overflow-y-auto border border-ink bg-lime p-4">
        <DialogTitle class="slab text-xl"> Which column holds what? </DialogTitle>
        <p class="hint mb-2">
          {{ fileName }}, {{ table.rows.length }} rows. Each row begins its hour, in local standard time. Air
          temperature and radiation must be there; the rest is estimated where it is missing.
        </p>
        <div class="grid grid-cols-2 gap-2 md:grid-cols-3">
          <label v-for="q in quantities" :key="q" class="block text-sm">
            {{ CSV_QUANTITIES[q].name }}
            <select class="input" :value="mapping[q] ?? ''" :data-test="`csv-${q}`" @change="choose(q, $event)">
              <option value="">not in the file</option>
              <option v-for="(name, i) in table.heading" :key="i" :value="i">{{ name }}</option>
            </select>
          </label>
        </div>
        <div class="mt-2 overflow-x-auto" v-sideways>
          <table class="w-full text-sm">
            <thead>
              <tr>
                <th
                  v-for="(name, i) in table.heading"
                  :key="i"
                  class="border-b border-line px-1 text-left font-semibold"
                >
                  {{ name }}
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, i) in table.rows.slice(0, 4)" :key="i">
                <td v-for="(c, k) in row" :key="k" class="px-1">{{ c }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="fault" class="fault mt-2" role="alert" data-test="csv-fault">
          {{ fault }}
        </p>
        <div class="mt-3 flex justify-end gap-2">
          <button class="button" @click="emit('close')">Cancel</button>
          <button class="button" data-test="csv-take" @click="take">Use this year</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
