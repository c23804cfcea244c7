<script setup lang="ts">
/** Some of what there is, by number: months of the year, beds of the house. */
const props = defineProps<{
  label: string
  /** What may be pressed, with what stands on its button. */
  options: readonly { id: number; name: string; short: string }[]
  value: readonly number[]
  set: (value: number[]) => void
  hint?: string
  why?: string
}>()
const turn = (id: number) =>
  props.set(props.value.includes(id) ? props.value.filter(v => v !== id) : [...props.value, id].sort((a, b) => a - b))
</script>

<template>
  <fieldset class="col-span-full min-w-0" :data-why="why" :data-label="label">
    <legend>{{ label }} <WhyButton v-if="why" :path="why" :label="label" /></legend>
    <div class="flex flex-wrap gap-1">
      <button
        v-for="o in options"
        :key="o.id"
        type="button"
        class="button !px-2"
        :class="{ 'bg-clay! text-paper!': value.includes(o.id) }"
        :aria-pressed="value.includes(o.id)"
        :aria-label="o.name"
        @click="turn(o.id)"
      >
        {{ o.short }}
      </button>
    </div>
    <p v-if="hint" class="hint">{{ hint }}</p>
  </fieldset>
</template>
