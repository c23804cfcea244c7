<script setup lang="ts">
/** What is walked on and what the beds stand on, each a build-up of its own. */
const bench = useDesign()
const floor = computed(() => bench.current.store.floor)
const setPath = (own: boolean) =>
  bench.edit([['store.floor.path', own ? [{ material: 'gravel', thicknessM: 0.05 }] : null]], 'path of its own')
</script>

<template>
  <div class="grid gap-x-8 gap-y-3 lg:grid-cols-2">
    <LayersField title="Floor, from below" path="store.floor.rest" :layers="floor.rest" on-ground />
    <div>
      <LayersField v-if="floor.path" title="Path, from below" path="store.floor.path" :layers="floor.path" on-ground />
      <h3 v-else class="group-title">Path</h3>
      <SwitchField label="The path is made otherwise" :value="floor.path !== null" :set="setPath" />
      <p class="hint">The widest way through between what stands on the floor.</p>
    </div>
    <LayersField
      title="Under the beds, from below"
      path="store.floor.beds"
      :layers="floor.beds"
      on-ground
      class="lg:col-span-1"
    />
  </div>
</template>
