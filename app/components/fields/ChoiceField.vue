<script setup lang="ts" generic="T extends string">
defineProps<{
  label: string
  value: T
  options: readonly { id: T; name: string }[]
  set: (value: T) => void
  hint?: string
}>()
const id = useId()
</script>

<template>
  <div class="min-w-0">
    <label :for="id">{{ label }}</label>
    <select :id="id" class="input" :value="value" @change="set(($event.target as HTMLSelectElement).value as T)">
      <option v-for="o in options" :key="o.id" :value="o.id">
        {{ o.name }}
      </option>
    </select>
    <p v-if="hint" class="hint">
      {{ hint }}
    </p>
  </div>
</template>
