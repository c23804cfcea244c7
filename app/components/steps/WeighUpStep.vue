<script setup lang="ts">
const TABS = [
  { id: 'ladder', name: 'Ladder' },
  { id: 'find', name: 'Find me' },
  { id: 'variants', name: 'Side by side' },
  { id: 'sweeps', name: 'Sweeps' },
  { id: 'sure', name: 'How sure' },
  { id: 'stages', name: 'Stages' },
  { id: 'prices', name: 'Prices' },
  { id: 'report', name: 'Report' },
] as const
</script>

<template>
  <StepTabs :tabs="TABS" label="Ways to weigh up">
    <template #ladder>
      <LadderPanel />
    </template>
    <template #find>
      <FindPanel />
    </template>
    <template #variants>
      <SideBySide />
    </template>
    <template #sweeps>
      <SweepPanel />
    </template>
    <template #sure>
      <HowSure />
    </template>
    <template #stages>
      <StagesPanel />
    </template>
    <template #prices>
      <PriceBook />
    </template>
    <template #report>
      <ReportPanel />
    </template>
  </StepTabs>
</template>
