<script setup lang="ts">
import { bedName } from '../../../core/design'

/** Some of the beds of the house, by their place in the document. */
const props = defineProps<{
  label: string
  value: readonly number[]
  set: (value: number[]) => void
  hint?: string
  why?: string
}>()
const bench = useDesign()
const beds = computed(() => bench.current.shape.beds.map((_, i) => bedName(bench.current.shape.beds, i)))
const turn = (bed: number) =>
  props.set(
    props.value.includes(bed) ? props.value.filter(b => b !== bed) : [...props.value, bed].sort((a, b) => a - b),
  )
</script>

<template>
  <fieldset class="col-span-full min-w-0" :data-why="why" :data-label="label">
    <legend>{{ label }} <WhyButton v-if="why" :path="why" :label="label" /></legend>
    <div class="flex flex-wrap gap-1">
      <button
        v-for="(name, i) in beds"
        :key="i"
        type="button"
        class="button !px-2"
        :class="{ 'bg-clay! text-paper!': value.includes(i) }"
        :aria-pressed="value.includes(i)"
        @click="turn(i)"
      >
        {{ name }}
      </button>
    </div>
    <p v-if="hint" class="hint">{{ hint }}</p>
  </fieldset>
</template>
