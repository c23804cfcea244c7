<script setup lang="ts">
import { MONTH_NAMES } from '../../../core/climate'

/** Some of the twelve months. */
const props = defineProps<{
  label: string
  value: readonly number[]
  set: (value: number[]) => void
  hint?: string
  why?: string
}>()
const months = MONTH_NAMES.map((name, i) => ({ name, month: i + 1 }))
const turn = (month: number) =>
  props.set(
    props.value.includes(month) ? props.value.filter(m => m !== month) : [...props.value, month].sort((a, b) => a - b),
  )
</script>

<template>
  <fieldset class="col-span-full min-w-0" :data-why="why" :data-label="label">
    <legend>{{ label }} <WhyButton v-if="why" :path="why" :label="label" /></legend>
    <div class="flex flex-wrap gap-1">
      <button
        v-for="m in months"
        :key="m.month"
        type="button"
        class="button !px-2"
        :class="{ 'bg-clay! text-paper!': value.includes(m.month) }"
        :aria-pressed="value.includes(m.month)"
        :aria-label="m.name"
        @click="turn(m.month)"
      >
        {{ m.name.slice(0, 3) }}
      </button>
    </div>
    <p v-if="hint" class="hint">{{ hint }}</p>
  </fieldset>
</template>
