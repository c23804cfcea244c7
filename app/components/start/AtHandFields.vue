<script setup lang="ts">
import { entry, MATERIALS, VESSELS } from '../../../core/catalog'
import { WATER_DENSITY, WATER_SPECIFIC_HEAT } from '../../../core/physics/constants'
import type { AtHand } from '../../../core/start/choices'

/** What is there already, each with its own small drawing. */
const atHand = defineModel<AtHand>({ required: true })
const DRUMS = 10
const WINDOWS_M2 = 6
type Thing = 'power' | 'water' | 'stone' | 'drums' | 'windowsM2'
const settings = useSettings()
/** Stone that takes as much heat for each degree as a drum full of water, kg. */
const asStoneKg =
  (entry(VESSELS, 'barrel-200').volumeM3 * WATER_DENSITY * WATER_SPECIFIC_HEAT) / entry(MATERIALS, 'stone').specificHeat
const THINGS = computed((): { id: Thing; name: string; about: string }[] => [
  { id: 'power', name: 'Power', about: 'fans and lamps can run' },
  { id: 'water', name: 'Water', about: 'a tap or a tank near by' },
  { id: 'stone', name: 'A pile of stone', about: 'it keeps the day’s warmth' },
  { id: 'drums', name: 'Drums for water', about: `each like ${settings.show(asStoneKg, 'mass')} of stone` },
  { id: 'windowsM2', name: 'Old windows', about: 'they go upright into the front' },
])
const has = (id: Thing) =>
  typeof atHand.value[id] === 'boolean' ? (atHand.value[id] as boolean) : atHand.value[id] > 0
function toggle(id: Thing): void {
  const on = !has(id)
  const value = id === 'drums' ? (on ? DRUMS : 0) : id === 'windowsM2' ? (on ? WINDOWS_M2 : 0) : on
  Object.assign(atHand.value, { [id]: value })
}
</script>

<template>
  <ul class="grid grid-cols-1 items-start gap-1.5 sm:grid-cols-2">
    <li
      v-for="t in THINGS"
      :key="t.id"
      class="flex items-center gap-2 rounded border bg-paper p-1.5"
      :class="has(t.id) ? 'border-2 border-clay' : 'border-line'"
    >
      <label class="flex min-w-0 flex-1 cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          class="size-4 shrink-0 accent-(--clay)"
          :checked="has(t.id)"
          :data-test="`has-${t.id}`"
          @change="toggle(t.id)"
        />
        <svg
          viewBox="0 0 40 34"
          class="h-8 w-9 shrink-0"
          aria-hidden="true"
          fill="none"
          stroke="var(--ink)"
          stroke-width="1.6"
        >
          <path v-if="t.id === 'power'" d="M22 3 L11 19 H19 L16 31 L29 14 H21 Z" fill="var(--sun-fill)" />
          <path
            v-else-if="t.id === 'water'"
            d="M20 3 C12 14 9 18 9 23 A11 9 0 0 0 31 23 C31 18 28 14 20 3 Z"
            fill="var(--sky-top)"
          />
          <g v-else-if="t.id === 'stone'" fill="var(--wall)">
            <path
              d="M3 30 L6 21 L16 19 L20 30 Z M20 30 L18 21 L28 18 L37 22 L37 30 Z M11 19 L14 9 L25 8 L28 18 L17 20 Z"
            />
          </g>
          <g v-else-if="t.id === 'drums'">
            <path d="M9 6 V28 A11 3.5 0 0 0 31 28 V6" fill="var(--slate)" />
            <ellipse cx="20" cy="6" rx="11" ry="3.5" fill="var(--paper)" />
            <path d="M9 13 A11 3.5 0 0 0 31 13 M9 21 A11 3.5 0 0 0 31 21" stroke="var(--paper)" />
          </g>
          <g v-else>
            <rect x="8" y="3" width="24" height="28" fill="var(--sky-top)" />
            <path d="M20 3 V31 M8 17 H32" />
          </g>
        </svg>
        <span class="min-w-0 leading-tight">
          <strong class="block">{{ t.name }}</strong>
          <span class="hint">{{ t.about }}</span>
        </span>
      </label>
      <QuantityField
        v-if="t.id === 'drums' && has('drums')"
        class="!w-20 shrink-0"
        label="How many"
        quantity="count"
        :value="atHand.drums"
        :min="1"
        :max="60"
        :set="v => ((atHand.drums = v), null)"
      />
      <QuantityField
        v-if="t.id === 'windowsM2' && has('windowsM2')"
        class="!w-24 shrink-0"
        label="Their glass"
        quantity="area"
        :value="atHand.windowsM2"
        :min="1"
        :max="200"
        :set="v => ((atHand.windowsM2 = v), null)"
      />
    </li>
  </ul>
</template>
