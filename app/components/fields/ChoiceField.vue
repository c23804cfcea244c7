<script setup lang="ts" generic="T extends string">
defineProps<{
  label: string
  value: T
  options: readonly { id: T; name: string }[]
  set: (value: T) => void
  hint?: string
  /** Path of the document's field that it sets: its why is one press away. */
  why?: string
}>()
const settings = useSettings()
const id = useId()
</script>

<template>
  <div class="min-w-0" :data-why="why" :data-label="label">
    <div class="flex items-baseline justify-between gap-1">
      <label :for="id" class="min-w-0">{{ label }}</label>
      <WhyButton v-if="why" :path="why" :label="label" />
    </div>
    <select :id="id" class="input" :value="value" @change="set(($event.target as HTMLSelectElement).value as T)">
      <option v-for="o in options" :key="o.id" :value="o.id">
        {{ settings.named(o.name) }}
      </option>
    </select>
    <p v-if="hint" class="hint">
      {{ hint }}
    </p>
  </div>
</template>
