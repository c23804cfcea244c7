<script setup lang="ts">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'
import { LATER } from '~/parts'
import { stepOf } from '~/steps/registry'
import { VIEWS } from '~/stores/drawing'

/** The large drawing with its four views. At the step of the site the plan shows the surroundings. */
const props = defineProps<{ step: string }>()
const drawing = useDrawing()
const ModelView = defineAsyncComponent(LATER.ModelView)
const SitePlan = defineAsyncComponent(LATER.SitePlan)
const FloorPlan = defineAsyncComponent(LATER.FloorPlan)
const HeatView = defineAsyncComponent(LATER.HeatView)
const NAMES = { section: 'Section', plan: 'Plan', model: 'Model', heat: 'Heat' } as const
watch(
  () => props.step,
  (step, before) => {
    if (stepOf(step)?.view) drawing.view = stepOf(step)!.view!
    else if (before === 'site' && drawing.view === 'plan') drawing.view = 'section'
  },
  { immediate: true },
)
</script>

<template>
  <div class="size-full">
    <SitePlan v-if="drawing.view === 'plan' && step === 'site'" />
    <FloorPlan v-else-if="drawing.view === 'plan'" />
    <ModelView v-else-if="drawing.view === 'model'" />
    <HeatView v-else-if="drawing.view === 'heat'" />
    <SectionDrawing v-else />
    <div class="views">
      <RadioGroup v-model="drawing.view" as="div" class="flex" aria-label="How the house is drawn">
        <RadioGroupOption v-for="v in VIEWS" :key="v" v-slot="{ checked }" :value="v" as="template">
          <div class="view" :class="{ on: checked }" :data-test="`view-${v}`">
            {{ NAMES[v] }}
          </div>
        </RadioGroupOption>
      </RadioGroup>
    </div>
  </div>
</template>

<style scoped>
.views {
  position: absolute;
  right: 8px;
  top: 8px;
  display: flex;
  background: var(--paper);
  border: 1px solid var(--line);
  border-radius: 4px;
  font-size: 0.88rem;
  z-index: 5;
}
.view {
  padding: 0.1rem 0.55rem;
  cursor: pointer;
  border-bottom: 3px solid transparent;
}
.view.on {
  border-bottom-color: var(--clay);
  font-weight: 600;
}
</style>
