<script setup lang="ts">
import { MATERIALS } from '../../../core/catalog'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const drawing = useDrawing()
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
      <DesignField path="skin.edge.material" :options="boards" />
      <DesignField path="skin.edge.thicknessM" />
    </div>
    <div>
      <DesignField
        path="skin.edge.depthM"
        :hint="
          frost > 0.02
            ? `Frost goes to about ${settings.show(frost, 'length')} here.`
            : 'Frost hardly enters the ground here.'
        "
      />
      <DesignField path="skin.edge.skirtM" />
      <DesignField path="skin.snow.cleared" />
    </div>
    <div>
      <p v-if="ground">
        Floor and sunk walls pass {{ settings.show(ground.uaDay, 'conductance') }}: so much for each degree, once the
        ground is steady.
      </p>
      <p class="hint">
        A slab insulated all over is something builders disagree on: it slows the loss and cuts off the earth’s warmth
        and the plants’ subsoil.
      </p>
      <button class="button mt-1" data-test="see-ground" @click="showHeat">See the ground’s temperatures</button>
    </div>
  </div>
</template>
