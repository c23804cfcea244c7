<script setup lang="ts">
import { needsOf, ownNeeds, type CropChoice } from '../../../core/aim/aim-line'
import { CROPS } from '../../../core/catalog'
import { numberAt, type OwnCropNeeds } from '../../../core/design'

const props = defineProps<{ crop: CropChoice; index: number }>()
const bench = useDesign()
const needs = computed(() => needsOf(props.crop))
const source = computed(() =>
  props.crop.needs ? 'your own figures' : (CROPS.find(c => c.id === props.crop.id)?.source ?? ''),
)

type Key = Exclude<keyof OwnCropNeeds, 'name' | 'inPots'>
const KEYS: Key[] = ['survivesC', 'growsC', 'soilC', 'highestC', 'dli', 'weeks', 'givesWeeks']
const FIELDS = KEYS.map(key => [key, numberAt(`aim.crops.0.needs.${key}`)] as const)
const put = (changed: Partial<OwnCropNeeds>) =>
  bench.edit([[`aim.crops.${props.index}.needs`, { ...ownNeeds(props.crop), ...changed }]], `needs ${props.crop.id}`)
const set = (key: Key) => (v: number) => put({ [key]: v })
</script>

<template>
  <fieldset class="grid grid-cols-2 items-end gap-2 md:grid-cols-5">
    <legend class="font-semibold">
      {{ needs.name }} <span class="hint font-normal">{{ source }}</span>
    </legend>
    <QuantityField
      v-for="[key, field] in FIELDS"
      :key="key"
      :label="field.label"
      :quantity="field.quantity!"
      :value="needs[key]"
      :min="field.low"
      :max="field.high"
      :set="set(key)"
    />
    <SwitchField label="Raised in pots" :value="needs.inPots" :set="v => void put({ inPots: v })" />
    <button
      v-if="crop.needs && CROPS.some(c => c.id === crop.id)"
      class="button quiet"
      @click="bench.edit([[`aim.crops.${index}.needs`, null]], 'catalogue needs')"
    >
      catalogue’s
    </button>
  </fieldset>
</template>
