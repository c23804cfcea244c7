<script setup lang="ts">
import { ach50Of } from '../../../core/network/model'

const bench = useDesign()
const settings = useSettings()
const t = (c: number) => settings.show(c, 'temperature', { decimals: 0 })
const year = useYear()
const breathe = computed(() => bench.current.breathe)
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
      <DesignField path="breathe.vents.lowM2" :hint="share(breathe.vents.lowM2)" />
      <DesignField path="breathe.vents.highM2" :hint="share(breathe.vents.highM2)" />
    </div>
    <div>
      <h2 class="group-title">Openers</h2>
      <DesignField path="breathe.vents.startC" />
      <DesignField
        path="breathe.vents.fullC"
        :hint="`Wax pistons start near ${t(18)} to ${t(21)} and are full near ${t(30)}.`"
      />
      <p class="hint">Open for {{ open }} hours of the year.</p>
    </div>
  </div>
</template>
