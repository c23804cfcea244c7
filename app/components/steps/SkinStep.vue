<script setup lang="ts">
import { entry, GLAZINGS, MATERIALS, NIGHT_COVERS } from '../../../core/catalog'
import { RANGES } from '../../../core/design'

const bench = useDesign()
const settings = useSettings()
const skin = computed(() => bench.current.skin)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
const glazing = computed(() => entry(GLAZINGS, skin.value.glazing))
const boards = MATERIALS.filter(m => m.group === 'insulation')
const cover = computed(() => entry(NIGHT_COVERS, skin.value.cover.id))
</script>

<template>
  <div class="step-grid">
    <div>
      <h2 class="group-title">
        Glazing
      </h2>
      <ChoiceField label="Type" :value="skin.glazing" :options="GLAZINGS" :set="v => bench.edit([['skin.glazing', v]])" :hint="`U ${settings.show(glazing.uValue, 'transmittance')}. Source: ${glazing.source}.`" data-test="glazing" />
      <ChoiceField
        label="Slope on the pole side" :value="skin.poleSlope" :options="[{ id: 'solid', name: 'solid and insulated' }, { id: 'glazed', name: 'glazed as well' }]" :set="v => bench.edit([['skin.poleSlope', v]])"
      />
      <QuantityField label="Glazed share of the ends" quantity="share" :value="skin.endsGlazedShare" :min="0" :max="RANGES['skin.endsGlazedShare'][1]" :slide="0.05" :set="set('skin.endsGlazedShare')" />
    </div>
    <div>
      <h2 class="group-title">
        Night cover
      </h2>
      <ChoiceField
        label="Kind" :value="skin.cover.id" :options="NIGHT_COVERS" :set="v => bench.edit([['skin.cover.id', v]])"
        :hint="cover.resistance > 0 ? `Adds ${settings.show(cover.resistance, 'resistance')}, leaks at ${Math.round(cover.edgeLeak * 100)} % of its edges.` : 'Usually the best money: it works at night only, where the heat goes.'"
      />
      <template v-if="cover.resistance > 0">
        <QuantityField label="Drawn after sunset" quantity="hours" :value="skin.cover.afterSunsetH" :min="-3" :max="6" :slide="0.5" :set="set('skin.cover.afterSunsetH')" />
        <QuantityField label="Opened after sunrise" quantity="hours" :value="skin.cover.afterSunriseH" :min="-3" :max="6" :slide="0.5" :set="set('skin.cover.afterSunriseH')" />
        <QuantityField label="Only when outside is below" quantity="temperature" :value="skin.cover.onlyBelowC" :min="RANGES['skin.cover.onlyBelowC'][0]" :max="RANGES['skin.cover.onlyBelowC'][1]" :set="set('skin.cover.onlyBelowC')" />
      </template>
    </div>
    <div>
      <h2 class="group-title">
        Ground edge
      </h2>
      <ChoiceField label="Board" :value="skin.edge.material" :options="boards" :set="v => bench.edit([['skin.edge.material', v]])" />
      <QuantityField label="Thickness" quantity="thickness" :value="skin.edge.thicknessM" :min="0" :max="RANGES['skin.edge.thicknessM'][1]" :slide="0.01" :set="set('skin.edge.thicknessM')" />
      <QuantityField label="Depth" quantity="length" :value="skin.edge.depthM" :min="0" :max="RANGES['skin.edge.depthM'][1]" :slide="0.05" :set="set('skin.edge.depthM')" />
    </div>
    <div class="col-span-full grid gap-x-6 gap-y-3 md:grid-cols-2">
      <LayersField title="Walls, outside to inside" path="skin.wall" :layers="skin.wall" />
      <LayersField title="Solid roof slope, outside to inside" path="skin.roof" :layers="skin.roof" />
    </div>
  </div>
</template>
