<script setup lang="ts">
import { hasSolidRoof } from '../../../core/advice/cautions'
import { makeOutline } from '../../../core/geometry/section'
import { LATER } from '~/parts'

const bench = useDesign()
const skin = computed(() => bench.current.skin)
const TABS = [
  { id: 'heat', name: 'Heat losses' },
  { id: 'glazing', name: 'Glazing' },
  { id: 'compare', name: 'Compare' },
  { id: 'cover', name: 'Night cover' },
  { id: 'walls', name: 'Walls and roof' },
  { id: 'edge', name: 'Ground edge' },
  { id: 'tight', name: 'Tightness' },
] as const
const GlazingCompare = defineAsyncComponent(LATER.GlazingCompare)
const HeatLosses = defineAsyncComponent(LATER.HeatLosses)
const tab = ref(0)
const hasPoleSlope = computed(
  () => bench.current.shape.form === 'dome' || makeOutline(bench.current.shape).poleSlopeM > 0,
)
const go = (id: string) => {
  tab.value = Math.max(
    0,
    TABS.findIndex(t => t.id === id),
  )
}
</script>

<template>
  <StepTabs v-model="tab" :tabs="TABS" label="Parts of the skin">
    <template #heat>
      <HeatLosses @go="go" />
    </template>
    <template #glazing>
      <div class="step-grid">
        <div>
          <DesignField path="skin.glazing" data-test="glazing" label="Type" />
          <DesignField path="skin.poleSlope" v-if="hasPoleSlope" />
        </div>
        <div>
          <DesignField path="skin.endsGlazedShare" v-if="bench.current.shape.form !== 'dome'" />
          <DesignField path="skin.condition.frameShare" />
        </div>
        <div>
          <DesignField path="skin.condition.ageYears" />
          <DesignField path="skin.condition.dirt" />
        </div>
      </div>
    </template>
    <template #compare>
      <GlazingCompare />
    </template>
    <template #cover>
      <CoverPanel />
    </template>
    <template #walls>
      <div class="grid gap-x-8 gap-y-4 px-4 py-3 2xl:grid-cols-2">
        <div>
          <LayersField title="Walls, outside to inside" path="skin.wall" :layers="skin.wall" />
          <DesignField path="skin.finish.wall" class="mt-2" />
        </div>
        <div v-if="hasSolidRoof(bench.current)">
          <LayersField title="Solid roof slope, outside to inside" path="skin.roof" :layers="skin.roof" />
          <DesignField path="skin.finish.roof" class="mt-2" />
        </div>
      </div>
    </template>
    <template #edge>
      <EdgePanel />
    </template>
    <template #tight>
      <TightnessPanel />
    </template>
  </StepTabs>
</template>
