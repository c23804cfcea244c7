<script setup lang="ts">
import { MATERIALS } from '../../../core/catalog'
import { RANGES } from '../../../core/design'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
const edge = computed(() => bench.current.skin.edge)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
const boards = MATERIALS.filter(m => m.group === 'insulation')
const frost = computed(() => bench.current.site.survey.frostDepthM || (year.view?.frostDepthM ?? 0))
const ground = computed(() => year.view?.answers.ua.byElement.find(e => e.name === 'ground') ?? null)
function showHeat(): void {
  drawing.view = 'heat'
}
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 px-4 py-3 lg:grid-cols-3">
    <div>
      <ChoiceField
        label="Board"
        :value="edge.material"
        :options="boards"
        :set="v => bench.edit([['skin.edge.material', v]])"
      />
      <QuantityField
        label="Thickness"
        quantity="thickness"
        :value="edge.thicknessM"
        :min="0"
        :max="RANGES['skin.edge.thicknessM'][1]"
        :slide="0.01"
        :set="set('skin.edge.thicknessM')"
      />
    </div>
    <div>
      <QuantityField
        label="Depth"
        quantity="length"
        :value="edge.depthM"
        :min="0"
        :max="RANGES['skin.edge.depthM'][1]"
        :slide="0.05"
        :hint="
          frost > 0.02
            ? `Frost goes to about ${settings.show(frost, 'length')} here.`
            : 'Frost hardly enters the ground here.'
        "
        :set="set('skin.edge.depthM')"
      />
      <QuantityField
        label="Skirt sloping outwards"
        quantity="length"
        :value="edge.skirtM"
        :min="0"
        :max="RANGES['skin.edge.skirtM'][1]"
        :slide="0.1"
        hint="Buried board that keeps the frost off where one cannot dig deep."
        :set="set('skin.edge.skirtM')"
      />
    </div>
    <div>
      <p v-if="ground">
        Floor and sunk walls pass {{ ground.uaDay.toFixed(0) }} W for each degree, once the ground is steady.
      </p>
      <p class="hint">
        A slab insulated all over is something builders disagree on: it slows the loss and cuts off the earth’s warmth
        and the plants’ subsoil.
      </p>
      <button class="button mt-1" data-test="see-ground" @click="showHeat">See the ground’s temperatures</button>
    </div>
  </div>
</template>
