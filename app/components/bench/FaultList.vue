<script setup lang="ts">
import { STEPS, stepOf } from '~/steps/registry'

/** What is wrong with this house, the step in hand first: the first ones in full, the rest by step until wanted. */
const props = defineProps<{ step: string }>()
const emit = defineEmits<{ go: [string] }>()
const FIRST = 2
const every = useCautions()
const place = (id: string) => (id === props.step ? -1 : STEPS.findIndex(s => s.id === id))
const faults = computed(() => every.value.filter(c => !c.general).sort((a, b) => place(a.step) - place(b.step)))
const all = ref(false)
const shown = computed(() => (all.value ? faults.value : faults.value.slice(0, FIRST)))
const more = computed(() => {
  const rest = faults.value.slice(FIRST)
  const steps = new Set(rest.map(c => c.step))
  return [...steps].map(id => `${stepOf(id)!.name} ${rest.filter(c => c.step === id).length}`).join(', ')
})
</script>

<template>
  <section v-if="faults.length > 0" aria-label="Faults of this house" data-test="faults">
    <ul>
      <li v-for="c in shown" :key="c.text" class="caution" data-test="fault">
        <template v-if="c.step !== step"
          ><button class="link font-medium" @click="emit('go', c.step)">{{ stepOf(c.step)!.name }}</button>:</template
        >
        {{ c.text }}
      </li>
    </ul>
    <button v-if="faults.length > FIRST" class="link hint mt-1" data-test="more-faults" @click="all = !all">
      {{ all ? 'Fewer' : `${faults.length - FIRST} more: ${more}` }}
    </button>
  </section>
</template>
