<script setup lang="ts">
import { MATERIALS } from '../../../core/catalog'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const survey = computed(() => bench.current.site.survey)
const soils = MATERIALS.filter(m => m.group === 'ground')
const snowId = useId()
const windId = useId()
const text = (key: string, event: Event) =>
  bench.edit([[`site.survey.${key}`, (event.target as HTMLTextAreaElement).value.slice(0, 400)]])
</script>

<template>
  <div class="grid gap-3 md:grid-cols-3">
    <DesignField path="site.soil" :options="soils" />
    <DesignField path="site.soilConductivity" />
    <DesignField path="site.survey.waterTableM" />
    <DesignField
      path="site.survey.frostDepthM"
      :hint="
        `0 leaves the estimate of ${settings.show(year.view?.frostDepthM ?? 0, 'length')}: where ` +
        `undisturbed bare ground of this soil still freezes in a mean winter.`
      "
    />
    <DesignField path="site.survey.slopeDeg" />
    <DesignField path="site.survey.slopeTowardsDeg" />
    <DesignField path="site.survey.frostPocket" />
    <div>
      <label :for="snowId">Snow: what the building office or an engineer says</label>
      <textarea
        :id="snowId"
        class="input h-14 text-sm"
        maxlength="400"
        :value="survey.snowNote"
        @change="text('snowNote', $event)"
      />
    </div>
    <div>
      <label :for="windId">Wind: the same</label>
      <textarea
        :id="windId"
        class="input h-14 text-sm"
        maxlength="400"
        :value="survey.windNote"
        @change="text('windNote', $event)"
      />
    </div>
    <p class="hint self-center">
      These are notes for whoever works out the structure. Tierra draws no conclusions from them: snow, wind and
      anchorage are for an engineer or your building office.
    </p>
  </div>
</template>
