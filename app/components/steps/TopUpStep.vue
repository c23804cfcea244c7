<script setup lang="ts">
const TABS = [
  { id: 'sources', name: 'Heat and light' },
  { id: 'held', name: 'What it needs' },
  { id: 'fuels', name: 'Fuels' },
  { id: 'spell', name: 'Cold spell' },
  { id: 'light', name: 'Light' },
  { id: 'sums', name: 'Rules and sums' },
] as const
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
          <CurrencyBook />
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
