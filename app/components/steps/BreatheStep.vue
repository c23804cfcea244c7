<script setup lang="ts">
import { RANGES } from '../../../core/design'
import { ach50Of } from '../../../core/network/model'

const bench = useDesign()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature', { decimals: 0 })
const year = useYear()
const breathe = computed(() => bench.current.breathe)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
const floor = computed(() => bench.current.shape.widthM * bench.current.shape.lengthM)
const share = (area: number) => `${Math.round((area / floor.value) * 100)} % of the floor; rule: 15 to 25 %.`
const open = computed(() => (year.view ? year.view.hours.ventOpening.reduce((n, v) => n + (v > 0.05 ? 1 : 0), 0) : 0))
</script>

<template>
  <div class="step-grid">
    <div>
      <h2 class="group-title">Tightness</h2>
      <p>{{ ach50Of(breathe).toFixed(0) }} air changes an hour under 50 Pa: set under Skin, Tightness.</p>
      <p v-if="year.view" class="hint">
        On the coldest night air leaks take {{ year.view.answers.ua.infiltrationWK.toFixed(0) }} W for each degree
        between inside and outside.
      </p>
    </div>
    <div>
      <h2 class="group-title">Vents</h2>
      <QuantityField
        label="Low vents"
        quantity="area"
        :value="breathe.vents.lowM2"
        :min="0"
        :max="Math.min(20, RANGES['breathe.vents.lowM2'][1])"
        :slide="0.1"
        :hint="share(breathe.vents.lowM2)"
        :set="set('breathe.vents.lowM2')"
      />
      <QuantityField
        label="High vents"
        quantity="area"
        :value="breathe.vents.highM2"
        :min="0"
        :max="Math.min(20, RANGES['breathe.vents.highM2'][1])"
        :slide="0.1"
        :hint="share(breathe.vents.highM2)"
        :set="set('breathe.vents.highM2')"
      />
    </div>
    <div>
      <h2 class="group-title">Openers</h2>
      <QuantityField
        label="Start to open"
        quantity="temperature"
        :value="breathe.vents.startC"
        :min="RANGES['breathe.vents.startC'][0]"
        :max="RANGES['breathe.vents.startC'][1]"
        :slide="0.5"
        :set="set('breathe.vents.startC')"
      />
      <QuantityField
        label="Fully open"
        quantity="temperature"
        :value="breathe.vents.fullC"
        :min="RANGES['breathe.vents.fullC'][0]"
        :max="RANGES['breathe.vents.fullC'][1]"
        :slide="0.5"
        :hint="`Wax pistons start near ${t(18)} to ${t(21)} and are full near ${t(30)}.`"
        :set="set('breathe.vents.fullC')"
      />
      <p class="hint">Open for {{ open }} hours of the year.</p>
    </div>
  </div>
</template>
