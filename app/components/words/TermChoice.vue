<script setup lang="ts">
import type { Term } from '../../../core/words/glossary'

/** Terms to choose from; the one that is open is pressed, and closed by another press. */
defineProps<{ terms: readonly Term[] }>()
const opened = defineModel<string | null>({ required: true })
</script>

<template>
  <p class="flex flex-wrap gap-1">
    <button
      v-for="t in terms"
      :key="t.id"
      class="button"
      :aria-pressed="opened === t.id"
      @click="opened = opened === t.id ? null : t.id"
    >
      {{ t.term }}
    </button>
  </p>
</template>
