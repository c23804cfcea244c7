<script setup lang="ts">
/** A sheet that can be printed by itself, over as many pages as it takes. */
const printing = ref(false)
async function print(): Promise<void> {
  printing.value = true
  await nextTick()
  document.body.classList.add('printing-sheet')
  window.print()
  document.body.classList.remove('printing-sheet')
  printing.value = false
}
defineExpose({ print })
</script>

<template>
  <Teleport to="body" :disabled="!printing">
    <figure class="sheet"><slot /></figure>
  </Teleport>
</template>

<style>
@media print {
  body.printing-sheet > :not(.sheet) {
    display: none;
  }
  body.printing-sheet > .sheet {
    padding: 12mm;
    background: white;
    color: black;
    --ink: #000;
    --line: #999;
    --clay: #8d3f2f;
  }
}
</style>
