<script setup lang="ts">
import { entry, FUELS } from '../../../core/catalog'

const bench = useDesign()
const heater = computed(() => bench.current.topUp.heater)
/** A fuel's rough price comes along with it. */
const takeFuel = (fuel: string) =>
  bench.edit(
    [
      ['topUp.heater.fuel', fuel],
      ['topUp.heater.pricePerKWh', entry(FUELS, fuel).roughPrice],
    ],
    'fuel',
  )
const currencyId = useId()
function setCurrency(event: Event): void {
  bench.edit([['topUp.heater.currency', (event.target as HTMLInputElement).value.trim().toUpperCase()]])
}
</script>

<template>
  <div class="step-grid">
    <div>
      <h2 class="group-title">Heater</h2>
      <DesignField path="topUp.heater.on" data-test="heater" />
      <div class="mt-2">
        <DesignField path="topUp.heater.setPointC" />
      </div>
    </div>
    <div>
      <h2 class="group-title">Strength and fuel</h2>
      <DesignField path="topUp.heater.capacityW" />
      <DesignField path="topUp.heater.fuel" :set="takeFuel" />
    </div>
    <div>
      <h2 class="group-title">Price</h2>
      <DesignField path="topUp.heater.pricePerKWh" />
      <label :for="currencyId" class="mr-2">Currency</label>
      <input :id="currencyId" class="input !w-20" maxlength="3" :value="heater.currency" @change="setCurrency" />
      <p class="hint">A kWh is energy; a kW is how fast it flows.</p>
    </div>
  </div>
</template>
