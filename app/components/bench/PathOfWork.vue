<script setup lang="ts">
import type { StepId } from '../../../core/design'
import { STEPS } from '~/steps/registry'

const props = defineProps<{ step: string }>()
const emit = defineEmits<{ go: [string] }>()
const bench = useDesign()
const year = useYear()
const settings = useSettings()

const steps = computed(() =>
  STEPS.map(s => ({
    id: s.id,
    name: s.name,
    sub: s.summary({ design: bench.current, show: settings.show, day: year.day }),
  })),
)

/** On a phone the path runs sideways: the step in hand is brought into view. */
const path = ref<HTMLElement | null>(null)
const bringIntoView = () =>
  // With the next frame, whose layout is worked out anyway.
  void requestAnimationFrame(() =>
    path.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' }),
  )
watch(() => props.step, bringIntoView, { flush: 'post' })
onMounted(bringIntoView)

const cautions = useCautions()
const faultsIn = (id: string) => cautions.value.filter(c => !c.general && c.step === id).length

/** Whether something of the house is decided in a step. */
type AnyStep = (typeof STEPS)[number]['id']
const decides = (id: AnyStep): id is StepId => !['year', 'weighUp', 'build', 'season'].includes(id)

/** State of a step: its mark and the words for it. */
function state(id: AnyStep): { mark: string; words: string; tone: string; size: string } {
  if (!decides(id)) return { mark: '', words: '', tone: '', size: '' }
  const faults = faultsIn(id)
  if (faults > 0)
    return {
      mark: faults > 1 ? `${faults} !` : '!',
      words: faults > 1 ? `${faults} faults` : 'a fault',
      tone: 'text-clay',
      size: 'font-bold',
    }
  if (bench.current.decided.includes(id))
    return { mark: '●', words: 'decided', tone: 'text-moss', size: 'text-[0.6rem]' }
  return { mark: '○', words: 'at its default', tone: 'text-soft', size: 'text-[0.6rem]' }
}
</script>

<template>
  <nav ref="path" aria-label="Path of work" class="path">
    <p v-if="year.coldest" class="phone-score" aria-hidden="true" data-test="score-line">
      Coldest night
      <strong class="slab" data-figure="coldest">{{ settings.show(year.coldest.insideC, 'temperature') }}</strong>
    </p>
    <ol>
      <li v-for="s in steps" :key="s.id">
        <button
          :aria-current="props.step === s.id ? 'step' : undefined"
          class="step"
          :class="props.step === s.id ? 'chosen' : ''"
          :data-test="`step-${s.id}`"
          @click="emit('go', s.id)"
        >
          <span class="flex items-baseline justify-between">
            <span class="slab text-[1.12rem]">{{ s.name }}</span>
            <span
              v-if="state(s.id).mark"
              :class="[props.step === s.id ? '' : state(s.id).tone, state(s.id).size]"
              aria-hidden="true"
              :title="state(s.id).words"
              >{{ state(s.id).mark }}</span
            >
          </span>
          <span class="sub"
            >{{ s.sub }}<span class="sr-only">{{ state(s.id).words ? `, ${state(s.id).words}` : '' }}</span></span
          >
        </button>
      </li>
    </ol>
    <p class="marks hint">
      <span class="text-moss">●</span> decided, <span class="text-soft">○</span> at its default,
      <span class="font-bold text-clay">!</span> has a fault
    </p>
  </nav>
</template>

<style scoped>
.step {
  display: block;
  width: 100%;
  text-align: left;
  padding: 0.3rem 0.9rem 0.3rem 1.1rem;
  cursor: pointer;
  border-left: 4px solid transparent;
}
.step:hover {
  border-left-color: var(--clay);
}
.chosen {
  background: var(--choice);
  color: var(--choice-ink);
}
.sub {
  display: block;
  font-size: 0.85rem;
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.chosen .sub {
  color: inherit;
  opacity: 0.85;
}
.phone-score {
  display: none;
}
.marks {
  padding: 0.5rem 0.4rem 0 1.1rem;
  font-size: 0.78rem;
  line-height: 1.5;
}
@media (max-width: 900px) {
  .phone-score {
    display: block;
    padding: 0.15rem 0.8rem;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
  }
  .phone-score strong {
    font-size: 1.35rem;
  }
  ol {
    display: flex;
    overflow-x: auto;
  }
  .sub,
  .marks {
    display: none;
  }
  .step {
    padding: 0.35rem 0.8rem;
    border-left: 0;
    white-space: nowrap;
  }
  .step > span:first-child {
    gap: 0.35rem;
  }
}
</style>
