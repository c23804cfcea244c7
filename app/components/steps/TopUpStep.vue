<script setup lang="ts">
import { entry, FUELS } from '../../../core/catalog'
import { RANGES } from '../../../core/design'

const bench = useDesign()
const heater = computed(() => bench.current.topUp.heater)
const set = (path: string) => (v: number) => bench.edit([[path, v]])
const currencyId = useId()
function setCurrency(event: Event): void {
  bench.edit([['topUp.heater.currency', (event.target as HTMLInputElement).value.trim().toUpperCase()]])
}
</script>

<template>
  <div class="step-grid">
    <div>
      <h2 class="group-title">Heater</h2>
      <SwitchField
        label="Heater"
        :value="heater.on"
        :set="v => bench.edit([['topUp.heater.on', v]])"
        data-test="heater"
      />
      <div class="mt-2">
        <QuantityField
          label="Keeps the air at"
          quantity="temperature"
          :value="heater.setPointC"
          :min="RANGES['topUp.heater.setPointC'][0]"
          :max="RANGES['topUp.heater.setPointC'][1]"
          :slide="0.5"
          :set="set('topUp.heater.setPointC')"
        />
      </div>
    </div>
    <div>
      <h2 class="group-title">Strength and fuel</h2>
      <QuantityField
        label="Greatest output"
        quantity="power"
        :value="heater.capacityW"
        :min="0"
        :max="20000"
        :slide="250"
        :set="set('topUp.heater.capacityW')"
      />
      <ChoiceField
        label="Fuel"
        :value="heater.fuel"
        :options="FUELS"
        :set="
          v =>
            bench.edit(
              [
                ['topUp.heater.fuel', v],
                ['topUp.heater.pricePerKWh', entry(FUELS, v).roughPrice],
              ],
              'fuel',
            )
        "
        hint="Its rough price comes along: put your own."
      />
    </div>
    <div>
      <h2 class="group-title">Price</h2>
      <QuantityField
        label="For each kWh of fuel"
        quantity="money"
        :value="heater.pricePerKWh"
        :min="0"
        :max="RANGES['topUp.heater.pricePerKWh'][1]"
        :set="set('topUp.heater.pricePerKWh')"
      />
      <label :for="currencyId" class="mr-2">Currency</label>
      <input :id="currencyId" class="input !w-20" maxlength="3" :value="heater.currency" @change="setCurrency" />
      <p class="hint">A kWh is energy; a kW is how fast it flows.</p>
    </div>
  </div>
</template>
