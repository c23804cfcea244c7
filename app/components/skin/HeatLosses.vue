<script setup lang="ts">
import type { LossName } from '../../../core/network/series'

/**
 * Loss by element, by night and by day, for the coldest night and for the year. Each line leads to where it is decided.
 */
const emit = defineEmits<{ go: [string] }>()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const span = ref<'year' | 'worst'>('worst')
const a = computed(() => year.view?.answers ?? null)
const LEADS: Record<LossName, [tab: string, words: string]> = {
  'glazing': ['glazing', 'glazing and night cover'],
  'roof': ['walls', 'layers of the roof'],
  'back wall': ['walls', 'layers of the walls'],
  'knee wall': ['walls', 'layers of the walls'],
  'end walls': ['walls', 'layers of the walls'],
  'ground': ['edge', 'ground edge'],
  'house': ['walls', 'the house’s side'],
  'air leaks': ['tight', 'tightness'],
  'vents': ['tight', 'vents are set under Breathe'],
  'damp air': ['tight', 'damp leaves with the air'],
}
const rows = computed(() => {
  if (!a.value) return []
  if (span.value === 'worst')
    return a.value.worstNightLosses.map(l => ({
      name: l.name as LossName,
      night: l.watts,
      day: 0,
      share: l.share,
      text: settings.show(l.watts, 'power'),
    }))
  const list = a.value.lossesByDay.filter(l => l.dayKWh + l.nightKWh > 1)
  const all = list.reduce((s, l) => s + l.dayKWh + l.nightKWh, 0)
  return list
    .map(l => ({
      name: l.name,
      night: Math.max(0, l.nightKWh),
      day: Math.max(0, l.dayKWh),
      share: (l.dayKWh + l.nightKWh) / all,
      text: settings.show((l.dayKWh + l.nightKWh) * 3.6e6, 'energy'),
    }))
    .sort((x, y) => y.share - x.share)
})
const most = computed(() => Math.max(1e-9, ...rows.value.map(r => r.night + r.day)))
function showHeat(): void {
  drawing.view = 'heat'
}
const ua = computed(() => a.value?.ua.byElement ?? [])
</script>

<template>
  <div v-if="a" class="grid gap-x-8 gap-y-3 px-4 py-3 xl:grid-cols-2">
    <div>
      <div class="mb-1 flex flex-wrap items-center gap-4">
        <h2 class="group-title !mb-0">Where the heat goes</h2>
        <label class="flex items-center gap-1"
          ><input v-model="span" type="radio" value="worst" /> the coldest night</label
        >
        <label class="flex items-center gap-1"
          ><input v-model="span" type="radio" value="year" data-test="span-year" /> the year</label
        >
        <button class="button" @click="showHeat">See it on the drawing</button>
      </div>
      <ul data-test="where-heat-goes">
        <li v-for="r in rows" :key="r.name">
          <button
            class="row"
            :title="`Decided by: ${LEADS[r.name][1]}`"
            :data-test="`loss-${r.name.replace(' ', '-')}`"
            @click="emit('go', LEADS[r.name][0])"
          >
            <span class="link">{{ r.name }}</span>
            <span class="flex h-3.5" aria-hidden="true"
              ><span class="h-full bg-slate" :style="{ width: `${(r.night / most) * 100}%` }" /><span
                class="h-full bg-straw"
                :style="{ width: `${(r.day / most) * 100}%` }"
            /></span>
            <span class="text-right">{{ r.text }}</span
            ><span class="text-right">{{ Math.round(r.share * 100) }} %</span>
          </button>
        </li>
      </ul>
      <p class="hint">
        <template v-if="span === 'year'">
          <span class="inline-block h-2.5 w-4 bg-slate" /> while the sun is down,
          <span class="inline-block h-2.5 w-4 bg-straw" /> while it is up. Vents throw away heat that is not wanted.
        </template>
        <template v-else> The twelve hours up to the coldest hour, {{ a.coldestNight.day }}. </template>
        Press a line to go where it is decided.
      </p>
      <details class="mt-1">
        <summary class="cursor-pointer">Areas and U-values</summary>
        <table class="text-sm">
          <thead>
            <tr class="text-right">
              <th scope="col" class="text-left">element</th>
              <th scope="col">area</th>
              <th scope="col"><TermLink id="u-value">U by day</TermLink></th>
              <th scope="col"><TermLink id="u-value">U by night</TermLink></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(e, i) in ua" :key="i" class="text-right">
              <td class="text-left">
                {{ e.name }}
              </td>
              <td>{{ settings.show(e.areaM2, 'area') }}</td>
              <td>{{ settings.show(e.uDay, 'transmittance') }}</td>
              <td>{{ settings.show(e.uNight, 'transmittance') }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </div>
    <WallPayback />
  </div>
  <p v-else class="hint p-4">Working out the first year …</p>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 6.5rem 1fr 5.5rem 3rem;
  align-items: center;
  gap: 0.6rem;
  width: 100%;
  padding: 0.12rem 0;
  cursor: pointer;
}
.row:hover {
  background: var(--paper);
}
td,
th {
  padding: 0 0.6rem 0 0;
}
</style>
