<script setup lang="ts">
import { FINISHES, GLAZINGS } from '../../../core/catalog'
import { hasSolidRoof, RANGES } from '../../../core/design'
import { makeOutline } from '../../../core/geometry/section'
import { LATER } from '~/parts'

const bench = useDesign()
const skin = computed(() => bench.current.skin)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
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
          <ChoiceField
            label="Type"
            :value="skin.glazing"
            :options="GLAZINGS"
            :set="v => bench.edit([['skin.glazing', v]])"
            hint="Compare sets all of them side by side."
            data-test="glazing"
          />
          <ChoiceField
            v-if="hasPoleSlope"
            label="Slope on the pole side"
            :value="skin.poleSlope"
            :options="[
              { id: 'solid', name: 'solid and insulated' },
              { id: 'glazed', name: 'glazed as well' },
            ]"
            :set="v => bench.edit([['skin.poleSlope', v]])"
          />
        </div>
        <div>
          <QuantityField
            v-if="bench.current.shape.form !== 'dome'"
            label="Glazed share of the ends"
            quantity="share"
            :value="skin.endsGlazedShare"
            :min="0"
            :max="RANGES['skin.endsGlazedShare'][1]"
            :slide="0.05"
            :set="set('skin.endsGlazedShare')"
          />
          <QuantityField
            label="Bars and frame, share of the opening"
            quantity="share"
            :value="skin.condition.frameShare"
            :min="0"
            :max="RANGES['skin.condition.frameShare'][1]"
            :slide="0.01"
            :set="set('skin.condition.frameShare')"
          />
        </div>
        <div>
          <QuantityField
            label="Age in years"
            quantity="count"
            :value="skin.condition.ageYears"
            :min="0"
            :max="RANGES['skin.condition.ageYears'][1]"
            :slide="1"
            hint="Sheet and film grow dim with the years."
            :set="set('skin.condition.ageYears')"
          />
          <QuantityField
            label="Light that dirt takes"
            quantity="share"
            :value="skin.condition.dirt"
            :min="0"
            :max="RANGES['skin.condition.dirt'][1]"
            :slide="0.01"
            :set="set('skin.condition.dirt')"
          />
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
          <ChoiceField
            class="mt-2"
            label="Inner face of the walls"
            :value="skin.finish.wall"
            :options="FINISHES"
            :set="v => bench.edit([['skin.finish.wall', v]])"
            hint="Reflecting faces light the plants; dark faces warm the mass."
          />
        </div>
        <div v-if="hasSolidRoof(bench.current)">
          <LayersField title="Solid roof slope, outside to inside" path="skin.roof" :layers="skin.roof" />
          <ChoiceField
            class="mt-2"
            label="Inner face of the roof"
            :value="skin.finish.roof"
            :options="FINISHES"
            :set="v => bench.edit([['skin.finish.roof', v]])"
          />
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
