<script setup lang="ts">
const TABS = [
  { id: 'sources', name: 'Heat and light' },
  { id: 'held', name: 'What it needs' },
  { id: 'fuels', name: 'Fuels' },
  { id: 'spell', name: 'Cold spell' },
  { id: 'light', name: 'Light' },
  { id: 'sums', name: 'Rules and sums' },
] as const
const bench = useDesign()
const currencyId = useId()
function setCurrency(event: Event): void {
  bench.edit([['topUp.currency', (event.target as HTMLInputElement).value.trim().toUpperCase()]])
}
</script>

<template>
  <StepTabs :tabs="TABS" label="Parts of top-up">
    <template #sources>
      <div class="step-grid">
        <div class="lg:col-span-2">
          <SourceList />
        </div>
        <div>
          <h2 class="group-title">Money</h2>
          <label :for="currencyId" class="mr-2">Currency</label>
          <input
            :id="currencyId"
            class="input !w-20"
            maxlength="3"
            :value="bench.current.topUp.currency"
            @change="setCurrency"
          />
          <p class="hint">A kWh is energy; a kW is how fast it flows.</p>
        </div>
      </div>
    </template>
    <template #held>
      <HeatNeeded />
    </template>
    <template #fuels>
      <FuelCompare />
    </template>
    <template #spell>
      <SpellTest />
    </template>
    <template #light>
      <LightUnits />
    </template>
    <template #sums>
      <SumBook step="topUp" />
    </template>
  </StepTabs>
</template>
