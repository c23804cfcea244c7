<script setup lang="ts">
/** One measured winter is no spread: others are made from it where somebody wants them. */
const bench = useDesign()
const vary = () => bench.edit([['site.varyMeasured', true]], 'vary the measured winter')
</script>

<template>
  <p class="hint" data-test="one-winter">
    One measured winter says nothing of how far others stray. Add the place’s other years under Site, or
    <button class="link" data-test="vary-measured" @click="vary">make others from this one</button>: its hours, with
    months that stray as they do in such a climate.
  </p>
</template>
