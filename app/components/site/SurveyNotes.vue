<script setup lang="ts">
import { RANGES } from '../../../core/design'
import { MATERIALS } from '../../../core/catalog'

const bench = useDesign()
const year = useYear()
const settings = useSettings()
const survey = computed(() => bench.current.site.survey)
const soils = MATERIALS.filter(m => m.group === 'ground')
const set = (key: string) => (v: number) => bench.edit([[`site.survey.${key}`, v]])
const snowId = useId()
const windId = useId()
const text = (key: string, event: Event) =>
  bench.edit([[`site.survey.${key}`, (event.target as HTMLTextAreaElement).value.slice(0, 400)]])
</script>

<template>
  <div class="grid gap-3 md:grid-cols-3">
    <ChoiceField
      label="Soil"
      :value="bench.current.site.soil"
      :options="soils"
      :set="v => bench.edit([['site.soil', v]])"
    />
    <QuantityField
      label="Water table below the ground"
      quantity="length"
      :value="survey.waterTableM"
      :min="0"
      :max="RANGES['site.survey.waterTableM'][1]"
      hint="0 while it is not known: dig a test hole in the wettest season."
      :set="set('waterTableM')"
    />
    <QuantityField
      label="Frost depth by local rule"
      quantity="length"
      :value="survey.frostDepthM"
      :min="0"
      :max="RANGES['site.survey.frostDepthM'][1]"
      :hint="
        `0 leaves the estimate of ${settings.show(year.view?.frostDepthM ?? 0, 'length')}: where ` +
        `undisturbed bare ground of this soil still freezes in a mean winter.`
      "
      :set="set('frostDepthM')"
    />
    <QuantityField
      label="Fall of the ground"
      quantity="angle"
      :value="survey.slopeDeg"
      :min="0"
      :max="RANGES['site.survey.slopeDeg'][1]"
      :set="set('slopeDeg')"
    />
    <QuantityField
      label="It falls towards azimuth"
      quantity="angle"
      :value="survey.slopeTowardsDeg"
      :min="0"
      :max="360"
      :set="set('slopeTowardsDeg')"
    />
    <SwitchField
      label="Cold air gathers here on still nights"
      :value="survey.frostPocket"
      :set="v => bench.edit([['site.survey.frostPocket', v]])"
    />
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
