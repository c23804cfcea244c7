<script setup lang="ts">
const TABS = [
  { id: 'takeoff', name: 'What to buy' },
  { id: 'foundation', name: 'Foundation' },
  { id: 'cuts', name: 'Cuts' },
  { id: 'drawings', name: 'Drawings' },
  { id: 'plan', name: 'Order of work' },
  { id: 'permit', name: 'Permit' },
] as const
</script>

<template>
  <StepTabs :tabs="TABS" label="Ways to build">
    <template #takeoff>
      <TakeoffPanel />
    </template>
    <template #foundation>
      <FoundationPanel />
    </template>
    <template #cuts>
      <CutsPanel />
    </template>
    <template #drawings>
      <DrawingsPanel />
    </template>
    <template #plan>
      <PlanPanel />
    </template>
    <template #permit>
      <PermitPanel />
    </template>
  </StepTabs>
</template>
