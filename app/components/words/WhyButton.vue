<script setup lang="ts">
/** Why a field matters, and the words that stand in it: one press, or F1 in the field. */
const props = defineProps<{ path: string; label: string }>()
const sheets = useSheets()
</script>

<template>
  <button
    type="button"
    class="why"
    tabindex="-1"
    :aria-label="`Why: ${props.label}`"
    :title="`Why this matters (F1 in the field)`"
    @click="sheets.explain({ path, label })"
  >
    ?
  </button>
</template>

<style scoped>
.why {
  flex: none;
  width: 24px;
  height: 24px;
  margin: -3px 0;
  color: var(--soft);
  font-size: 0.8rem;
  border-radius: 50%;
  cursor: help;
}
.why:hover {
  background: var(--choice);
  color: var(--choice-ink);
}
</style>
