<script setup lang="ts">
/** A word of the field in a text: one press explains it. */
defineProps<{ id: string }>()
const sheets = useSheets()
</script>

<template>
  <button type="button" class="term" @click="sheets.explain({ term: id })"><slot /></button>
</template>

<style scoped>
.term {
  cursor: help;
  text-align: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
</style>
