<script setup lang="ts">
import { needsOf, type CropChoice } from '../../../core/aim/aim-line'
import { CROPS, type CropNeeds } from '../../../core/catalog'
import { RANGES } from '../../../core/design'

const props = defineProps<{ crop: CropChoice; index: number }>()
const bench = useDesign()
const needs = computed(() => needsOf(props.crop))
const source = computed(() =>
  props.crop.needs ? 'your own figures' : (CROPS.find(c => c.id === props.crop.id)?.source ?? ''),
)

const TEMPERATURES: { key: 'survivesC' | 'growsC' | 'soilC' | 'highestC'; label: string }[] = [
  { key: 'survivesC', label: 'survives' },
  { key: 'growsC', label: 'grows at night above' },
  { key: 'soilC', label: 'soil above' },
  { key: 'highestC', label: 'air below' },
]
const set = (key: keyof CropNeeds) => (v: number) =>
  bench.edit([[`aim.crops.${props.index}.needs`, { ...needs.value, [key]: v }]], `needs ${props.crop.id}`)
</script>

<template>
  <fieldset class="grid grid-cols-2 items-end gap-2 md:grid-cols-6">
    <legend class="font-semibold">
      {{ needs.name }} <span class="hint font-normal">{{ source }}</span>
    </legend>
    <QuantityField
      v-for="t in TEMPERATURES"
      :key="t.key"
      :label="t.label"
      quantity="temperature"
      :value="needs[t.key]"
      :min="RANGES['temperature'][0]"
      :max="RANGES['temperature'][1]"
      :set="set(t.key)"
    />
    <QuantityField label="light, mol/m²·d" quantity="light" :value="needs.dli" :min="0" :max="60" :set="set('dli')" />
    <button
      v-if="crop.needs && CROPS.some(c => c.id === crop.id)"
      class="button quiet"
      @click="bench.edit([[`aim.crops.${index}.needs`, null]], 'catalogue needs')"
    >
      catalogue’s
    </button>
  </fieldset>
</template>
