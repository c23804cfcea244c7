<script setup lang="ts">
import { entry, GLAZINGS, isBlown, usualFrameShare } from '../../../core/catalog'
import { hasSolidRoof } from '../../../core/advice/cautions'
import { partsOf } from '../../../core/geometry/parts'
import { makeOutline } from '../../../core/geometry/section'
import { LATER } from '~/parts'

const bench = useDesign()
const settings = useSettings()
const usualFrame = computed(() =>
  usualFrameShare(bench.current.shape.form, entry(GLAZINGS, bench.current.skin.glazing)),
)
const skin = computed(() => bench.current.skin)
const TABS = [
  { id: 'heat', name: 'Heat losses' },
  { id: 'parts', name: 'Parts' },
  { id: 'glazing', name: 'Glazing' },
  { id: 'compare', name: 'Compare' },
  { id: 'cover', name: 'Night cover' },
  { id: 'walls', name: 'Walls and roof' },
  { id: 'edge', name: 'Ground edge' },
  { id: 'tight', name: 'Tightness' },
] as const
const GlazingCompare = defineAsyncComponent(LATER.GlazingCompare)
const HeatLosses = defineAsyncComponent(LATER.HeatLosses)
const drawing = useDrawing()
const placeOf = (id: string) =>
  Math.max(
    0,
    TABS.findIndex(t => t.id === id),
  )
/** A part that is pressed on a drawing opens its card. */
const tab = ref(drawing.pressed?.kind === 'part' ? placeOf('parts') : 0)
const go = (id: string) => {
  tab.value = placeOf(id)
}
watch(
  () => drawing.pressed,
  thing => {
    if (thing?.kind === 'part') go('parts')
  },
)
const hasPoleSlope = computed(() => partsOf(bench.current, makeOutline(bench.current.shape)).includes('poleSlope'))
const ends = computed(() => bench.current.skin.parts)
</script>

<template>
  <StepTabs v-model="tab" :tabs="TABS" label="Parts of the skin">
    <template #heat>
      <HeatLosses @go="go" />
    </template>
    <template #parts>
      <PartList />
    </template>
    <template #glazing>
      <div class="step-grid">
        <div>
          <DesignField path="skin.glazing" data-test="glazing" label="Type" />
          <DesignField path="skin.parts.poleSlope.kind" v-if="hasPoleSlope" label="Slope on the pole side" />
        </div>
        <div>
          <DesignField
            v-if="bench.current.shape.form !== 'dome'"
            path="skin.parts.eastEnd.glazedShare"
            label="Glazed share of the ends"
            :hint="
              ends.eastEnd.glazedShare === ends.westEnd.glazedShare
                ? 'Both alike; each by itself under Parts.'
                : `The east end’s; the west end has ${Math.round(ends.westEnd.glazedShare * 100)} %.`
            "
            :set="
              (v: number) =>
                bench.edit(
                  [
                    ['skin.parts.eastEnd.glazedShare', v],
                    ['skin.parts.westEnd.glazedShare', v],
                  ],
                  'glazed ends',
                )
            "
          />
          <DesignField path="skin.condition.frameShare" :none="`usual here: ${settings.show(usualFrame, 'share')}`" />
        </div>
        <div>
          <DesignField path="skin.condition.ageYears" />
          <DesignField path="skin.condition.dirt" />
          <DesignField v-if="isBlown(skin.glazing)" path="skin.condition.blowerW" />
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
