<script setup lang="ts">
import { STEPS } from '~/steps/registry'

/** Cautions that hold for every house with such things in it: folded, by step, the step in hand first. */
const props = defineProps<{ step: string }>()
const every = useCautions()
const bySteps = computed(() =>
  STEPS.map(({ id, name }) => ({ id, name, texts: every.value.filter(c => c.general && c.step === id) }))
    .filter(s => s.texts.length > 0)
    .sort((a, b) => Number(b.id === props.step) - Number(a.id === props.step)),
)
const counts = computed(() => bySteps.value.map(s => `${s.name} ${s.texts.length}`).join(', '))
</script>

<template>
  <details v-if="bySteps.length > 0" class="mt-3" data-test="general-cautions">
    <summary class="cursor-pointer">
      <span class="text-[1.02rem] font-medium">Work with care</span> <span class="hint">{{ counts }}</span>
    </summary>
    <template v-for="s in bySteps" :key="s.id">
      <h3 class="hint mt-2">{{ s.name }}</h3>
      <p v-for="c in s.texts" :key="c.text" class="caution" role="note">{{ c.text }}</p>
    </template>
  </details>
</template>
